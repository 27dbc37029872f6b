import { generateKeyPairSync } from 'node:crypto'
import { afterAll, beforeAll, expect, test, vi } from 'vitest'
import { plainV3 } from '@able-gauge/core/testing'
import { addTestDay, Caller, openTestServer, PASSWORD, type TestServer } from '../../testing/testServer.ts'
import { NO_LIMITS } from '../limits.ts'
import { keepSetUpCode } from '../store/keptAccountStore.ts'

const STRONG = 'gannet harbour seven lanterns'

let server: TestServer
let administrator: Caller
beforeAll(async () => {
  server = await openTestServer({ limits: NO_LIMITS })
  administrator = await Caller.signedIn(server.address, 'administrator')
})
afterAll(() => server.close())

const stranger = (): Caller => new Caller(server.address)
let named = 0
/** Somebody invited, with the link that lets them in. */
const invite = async (role: string, change: object = {}) => {
  const signInName = `new.person${++named}`
  const body = { signInName, displayName: 'New Person', role, ...change }
  const { status, body: answer } = await administrator.call('POST', '/api/kept-accounts', body)
  return { status, answer, signInName, accountId: String(answer['accountId']), code: String(answer['code']) }
}
const welcomed = async (role: string) => {
  const invited = await invite(role)
  const caller = stranger()
  await caller.call('POST', '/api/session/link', { code: invited.code, password: STRONG })
  return { ...invited, caller }
}
const kept = async (accountId: string) => {
  const { body } = await administrator.call('GET', '/api/kept-accounts')
  return (body['accounts'] as { id: string; state: string; role: string; displayName: string }[]).find(
    ({ id }) => id === accountId,
  )
}
const signIn = (name: string, password: string) =>
  stranger().call('POST', '/api/session', { signInName: name, password })

test('somebody invited chooses a password by the link, once, and works in the role they were given', async () => {
  const { accountId, code, signInName } = await invite('clerk')
  expect(await kept(accountId)).toMatchObject({ state: 'invited', role: 'clerk' })
  expect((await stranger().call('POST', '/api/session/link/holder', { code })).body).toEqual({
    signInName,
    displayName: 'New Person',
    role: 'clerk',
    isNew: true,
    hasSecondFactor: false,
  })
  const caller = stranger()
  expect(await caller.call('POST', '/api/session/link', { code, password: STRONG })).toMatchObject({
    status: 201,
    body: { account: { signInName, role: 'clerk' } },
  })
  expect((await caller.call('GET', '/api/people')).status).toBe(200)
  expect((await caller.call('GET', '/api/kept-accounts')).status).toBe(403)
  expect(await kept(accountId)).toMatchObject({ state: 'open' })
  // a second time it opens nothing, and says no more than for one that never was
  const used = await stranger().call('POST', '/api/session/link', { code, password: STRONG })
  const never = await stranger().call('POST', '/api/session/link', { code: 'never-made', password: STRONG })
  expect(used).toMatchObject({ status: 401, body: { title: 'link.ended' } })
  expect(never.body['detail']).toBe(used.body['detail'])
  expect((await signIn(signInName, STRONG)).status).toBe(201)
})

test('a link ends after a day, and a new one takes its place', async () => {
  const { accountId, code } = await invite('grader')
  const again = await administrator.call('POST', `/api/kept-accounts/${accountId}/link`, {})
  expect(again.status).toBe(201)
  const holder = (which: unknown) => stranger().call('POST', '/api/session/link/holder', { code: which })
  expect((await holder(code)).status).toBe(401)
  expect((await holder(again.body['code'])).status).toBe(200)
  expect(Number(again.body['endsMs']) - Date.now()).toBeLessThanOrEqual(24 * 3_600_000)
  await server.asOwner(
    `update account_links set ends_at = now() - interval '1 second' where account_id = '${accountId}'`,
  )
  expect((await holder(again.body['code'])).status).toBe(401)
})

test.each([
  ['short', 'aB3$xY'],
  ['one that everybody chooses', 'password1234'],
  ['the own name', 'new.person'],
  ['a row of keys', 'qwertyuiop12'],
])('a password that is %s is refused, and the link stays good', async (_, password) => {
  const { code } = await invite('timer')
  const refused = await stranger().call('POST', '/api/session/link', { code, password })
  expect(refused).toMatchObject({ status: 422, body: { findings: [{ place: 'password', code: 'weak' }] } })
  expect(JSON.stringify(refused.body)).not.toContain(password)
  expect((await stranger().call('POST', '/api/session/link', { code, password: STRONG })).status).toBe(201)
})

