/** Nobody does what is not theirs: corrections, own waves, guests of stations, what reaches whom, sessions. */
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, beforeEach, expect, test, vi } from 'vitest'
import type { RecordedCapture } from '@able-gauge/core'
import { plainV3 } from '@able-gauge/core/testing'
import { MORNING_MS, sentCapture } from '../../testing/sentCapture.ts'
import { addTestDay, Caller, openTestServer, PASSWORD, type Answer, type TestServer } from '../../testing/testServer.ts'
import { NO_LIMITS } from '../limits.ts'

let server: TestServer
let occasionId: string
let entryIds: string[]
const callers = new Map<string, Caller>()

beforeAll(async () => {
  server = await openTestServer({ limits: { ...NO_LIMITS, wrongCodes: 3 } })
  for (const role of ['officer', 'grader', 'timer', 'clerk', 'viewer'] as const) {
    callers.set(role, await Caller.signedIn(server.address, role))
  }
})
afterAll(() => server.close())
beforeEach(async () => {
  ;({ occasionId, entryIds } = await addTestDay(server, plainV3(), '2026-11-24', [
    { bib: 1, wave: 1 },
    { bib: 2, wave: 1 },
    { bib: 3, wave: 2 },
  ]))
  await server.owner.query('update accounts set person_id = null')
})

const as = (who: string): Caller => {
  const caller = callers.get(who)
  if (!caller) throw new Error(`Nobody is signed in as ${who}.`)
  return caller
}
const capture = (kind: string, payload: object, entryId: string | null = null, eventId = 'press-ups') =>
  sentCapture({ kind, payload, eventId, ...(entryId === null ? {} : { entryId }) })
const post = (caller: Caller, captures: readonly object[], more: object = {}): Promise<Answer> =>
  caller.call('POST', `/api/occasions/${occasionId}/captures`, { captures, ...more })
const voided = (captureId: string, entryId: string | null = null) =>
  capture('voided', { captureId, reason: 'by mistake' }, entryId)
const record = (caller: Caller, content: object): Promise<Answer> =>
  caller.call('POST', `/api/occasions/${occasionId}/records`, { id: randomUUID(), content })
const link = (role: 'officer' | 'grader' | 'timer' | 'clerk', entryId = entryIds[0]): Promise<unknown> =>
  server.owner.query('update accounts set person_id = (select person_id from entries where id = $1) where id = $2', [
    entryId,
    server.accountIds[role],
  ])

test('a grader undoes what a grader did; only an officer undoes an officer', async () => {
  const [entry = ''] = entryIds
  const byGrader = capture('started', {}, entry)
  const byOfficer = capture('stopped', { reason: 'disqualified' }, entry)
  expect((await post(as('grader'), [byGrader])).status).toBe(200)
  expect((await post(as('officer'), [byOfficer])).status).toBe(200)
  expect((await post(as('timer'), [voided(byGrader.id, entry)])).status).toBe(200)
  const refused = await post(as('grader'), [voided(byOfficer.id, entry)])
  expect(refused).toMatchObject({ status: 403, body: { title: 'capture.officerOnly' } })
  const moved = capture('moved', { captureId: byOfficer.id, toMs: MORNING_MS + 5, reason: 'x' }, entry)
  expect((await post(as('grader'), [moved])).status).toBe(403)
  const byOfficerToo = voided(byOfficer.id, entry)
  expect((await post(as('officer'), [byOfficerToo])).status).toBe(200)
  // the officer's void is the officer's as well
  expect((await post(as('grader'), [voided(byOfficerToo.id, entry)])).status).toBe(403)
})

test('a correction of something nobody captured is refused at its place', async () => {
  expect(await post(as('officer'), [voided(randomUUID().replace(/^.{14}4/, '01930000-0000-7'))])).toMatchObject({
    status: 422,
    body: { findings: [{ place: 'captures[0].payload.captureId', code: 'unknownCapture' }] },
  })
})

