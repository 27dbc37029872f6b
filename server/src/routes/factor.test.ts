/** The code beside the password: set up, asked for at the door and with a signature, good once, and what helps when the phone is lost. */
import { afterAll, beforeAll, beforeEach, afterEach, expect, test, vi } from 'vitest'
import { generate } from 'otplib'
import { FIRST_HOUSE_RULES } from '@able-gauge/core'
import { plainV3 } from '@able-gauge/core/testing'
import { addTestDay, Caller, openTestServer, PASSWORD, type TestServer } from '../../testing/testServer.ts'
import { NO_LIMITS } from '../limits.ts'

const STEP_MS = 30_000
const PATH = '/api/own-account/second-factor'

let server: TestServer
let administrator: Caller
beforeAll(async () => {
  server = await openTestServer({ limits: NO_LIMITS })
  administrator = await Caller.signedIn(server.address, 'administrator')
})
afterAll(() => server.close())
// only what time it is stands still: a code is good once, so each test moves on to the next by itself
let nowMs = Date.now()
beforeEach(() => {
  vi.useFakeTimers({ toFake: ['Date'], now: nowMs })
})
afterEach(() => {
  vi.useRealTimers()
})
const nextCode = (secret: string): Promise<string> => {
  nowMs += STEP_MS
  vi.setSystemTime(nowMs)
  return generate({ secret })
}
const wrong = (code: string): string => String((Number(code) + 1) % 1_000_000).padStart(6, '0')

const stranger = (): Caller => new Caller(server.address)
const signIn = (signInName: string, code?: string) =>
  stranger().call('POST', '/api/session', { signInName, password: PASSWORD, ...(code === undefined ? {} : { code }) })
/** An authenticator set up by whoever calls. */
const setUp = async (caller: Caller): Promise<{ secret: string; recovery: string[] }> => {
  const secret = String((await caller.call('POST', PATH, { password: PASSWORD })).body['secret'])
  const { status, body } = await caller.call('PUT', PATH, { code: await nextCode(secret) })
  expect(status).toBe(200)
  return { secret, recovery: body['codes'] as string[] }
}
const housesRules = async (change: object): Promise<void> => {
  const officer = await Caller.signedIn(server.address, 'officer')
  const { revision } = (await officer.call('GET', '/api/house-rules')).body
  const body = { rules: { ...FIRST_HOUSE_RULES, organisation: 'Tarn Isles Constabulary', ...change }, revision }
  expect((await officer.call('PUT', '/api/house-rules', body)).status).toBe(200)
}

test('it counts once a first code was shown, and then nobody signs in without one', async () => {
  const grader = await Caller.signedIn(server.address, 'grader')
  expect(await grader.call('POST', PATH, { password: 'another' })).toMatchObject({ status: 403 })
  expect(await grader.call('PUT', PATH, { code: '123456' })).toMatchObject({ body: { title: 'secondFactor.notBegun' } })
  const { body } = await grader.call('POST', PATH, { password: PASSWORD })
  const secret = String(body['secret'])
  expect(body['uri']).toContain(`secret=${secret}`)
  // begun is not set up: the phone may never have kept it
  expect((await signIn('grader')).status).toBe(201)
  expect(await grader.call('PUT', PATH, { code: wrong(await nextCode(secret)) })).toMatchObject({
    status: 403,
    body: { title: 'secondFactor.code' },
  })
  const confirmed = await grader.call('PUT', PATH, { code: await nextCode(secret) })
  expect(new Set(confirmed.body['codes'] as string[]).size).toBe(8)
  expect(await signIn('grader')).toMatchObject({ status: 401, body: { title: 'signIn.codeNeeded' } })
  const code = await nextCode(secret)
  expect(await signIn('grader', wrong(code))).toMatchObject({ status: 401, body: { title: 'signIn.code' } })
  expect((await signIn('grader', `${code.slice(0, 3)} ${code.slice(3)}`)).status).toBe(201)
  // seen over a shoulder it opens nothing a second time
  expect(await signIn('grader', code)).toMatchObject({ status: 401, body: { title: 'signIn.code' } })
  // with a wrong password nothing tells that there is one
  const guessed = await stranger().call('POST', '/api/session', { signInName: 'grader', password: 'guess', code })
  expect(guessed).toMatchObject({ status: 401, body: { title: 'signIn.wrong' } })
  expect(await grader.call('POST', PATH, { password: PASSWORD })).toMatchObject({ status: 409 })
})

test('a recovery code lets in once, and an authenticator is given up with a last code', async () => {
  const timer = await Caller.signedIn(server.address, 'timer')
  const { secret, recovery } = await setUp(timer)
  const [first = ''] = recovery
  expect((await signIn('timer', first.toLowerCase())).status).toBe(201)
  expect((await signIn('timer', first)).status).toBe(401)
  expect((await timer.call('GET', PATH)).body).toEqual({ isOn: true, recoveryLeft: 7 })
  expect(await timer.call('POST', `${PATH}/end`, { code: 'AAAAA-AAAAA' })).toMatchObject({ status: 403 })
  expect((await timer.call('POST', `${PATH}/end`, { code: await nextCode(secret) })).status).toBe(204)
  expect((await signIn('timer')).status).toBe(201)
  expect(await timer.call('POST', `${PATH}/end`, { code: '123456' })).toMatchObject({ status: 409 })
})