test('a name is given once, in a form that can be typed', async () => {
  const { signInName } = await invite('grader')
  expect(await invite('grader', { signInName })).toMatchObject({
    status: 422,
    answer: { findings: [{ place: 'signInName', code: 'taken' }] },
  })
  expect((await invite('grader', { signInName: 'With Space' })).status).toBe(422)
  expect((await invite('captain')).status).toBe(422)
})

test('a reset ends every session there was, and the old password with them', async () => {
  const { accountId, caller, signInName } = await welcomed('clerk')
  const { body } = await administrator.call('POST', `/api/kept-accounts/${accountId}/link`, {})
  // until it is used nothing changes
  expect((await caller.call('GET', '/api/people')).status).toBe(200)
  const other = 'seven quiet otters ashore'
  expect((await stranger().call('POST', '/api/session/link', { code: body['code'], password: other })).status).toBe(201)
  expect((await caller.call('GET', '/api/people')).status).toBe(401)
  expect((await signIn(signInName, STRONG)).status).toBe(401)
  expect((await signIn(signInName, other)).status).toBe(201)
})

test('a closed account is out at once, its stream too, cannot sign in, and can be opened again', async () => {
  const { occasionId } = await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }])
  const { accountId, caller, signInName } = await welcomed('viewer')
  const stream = await fetch(`${server.address}/api/occasions/${occasionId}/live`, {
    headers: { Cookie: caller.cookieHeader },
  })
  expect(stream.status).toBe(200)
  const reader = stream.body?.getReader()
  const closedAtMs = performance.now()
  expect((await administrator.call('PUT', `/api/kept-accounts/${accountId}/closed`, { closed: true })).status).toBe(204)
  expect((await caller.call('GET', '/api/occasions')).status).toBe(401)
  for (;;) if ((await reader?.read())?.done !== false) break
  expect(performance.now() - closedAtMs).toBeLessThan(1_000)
  expect((await signIn(signInName, STRONG)).status).toBe(401)
  expect(await kept(accountId)).toMatchObject({ state: 'closed' })
  expect((await administrator.call('POST', `/api/kept-accounts/${accountId}/link`, {})).status).toBe(409)
  await administrator.call('PUT', `/api/kept-accounts/${accountId}/closed`, { closed: false })
  expect((await signIn(signInName, STRONG)).status).toBe(201)
})

test('name and role are changed, and hold from the next request on', async () => {
  const { accountId, caller } = await welcomed('viewer')
  const change = { displayName: 'Newly Named', role: 'records' }
  expect((await administrator.call('PATCH', `/api/kept-accounts/${accountId}`, change)).status).toBe(204)
  expect(await kept(accountId)).toMatchObject(change)
  expect((await caller.call('GET', '/api/people')).status).toBe(200)
  expect((await caller.call('GET', '/api/occasions')).status).toBe(403)
})

test('the last administrator stays one, and stays in', async () => {
  const own = server.accountIds.administrator
  const change = { displayName: 'The administrator', role: 'viewer' }
  const lonely = { status: 409, body: { title: 'account.lastAdministrator' } }
  expect(await administrator.call('PATCH', `/api/kept-accounts/${own}`, change)).toMatchObject(lonely)
  expect(await administrator.call('PUT', `/api/kept-accounts/${own}/closed`, { closed: true })).toMatchObject(lonely)
  // the database says the same, whatever asks it
  const demote = server.pool.query('select change_account($1, $2, $3, $4, null)', [
    server.tokenOf('administrator'),
    own,
    'The administrator',
    'viewer',
  ])
  await expect(demote).rejects.toThrow('the last administrator')
  const second = await welcomed('administrator')
  expect((await second.caller.call('PUT', `/api/kept-accounts/${own}/closed`, { closed: true })).status).toBe(204)
  await second.caller.call('PUT', `/api/kept-accounts/${own}/closed`, { closed: false })
  await signInAgain()
  await administrator.call('PUT', `/api/kept-accounts/${second.accountId}/closed`, { closed: true })
})

test('of two administrators who show each other out at once, one stays', async () => {
  for (let round = 0; round < 8; round++) {
    const second = await welcomed('administrator')
    const close = (caller: Caller, id: string) =>
      caller.call('PUT', `/api/kept-accounts/${id}/closed`, { closed: true })
    const own = server.accountIds.administrator
    await Promise.all([close(administrator, second.accountId), close(second.caller, own)])
    const { rows } = await server.pool.query(`select id from accounts where role = 'administrator' and can_sign_in`)
    expect(rows).toHaveLength(1)
    await server.asOwner(
      `update accounts set closed_at = case when id = '${own}' then null else now() end where role = 'administrator'`,
    )
    await signInAgain()
  }
})

