import { createHash } from 'node:crypto'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { Caller, openTestServer, PASSWORD, type TestServer } from '../../testing/testServer.ts'
import { deriveKey, hashPassword } from '../access/password.ts'

let server: TestServer

beforeAll(async () => {
  server = await openTestServer()
})
afterAll(() => server.close())

const signIn = (caller: Caller, signInName: string, password: string) =>
  caller.call('POST', '/api/session', { signInName, password })

test('a session is a cookie scripts cannot read and other sites cannot send', async () => {
  const caller = new Caller(server.address)
  const { status, headers, body } = await signIn(caller, 'Officer', PASSWORD)
  expect(status).toBe(201)
  expect(body['account']).toMatchObject({ signInName: 'officer', role: 'officer' })
  expect(headers.get('Set-Cookie')).toMatch(/HttpOnly/)
  expect(headers.get('Set-Cookie')).toMatch(/SameSite=Strict/)
  expect((await caller.call('GET', '/api/session')).body['account']).toMatchObject({ role: 'officer' })
})

test('signing out ends the session on the server', async () => {
  const caller = await Caller.signedIn(server.address, 'clerk')
  const cookie = caller.cookieHeader
  expect((await caller.call('DELETE', '/api/session')).status).toBe(204)
  const withOldCookie = await new Caller(server.address).call('GET', '/api/occasions', undefined, { Cookie: cookie })
  expect(withOldCookie.status).toBe(401)
})

test('a session is stored as a hash only, and ends with its time', async () => {
  const caller = await Caller.signedIn(server.address, 'timer')
  const token = caller.cookieHeader.split('=')[1] ?? ''
  const { rows } = await server.owner.query<{ found: boolean }>(
    'select exists (select 1 from sessions where token_hash = $1) as found',
    [Buffer.from(token)],
  )
  expect(rows[0]?.found).toBe(false)
})

test('a wrong password and an unknown name are told apart by nothing', async () => {
  const wrong = await signIn(new Caller(server.address), 'viewer', 'wrong')
  const unknown = await signIn(new Caller(server.address), 'nobody', 'wrong')
  expect(wrong.status).toBe(401)
  expect(unknown.body).toEqual(wrong.body)
})

test('after ten failures a name has to wait, also with the right password; others do not', async () => {
  const caller = new Caller(server.address)
  for (let attempt = 0; attempt < 10; attempt++)
    expect((await signIn(caller, 'grader', `guess ${attempt}`)).status).toBe(401)
  expect(await signIn(caller, 'grader', PASSWORD)).toMatchObject({ status: 429, body: { title: 'signIn.tooMany' } })
  expect((await signIn(caller, 'officer', PASSWORD)).status).toBe(201)
})

test('missing fields are named', async () => {
  const answer = await new Caller(server.address).call('POST', '/api/session', { signInName: 'officer' })
  expect(answer).toMatchObject({ status: 422, body: { findings: [{ place: 'password' }] } })
})

test('demo accounts sign in only while the demo is shown', async () => {
  const demo = await openTestServer({ demo: true, demoAccounts: true })
  expect((await signIn(new Caller(demo.address), 'officer', PASSWORD)).status).toBe(201)
  expect((await new Caller(demo.address).call('GET', '/api/session')).body['demo']).toMatchObject({
    accounts: expect.any(Array),
  })
  await demo.close()
  // the same kind of accounts on a server that is not in demo mode
  const { rows } = await server.pool.query<{ count: number }>(
    'select count(*)::integer as count from accounts where is_demo',
  )
  expect(rows[0]?.count).toBe(0)
  await server.owner.query(
    `insert into accounts (id, sign_in_name, display_name, role, password_hash, is_demo) values (gen_random_uuid(), 'demo', 'Demo', 'officer', $1, true)`,
    [await hashPassword(PASSWORD)],
  )
  expect((await signIn(new Caller(server.address), 'demo', PASSWORD)).status).toBe(401)
  expect((await new Caller(server.address).call('GET', '/api/session')).body['demo']).toBeNull()
})

test('a password is kept as the hash of a salted scrypt key, from which nobody signs in', async () => {
  const [first, second] = [await hashPassword('tarn'), await hashPassword('tarn')]
  expect(first).toMatch(/^scrypt2\$32768\$8\$1\$[\w-]+\$[0-9a-f]{64}$/)
  expect(first).not.toBe(second)
  const proof = first.split('$')[5] ?? ''
  const hashOf = async (password: string): Promise<string> =>
    createHash('sha256')
      .update(await deriveKey(password, first))
      .digest('hex')
  expect(await hashOf('tarn')).toBe(proof)
  expect(await hashOf('Tarn')).not.toBe(proof)
  const opened = await server.pool.query<{ id: string | null }>(
    `select open_session('officer', decode($1, 'hex'), 'a token', now() + interval '1 hour', '', null, null) as id`,
    [proof],
  )
  expect(opened.rows[0]?.id).toBeNull()
})