test('after ten wrong codes none is taken, also the right one', async () => {
  const { secret } = await setUp(await Caller.signedIn(server.address, 'clerk'))
  const code = await nextCode(secret)
  for (let turn = 0; turn < 10; turn++) expect((await signIn('clerk', wrong(code))).status).toBe(401)
  expect(await signIn('clerk', code)).toMatchObject({ status: 401, body: { title: 'signIn.code' } })
  await server.asOwner(`update second_factors set wrong_at = now() - interval '16 minutes'`)
  expect((await signIn('clerk', code)).status).toBe(201)
})

test('whoever lost it asks an administrator; a link lets nobody in without the code', async () => {
  const { secret } = await setUp(await Caller.signedIn(server.address, 'viewer'))
  const accountId = server.accountIds.viewer
  const kept = async () =>
    ((await administrator.call('GET', '/api/kept-accounts')).body['accounts'] as { id: string }[]).find(
      ({ id }) => id === accountId,
    )
  expect(await kept()).toMatchObject({ hasSecondFactor: true })
  const { code: link } = (await administrator.call('POST', `/api/kept-accounts/${accountId}/link`)).body
  expect((await stranger().call('POST', '/api/session/link/holder', { code: link })).body).toMatchObject({
    hasSecondFactor: true,
  })
  const taken = { code: link, password: 'gannet harbour seven lanterns' }
  expect(await stranger().call('POST', '/api/session/link', taken)).toMatchObject({ status: 401 })
  const code = await nextCode(secret)
  expect(await stranger().call('POST', '/api/session/link', { ...taken, factorCode: wrong(code) })).toMatchObject({
    body: { title: 'signIn.code' },
  })
  expect((await stranger().call('POST', '/api/session/link', { ...taken, factorCode: code })).status).toBe(201)
  expect((await administrator.call('DELETE', `/api/kept-accounts/${accountId}/second-factor`)).status).toBe(204)
  expect(await kept()).toMatchObject({ hasSecondFactor: false })
})

test('where the house asks for it, a signature takes a code, and none without an authenticator', async () => {
  await housesRules({ signingByCode: true })
  const { occasionId } = await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1, attendance: 'present' }])
  const officer = await Caller.signedIn(server.address, 'officer')
  const sign = (code?: string) =>
    officer.call('POST', `/api/occasions/${occasionId}/sign-off`, {
      password: PASSWORD,
      acceptOpen: true,
      ...(code === undefined ? {} : { code }),
    })
  expect((await officer.call('GET', '/api/session')).body).toMatchObject({ asks: { codeToSign: true } })
  expect(await sign()).toMatchObject({ status: 403, body: { title: 'signOff.noSecondFactor' } })
  const { secret } = await setUp(officer)
  expect(await sign()).toMatchObject({ status: 403, body: { title: 'signOff.code' } })
  const code = await nextCode(secret)
  expect(await sign(wrong(code))).toMatchObject({ status: 403, body: { title: 'signOff.code' } })
  expect((await sign(code)).status).toBe(201)
  const events = await vi.waitFor(async () => {
    const { body } = await administrator.call('GET', '/api/security-events')
    const kinds = (body['events'] as { kind: string }[]).map(({ kind }) => kind)
    expect(kinds).toEqual(expect.arrayContaining(['secondFactor.set', 'secondFactor.refused', 'signature.refused']))
    return JSON.stringify(body)
  })
  expect(events).not.toContain(secret)
  expect(events).not.toContain(code)
})

test('an administrator of whom it is asked sets it up before anything else', async () => {
  await administrator.call('POST', PATH, { password: PASSWORD })
  expect((await administrator.call('GET', '/api/kept-accounts')).status).toBe(200)
  await server.asOwner(`update house_rules set content = content || '{"administratorsByCode": true}'`)
  const refused = { status: 403, body: { title: 'access.secondFactor' } }
  expect(await administrator.call('GET', '/api/kept-accounts')).toMatchObject(refused)
  expect(await administrator.call('POST', '/api/archives', { password: PASSWORD, archive: {} })).toMatchObject(refused)
  expect((await administrator.call('GET', '/api/session')).body).toMatchObject({ asks: { secondFactor: true } })
  expect(await signIn('administrator')).toMatchObject({ status: 201, body: { asks: { secondFactor: true } } })
  await setUp(administrator)
  expect((await administrator.call('GET', '/api/kept-accounts')).status).toBe(200)
  // of everybody else nothing is asked
  expect(await signIn('viewer')).toMatchObject({ status: 401, body: { title: 'signIn.wrong' } })
  expect((await (await Caller.signedIn(server.address, 'records')).call('GET', '/api/people')).status).toBe(200)
})

test('the role of the application reads no secret and no code', async () => {
  for (const sql of ['select secret from second_factors', 'select 1 from recovery_codes', 'delete from second_factors'])
    await expect(server.pool.query(sql)).rejects.toThrow('permission denied')
  await expect(server.pool.query('select use_code($1, 1, null)', [server.accountIds.officer])).rejects.toThrow(
    'permission denied',
  )
})