test('nobody works their own wave, by whatever kind of capture', async () => {
  const [own = '', mate = '', other = ''] = entryIds
  const crossing = capture('crossed', {}, null, 'run')
  const ofMate = capture('started', {}, mate)
  await post(as('timer'), [crossing, ofMate])
  await link('grader')
  const attempts = [
    capture('started', {}, own),
    capture('started', {}, mate),
    capture('waveStarted', { wave: 1, entryIds: [] }, null, 'run'),
    // another number, the same people
    capture('waveStarted', { wave: 7, entryIds: [mate] }, null, 'run'),
    capture('assigned', { captureId: crossing.id }, mate, 'run'),
    voided(ofMate.id),
    capture('moved', { captureId: ofMate.id, toMs: MORNING_MS + 1, reason: 'x' }),
  ]
  for (const attempt of attempts) {
    expect(await post(as('grader'), [attempt]), attempt.kind).toMatchObject({
      status: 403,
      body: { title: 'access.ownWave' },
    })
  }
  expect((await post(as('grader'), [capture('started', {}, other)])).status).toBe(200)
})

test('a stamp made in the own wave is not put to that wave by somebody else', async () => {
  const [, mate = '', other = ''] = entryIds
  const crossing = capture('crossed', {}, null, 'run')
  await link('grader')
  expect((await post(as('grader'), [crossing])).status).toBe(200)
  expect((await post(as('timer'), [capture('assigned', { captureId: crossing.id }, mate, 'run')])).status).toBe(403)
  expect((await post(as('timer'), [capture('assigned', { captureId: crossing.id }, other, 'run')])).status).toBe(200)
})

test('the rule holds for the log, entries, waves, signature and amendments alike', async () => {
  const [own = '', mate = '', other = ''] = entryIds
  await link('officer')
  await link('clerk')
  const officer = as('officer')
  const refused: Answer[] = [
    await record(officer, { kind: 'eventConfirmed', eventId: 'run', note: '' }),
    await record(officer, { kind: 'protested', entryId: mate, eventId: 'run', text: 'too slow' }),
    await record(officer, {
      kind: 'cardsKeyed',
      eventId: 'run',
      figures: [{ entryId: mate, slot: 'time', value: 1 }],
    }),
    await as('clerk').call('PATCH', `/api/occasions/${occasionId}/entries/${own}`, {
      revision: 1,
      attendance: 'present',
      note: '',
    }),
    await as('clerk').call('PUT', `/api/occasions/${occasionId}/waves`, { waves: [{ entryId: own, wave: 9 }] }),
    await officer.call('POST', `/api/occasions/${occasionId}/sign-off`, { password: PASSWORD, acceptOpen: true }),
  ]
  expect(refused.map(({ status, body }) => `${status} ${body.title}`)).toEqual(refused.map(() => '403 access.ownWave'))
  // holding somebody back is always allowed
  expect((await record(officer, { kind: 'holdRaised', entryId: mate, reason: 'limps' })).status).toBe(201)
  await server.owner.query('update accounts set person_id = null')
  await officer.call('POST', `/api/occasions/${occasionId}/sign-off`, { password: PASSWORD, acceptOpen: true })
  await link('officer')
  const amend = (entryId: string) =>
    officer.call('POST', `/api/occasions/${occasionId}/amendments`, {
      entryId,
      eventId: 'run',
      as: 'met',
      reason: 'a second watch',
      password: PASSWORD,
    })
  expect(await amend(own)).toMatchObject({ status: 403, body: { title: 'access.ownWave' } })
  expect((await amend(other)).status).toBe(201)
})

test('an account is linked to its person by number, at muster or by an officer', async () => {
  const { rows } = await server.pool.query<{ number: string }>(
    'select p.number from people p join entries e on e.person_id = p.id where e.id = $1',
    [entryIds[0]],
  )
  const number = rows[0]?.number ?? ''
  const path = `/api/accounts/${server.accountIds.grader}/person`
  expect((await as('grader').call('PUT', path, { number })).status).toBe(403)
  expect((await as('clerk').call('PUT', path, { number: 'nobody' })).status).toBe(422)
  expect((await as('clerk').call('PUT', path, { number })).status).toBe(204)
  expect((await post(as('grader'), [capture('started', {}, entryIds[0])])).body.title).toBe('access.ownWave')
  const { body } = await as('officer').call('GET', '/api/accounts')
  expect(body['accounts']).toContainEqual(expect.objectContaining({ displayName: 'The grader', personNumber: number }))
})