test('what is no account of the house is not found, whatever is asked of it', async () => {
  const asked = [
    ['PATCH', '', { displayName: 'X', role: 'viewer' }],
    ['POST', '/link', {}],
    ['PUT', '/closed', { closed: true }],
    ['GET', '/sessions', undefined],
    ['DELETE', '/sessions', undefined],
  ] as const
  // nobody, the server's own account, and what is no id at all
  for (const id of ['01930000-0000-7000-8000-00000000dead', '00000000-0000-8000-8000-000000000001', 'nobody'])
    for (const [method, path, body] of asked)
      expect((await administrator.call(method, `/api/kept-accounts/${id}${path}`, body)).status).toBe(404)
})

const signInAgain = async (): Promise<void> => {
  administrator = await Caller.signedIn(server.address, 'administrator')
}

test('one sees where one is signed in, and ends what is not this device', async () => {
  const { caller, signInName, accountId } = await welcomed('grader')
  const phone = stranger()
  await phone.call('POST', '/api/session', { signInName, password: STRONG }, { 'User-Agent': 'A phone' })
  const { body } = await caller.call('GET', '/api/own-account/sessions')
  const sessions = body['sessions'] as { id: string; device: string; isThis: boolean }[]
  expect(sessions.map(({ isThis }) => isThis).sort()).toEqual([false, true])
  const other = sessions.find(({ device }) => device === 'A phone')
  expect((await caller.call('DELETE', `/api/own-account/sessions/${other?.id}`)).status).toBe(204)
  expect((await phone.call('GET', '/api/occasions')).status).toBe(401)
  expect((await caller.call('GET', '/api/occasions')).status).toBe(200)
  // nobody ends those of another, but an administrator
  const strangerOfOther = await welcomed('grader')
  const own = await caller.call('GET', '/api/own-account/sessions')
  const [mine] = own.body['sessions'] as { id: string }[]
  await strangerOfOther.caller.call('DELETE', `/api/own-account/sessions/${mine?.id}`)
  expect((await caller.call('GET', '/api/occasions')).status).toBe(200)
  expect((await administrator.call('DELETE', `/api/kept-accounts/${accountId}/sessions`)).status).toBe(204)
  expect((await caller.call('GET', '/api/occasions')).status).toBe(401)
})

test('the own password is changed by whoever knows it, and the other devices are out', async () => {
  const { caller, signInName } = await welcomed('timer')
  const phone = stranger()
  await phone.call('POST', '/api/session', { signInName, password: STRONG })
  const next = 'eleven salted ropes by the pier'
  const change = (current: string, password: string) =>
    caller.call('PUT', '/api/own-account/password', { current, password })
  expect(await change(PASSWORD, next)).toMatchObject({ status: 403, body: { title: 'password.wrong' } })
  expect((await change(STRONG, 'password1234')).status).toBe(422)
  expect((await phone.call('GET', '/api/occasions')).status).toBe(200)
  expect((await change(STRONG, next)).status).toBe(204)
  expect((await phone.call('GET', '/api/occasions')).status).toBe(401)
  expect((await caller.call('GET', '/api/occasions')).status).toBe(200)
  expect((await signIn(signInName, next)).status).toBe(201)
})

test('what was done to accounts stands in the security log, without a code or a password', async () => {
  const noted = ['account.invited', 'account.linkUsed', 'account.closed', 'password.changed', 'password.refused']
  const text = await vi.waitFor(async () => {
    const { body } = await administrator.call('GET', '/api/security-events')
    const events = body['events'] as { kind: string }[]
    expect(events.map(({ kind }) => kind)).toEqual(expect.arrayContaining(noted))
    return JSON.stringify(events)
  })
  for (const secret of [STRONG, 'new.person']) expect(text).not.toContain(secret)
})

test('the role of the application reads no link and writes no account but by the functions', async () => {
  for (const sql of [
    'select * from account_links',
    'select password_hash from accounts',
    "update accounts set role = 'administrator'",
    'select * from set_up_codes',
    'select store_session(null, null, null, null)',
    'select * from kept_account(null)',
  ])
    await expect(server.pool.query(sql)).rejects.toThrow('permission denied')
  const asClerk = server.pool.query('select close_account($1, $2, true)', [
    server.tokenOf('clerk'),
    server.accountIds.viewer,
  ])
  await expect(asClerk).rejects.toThrow('not for this account')
})