const stationCode = async (eventIds: readonly string[]): Promise<string> => {
  const { body } = await as('officer').call('POST', `/api/occasions/${occasionId}/stations`, {
    eventIds,
    role: 'grader',
  })
  return String(body['code'])
}
const join = async (code: string, name: string, more: object = {}): Promise<[Caller, Answer]> => {
  const guest = new Caller(server.address)
  return [guest, await guest.call('POST', '/api/session/station', { code, name, device: randomUUID(), ...more })]
}

test('a guest reads what the own station needs, and nothing else', async () => {
  const [entry = '', mate = ''] = entryIds
  await server.pool.query(`update entries set note = 'asthma', gear = 'vest' where occasion_id = $1`, [occasionId])
  await post(as('timer'), [
    capture('started', {}, entry),
    capture('stopped', { reason: 'withdrawn', note: 'felt faint' }, mate),
    capture('crossed', {}, entry, 'run'),
  ])
  await record(as('officer'), { kind: 'holdRaised', entryId: mate, reason: 'heart murmur' })
  await as('clerk').call('PUT', `/api/occasions/${occasionId}/entries/${entry}/screening`, { answers: [] })
  const [guest, joined] = await join(await stationCode(['press-ups']), 'Guest at the mat')
  expect(joined.status).toBe(201)
  const day = await guest.call('GET', `/api/occasions/${occasionId}`)
  expect(day.status).toBe(200)
  expect(JSON.stringify(day.body)).not.toMatch(/asthma|murmur|felt faint|1999-05-04|vest"|T-[0-9a-f]{8}/)
  // as of now, two days later, the time of the press-ups has run out by itself
  expect(day.body['rests']).toMatchObject({ [entry]: { kind: 'mayStart', eventId: 'run' } })
  const captures = (await guest.call('GET', `/api/occasions/${occasionId}/captures`)).body['captures']
  expect((captures as RecordedCapture[]).map(({ eventId }) => eventId)).toEqual(['press-ups', 'press-ups'])
  for (const path of ['verdicts', 'archive', 'screenings', 'stations', 'annex', 'devices']) {
    expect((await guest.call('GET', `/api/occasions/${occasionId}/${path}`)).status, path).toBe(403)
  }
  for (const path of ['/api/people', '/api/standards', '/api/accounts']) {
    expect((await guest.call('GET', path)).status, path).toBe(403)
  }
  expect((await post(guest, [capture('crossed', {}, null, 'run')])).body.title).toBe('access.station')
})

test('a guest goes by no name of somebody with an account, in whatever spelling', async () => {
  const code = await stationCode(['press-ups'])
  for (const name of ['The officer', 'the  OFFICER', 'Ｔhe officer']) {
    expect((await join(code, name))[1], name).toMatchObject({ status: 409, body: { title: 'signIn.nameTaken' } })
  }
})

test('a code that ends signs out its own guests and no others, and so does saving the staff list none', async () => {
  const [first, second] = [await stationCode(['press-ups']), await stationCode(['press-ups'])]
  const [one] = await join(first, 'Guest one')
  const [two] = await join(second, 'Guest two')
  const staff = [{ accountId: server.accountIds.officer, duty: 'officer in charge' }]
  expect((await as('officer').call('PUT', `/api/occasions/${occasionId}/staff`, { staff })).status).toBe(204)
  expect((await post(one, [capture('started', {}, entryIds[0])])).status).toBe(200)
  expect((await as('officer').call('DELETE', `/api/occasions/${occasionId}/stations/${first}`)).status).toBe(204)
  expect((await one.call('GET', `/api/occasions/${occasionId}`)).status).toBe(401)
  expect((await two.call('GET', `/api/occasions/${occasionId}`)).status).toBe(200)
})

test('what a guest could no longer send reaches the day through whoever joins on that device, marked so', async () => {
  const first = await stationCode(['press-ups'])
  const [, joined] = await join(first, 'Guest one')
  const guestId = (joined.body['account'] as { id: string }).id
  await as('officer').call('DELETE', `/api/occasions/${occasionId}/stations/${first}`)
  const [two, second] = await join(await stationCode(['press-ups']), 'Guest two')
  const late = capture('started', {}, entryIds[0])
  expect((await post(two, [late], { madeBy: server.accountIds.officer })).status).toBe(403)
  expect((await post(two, [late], { madeBy: guestId })).status).toBe(200)
  const { body } = await as('officer').call('GET', `/api/occasions/${occasionId}/captures`)
  expect(body['captures']).toMatchObject([
    { id: late.id, actorId: guestId, sentBy: (second.body['account'] as { id: string }).id },
  ])
})

test('a guest who is tested as well gives the own number and does not work the own wave', async () => {
  const { rows } = await server.pool.query<{ number: string }>(
    'select p.number from people p join entries e on e.person_id = p.id where e.id = $1',
    [entryIds[0]],
  )
  const code = await stationCode(['press-ups'])
  expect((await join(code, 'Tove', { number: 'nobody' }))[1].status).toBe(422)
  const [guest] = await join(code, 'Tove', { number: rows[0]?.number })
  expect((await post(guest, [capture('started', {}, entryIds[1])])).body.title).toBe('access.ownWave')
})

test('who only looks on learns no reason and no note, by answer, stream or verdict', async () => {
  const [entry = '', mate = ''] = entryIds
  const SECRET = 'epilepsy'
  await server.pool.query(
    `update entries set note = $2, choices = jsonb_set(choices, '{reason}', to_jsonb($2::text)) where occasion_id = $1`,
    [occasionId, SECRET],
  )
  const started = capture('started', {}, entry)
  await post(as('officer'), [
    started,
    capture('restarted', { reason: SECRET }, entry),
    capture('stopped', { reason: 'withdrawn', note: SECRET }, entry),
    capture('stopped', { reason: 'withdrawn', note: SECRET }, mate),
  ])
  await post(as('officer'), [capture('voided', { captureId: started.id, reason: SECRET }, entry)])
  const held = await record(as('officer'), { kind: 'holdRaised', entryId: mate, reason: SECRET })
  await record(as('officer'), { kind: 'holdLifted', holdId: held.body['id'], reason: SECRET })
  await record(as('officer'), { kind: 'protested', entryId: mate, eventId: 'run', text: SECRET })
  await record(as('officer'), { kind: 'eventConfirmed', eventId: 'run', note: SECRET })
  const paths = ['', '/captures', '/verdicts']
  const seenBy = async (role: string): Promise<string> => {
    const answers = await Promise.all(paths.map((path) => as(role).call('GET', `/api/occasions/${occasionId}${path}`)))
    return JSON.stringify(answers.map(({ body }) => body)) + (await streamed(as(role)))
  }
  expect(await seenBy('viewer')).not.toContain(SECRET)
  expect((await seenBy('grader')).split(SECRET).length).toBeGreaterThan(8)
  await as('officer').call('POST', `/api/occasions/${occasionId}/sign-off`, { password: PASSWORD, acceptOpen: true })
  expect(await seenBy('viewer')).not.toContain(SECRET)
})

/** What a stream sends until it has sent captures. */
const streamed = async (caller: Caller): Promise<string> => {
  const abort = new AbortController()
  const { body } = await fetch(`${server.address}/api/occasions/${occasionId}/live`, {
    headers: { Cookie: caller.cookieHeader },
    signal: abort.signal,
  })
  const reader = body?.pipeThrough(new TextDecoderStream()).getReader()
  let text = ''
  while (reader && !/event: captures\n.*\n\n/.test(text)) text += (await reader.read()).value ?? ''
  abort.abort()
  return text
}

test('a stream ends with the session it was opened in', async () => {
  const leaving = await Caller.signedIn(server.address, 'timer')
  const { body } = await fetch(`${server.address}/api/occasions/${occasionId}/live`, {
    headers: { Cookie: leaving.cookieHeader },
  })
  const reader = body?.getReader()
  await reader?.read()
  await leaving.call('DELETE', '/api/session')
  for (;;) if ((await reader?.read())?.done !== false) break
  expect((await leaving.call('GET', '/api/occasions')).status).toBe(401)
})

test('guesses at the password of a signature come to an end', async () => {
  const strict = await openTestServer({ limits: { ...NO_LIMITS, wrongSignatures: 3 } })
  const day = await addTestDay(strict, plainV3(), '2026-11-24', [{ bib: 1 }])
  const officer = await Caller.signedIn(strict.address, 'officer')
  const sign = (password: string) =>
    officer.call('POST', `/api/occasions/${day.occasionId}/sign-off`, { password, acceptOpen: true })
  for (let guess = 0; guess < 3; guess++) expect((await sign(`guess ${guess}`)).status).toBe(403)
  expect(await sign(PASSWORD)).toMatchObject({ status: 429, body: { title: 'signOff.tooMany' } })
  await strict.close()
})

test('guesses at codes come to an end for the device that guesses, and for no other', async () => {
  const code = await stationCode(['press-ups'])
  const tries = (text: string, device: string) =>
    new Caller(server.address).call('POST', '/api/session/station', { code: text, name: 'Typist', device })
  for (let guess = 0; guess < 3; guess++) expect((await tries(`AAAAA${guess}`, 'one phone')).status).toBe(401)
  expect((await tries(code, 'one phone')).status).toBe(429)
  expect((await tries(code, 'another phone')).status).toBe(201)
})

test('forms of other sites, pages without an origin and forwarded addresses reach nothing', async () => {
  const signIn = (
    headers: Record<string, string>,
    body = JSON.stringify({ signInName: 'viewer', password: PASSWORD }),
  ) => new Caller(server.address).call('POST', '/api/session', body, headers)
  expect((await signIn({ Origin: 'null' })).status).toBe(403)
  for (const type of ['text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data; boundary=x']) {
    expect((await signIn({ 'Content-Type': type })).status, type).toBe(415)
  }
  expect((await signIn({})).status).toBe(201)
})

test('a device says what it still holds, and the officer sees it before signing', async () => {
  const path = `/api/occasions/${occasionId}/devices`
  expect((await as('timer').call('PUT', `${path}/phone-7`, { waiting: 12, refused: 1 })).status).toBe(204)
  expect((await as('timer').call('PUT', `${path}/phone-7`, { waiting: 11, refused: 0 })).status).toBe(204)
  const { body } = await as('officer').call('GET', path)
  expect(body['devices']).toMatchObject([{ deviceId: 'phone-7', by: 'The timer', waiting: 11, refused: 0 }])
})

test('changes and refusals are in the security log, a refusal asked again and again but once', async () => {
  const rules = (await as('officer').call('GET', '/api/house-rules')).body
  for (let turn = 0; turn < 3; turn++) {
    expect((await as('viewer').call('PUT', '/api/house-rules', rules)).status).toBe(403)
  }
  expect((await as('officer').call('PUT', '/api/house-rules', rules)).status).toBe(200)
  const signing = { password: 'not mine', acceptOpen: true }
  expect((await as('officer').call('POST', `/api/occasions/${occasionId}/sign-off`, signing)).status).toBe(403)
  const about = async (kind: string) => {
    const { body } = await as('officer').call('GET', '/api/security-events')
    return (body['events'] as { kind: string }[]).filter((event) => event.kind === kind)
  }
  // what was refused or done is noted once it was answered
  await vi.waitFor(async () => {
    const refused = (await about('access.refused')).filter((event) => JSON.stringify(event).includes('house-rules'))
    expect(refused).toMatchObject([{ by: 'The viewer', detail: { what: 'PUT /api/house-rules' } }])
    expect(await about('houseRules.changed')).toMatchObject([{ by: 'The officer' }])
    expect(await about('signature.refused')).toMatchObject([{ by: 'The officer', detail: { day: occasionId } }])
  })
})
test('sign-ins, refusals and reading of screening answers are in a log of their own', async () => {
  await new Caller(server.address).call('POST', '/api/session', { signInName: 'viewer', password: 'wrong' })
  await as('clerk').call('GET', `/api/occasions/${occasionId}/screenings`)
  const events = await vi.waitFor(async () => {
    const { body } = await as('officer').call('GET', '/api/security-events')
    const events = body['events'] as { kind: string; by: string | null; detail: object }[]
    expect(events.slice(0, 2)).toMatchObject([
      { kind: 'screenings.read', by: 'The clerk', detail: { day: occasionId } },
      { kind: 'signIn.refused', by: null },
    ])
    return events
  })
  expect(JSON.stringify(events)).not.toContain('wrong')
})