test('a house without an administrator is set up with the code of the terminal, once', async () => {
  const empty = await openTestServer({ limits: NO_LIMITS })
  try {
    await empty.asOwner(`update accounts set role = 'viewer' where role = 'administrator'`)
    const caller = new Caller(empty.address)
    expect((await caller.call('GET', '/api/session')).body).toMatchObject({ isUnfounded: true })
    await keepSetUpCode(empty.owner, 'old-code')
    await keepSetUpCode(empty.owner, 'right-code')
    const found = (code: string, change: object = {}) =>
      caller.call('POST', '/api/session/house', {
        code,
        organisation: 'Skerry Volunteer Brigade',
        signInName: 'a.merrow',
        displayName: 'Asta Merrow',
        password: STRONG,
        ...change,
      })
    for (const wrong of ['wrong-code', 'old-code']) expect((await found(wrong)).status).toBe(401)
    expect((await found('right-code', { password: 'password1234' })).status).toBe(422)
    // a name somebody has
    expect((await found('right-code', { signInName: 'officer' })).status).toBe(401)
    expect(await found('right-code')).toMatchObject({ status: 201, body: { account: { role: 'administrator' } } })
    expect((await caller.call('GET', '/api/kept-accounts')).status).toBe(200)
    expect((await caller.call('GET', '/api/house-rules')).body).toMatchObject({
      rules: { organisation: 'Skerry Volunteer Brigade' },
    })
    expect((await new Caller(empty.address).call('GET', '/api/session')).body).toMatchObject({ isUnfounded: false })
    await keepSetUpCode(empty.owner, 'third-code')
    expect((await found('third-code', { signInName: 'b.merrow' })).status).toBe(401)
  } finally {
    await empty.close()
  }
})

test('what the new roles may, the database lets them do as well', async () => {
  const { rows } = await server.owner.query<{ id: string }>(
    `insert into people (id, number, given_name, family_name, birth_date)
     values (gen_random_uuid(), 'N-901', 'Lumi', 'Ardent', '1999-05-04') returning id`,
  )
  const records = await Caller.signedIn(server.address, 'records')
  const erased = await records.call('POST', `/api/people/${rows[0]?.id}/erase`, { reason: 'asked for it' })
  expect(erased.status).toBe(204)
  const { publicKey } = generateKeyPairSync('ed25519')
  const key = publicKey.export({ type: 'spki', format: 'pem' })
  const trusted = await administrator.call('POST', '/api/keys', { key, name: 'Sister house' })
  expect(trusted.status).toBe(201)
})

test('the role of the application may call what it was given, and nothing a migration left open', async () => {
  const { rows } = await server.pool.query<{ name: string }>(
    `select p.proname as name from pg_proc p
      where p.pronamespace = 'public'::regnamespace and has_function_privilege(current_user, p.oid, 'execute') order by 1`,
  )
  expect(rows.map(({ name }) => name)).toMatchInlineSnapshot(`
    [
      "account_of_link",
      "accounts_with_second_factor",
      "add_archived_account",
      "add_captures",
      "add_new_captures",
      "add_record",
      "add_rehearsal_captures",
      "add_server_record",
      "add_to_annex",
      "amend_day",
      "begin_reading_in",
      "begin_second_factor",
      "cancel_day",
      "canonical",
      "change_account",
      "change_password",
      "close_account",
      "close_session",
      "confirm_second_factor",
      "drop_own_factor",
      "drop_second_factor",
      "end_reading_in",
      "end_sessions",
      "end_station_code",
      "erase_texts",
      "found_house",
      "invite_account",
      "is_own_key",
      "join_station",
      "keep_unit",
      "link_account",
      "list_sessions",
      "lock_ledger",
      "make_station_code",
      "open_session",
      "own_factor",
      "renew_account_link",
      "restore_day_log",
      "restore_signature",
      "session_parameters",
      "sign_day",
      "sign_in_factor",
      "take_account_link",
      "take_cancellation_back",
      "throw_rehearsal_away",
      "trust_key",
      "unit_within",
      "use_own_code",
      "use_session",
    ]
  `)
})

test('a session nobody used for as long as the house allows has ended', async () => {
  const { caller } = await welcomed('grader')
  const { body } = await administrator.call('GET', '/api/house-rules')
  const rules = { ...(body['rules'] as object), idleMinutes: 30 }
  const put = (change: object) =>
    administrator.call('PUT', '/api/house-rules', { revision: body['revision'], rules: { ...rules, ...change } })
  expect((await put({ idleMinutes: 5 })).status).toBe(422)
  expect((await put({})).status).toBe(200)
  const lastUsed = (ago: string) => server.owner.query(`update sessions set used_at = now() - $1::interval`, [ago])
  await lastUsed('29 minutes')
  const used = await caller.call('GET', '/api/session')
  expect(used.body['account']).toMatchObject({ role: 'grader' })
  expect(Number(used.body['endsInMs'])).toBeLessThanOrEqual(30 * 60_000)
  await server.owner.query(`update sessions set used_at = now() - interval '31 minutes' where account_id <> $1`, [
    server.accountIds.administrator,
  ])
  expect((await caller.call('GET', '/api/session')).body['account']).toBeNull()
  expect((await caller.call('GET', '/api/house-rules')).status).toBe(401)
})
