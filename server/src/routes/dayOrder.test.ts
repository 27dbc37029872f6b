/** The day in order over HTTP: plan, muster, holds, briefing, station codes, sign-off with its hash, amendment, archive, people. */
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, expect, test } from 'vitest'
import {
  contentHash,
  FIRST_HOUSE_RULES,
  firstPlan,
  printArchive,
  readArchive,
  type DayArchive,
  type DayPlan,
} from '@able-gauge/core'
import { plainV3 } from '@able-gauge/core/testing'
import { sentCapture } from '../../testing/sentCapture.ts'
import { addTestDay, Caller, openTestServer, PASSWORD, type TestServer } from '../../testing/testServer.ts'
import type { Role } from '../access/role.ts'

let server: TestServer
const as = new Map<Role, Caller>()
let day: Awaited<ReturnType<typeof addTestDay>>

beforeAll(async () => {
  server = await openTestServer()
  for (const role of ['officer', 'grader', 'timer', 'clerk', 'viewer'] as const) {
    as.set(role, await Caller.signedIn(server.address, role))
  }
  day = await addTestDay(server, plainV3(), '2026-11-24', [
    { bib: 1 },
    { bib: 2, attendance: 'expected' },
    { bib: 3, attendance: 'expected' },
  ])
})
afterAll(() => server.close())

const call = (role: Role, method: string, path: string, body?: unknown) => {
  const caller = as.get(role)
  if (!caller) throw new Error(`Nobody is signed in as ${role}.`)
  return caller.call(method, path, body)
}
const inDay = (role: Role, method: string, path: string, body?: unknown) =>
  call(role, method, `/api/occasions/${day.occasionId}${path}`, body)
const record = (role: Role, content: object) => inDay(role, 'POST', '/records', { id: randomUUID(), content })
const theDay = async () => (await inDay('officer', 'GET', '')).body
const entryOf = async (index: number) => {
  const entries = (await theDay())['entries'] as { id: string; revision: number; attendance: string; bib: number }[]
  const found = entries.find(({ id }) => id === day.entryIds[index])
  if (!found) throw new Error('The entry is gone.')
  return found
}

test('the second of two who edit the plan is told, and overwrites nothing', async () => {
  const plan = firstPlan(day.standard)
  expect(await inDay('officer', 'PUT', '/plan', { revision: 0, plan })).toMatchObject({
    status: 200,
    body: { revision: 1 },
  })
  const mine: DayPlan = { ...plan, days: [{ afterDays: 0, musterAt: '07:00', startsAt: '08:00' }] }
  expect((await inDay('officer', 'PUT', '/plan', { revision: 1, plan: mine })).status).toBe(200)
  expect(await inDay('officer', 'PUT', '/plan', { revision: 1, plan })).toMatchObject({
    status: 409,
    body: { title: 'plan.editedMeanwhile', detail: 'The officer changed the plan meanwhile. Nothing was overwritten.' },
  })
  expect((await theDay())['plan']).toMatchObject({ revision: 2, editedBy: 'The officer', plan: mine })
})
test('a plan for other events, or for days the standard does not allow, is refused with the place', async () => {
  const plan = firstPlan(day.standard)
  const [first] = plan.events
  const wrong = {
    ...plan,
    days: [...plan.days, { afterDays: 3, musterAt: '8', startsAt: '09:00' }],
    events: [{ ...first, eventId: 'swim', day: 5 }],
  }
  const places = (await inDay('officer', 'PUT', '/plan', { revision: 2, plan: wrong })).body.findings
  expect(places?.map(({ place }) => place)).toEqual(['plan.days[1].musterAt'])
  wrong.days[1] = { afterDays: 3, musterAt: '08:00', startsAt: '09:00' }
  const again = (await inDay('officer', 'PUT', '/plan', { revision: 2, plan: wrong })).body.findings
  expect(again?.map(({ place }) => place)).toEqual([
    'plan.events[0].eventId',
    'plan.events[0].day',
    'plan.days[1].afterDays',
  ])
})
test('a site on which marks and ways lead nowhere is refused with the place', async () => {
  const site = {
    widthMm: 50_000,
    depthMm: 30_000,
    marks: [{ id: 'at-swim', kind: 'event', eventId: 'swim', xMm: 0, yMm: 0 }],
    ways: [{ from: 'at-swim', to: 'water' }],
  }
  const { body } = await inDay('officer', 'PUT', '/plan', { revision: 2, plan: { ...firstPlan(day.standard), site } })
  expect(body.findings?.map(({ place }) => place)).toEqual(['plan.site.marks[0].eventId', 'plan.site.ways[0]'])
})
test('waves are laid anew in one go', async () => {
  const waves = day.entryIds.map((entryId, index) => ({ entryId, wave: index === 2 ? 2 : 1 }))
  expect((await inDay('clerk', 'PUT', '/waves', { waves })).body).toEqual({ changed: 1 })
})
test('the staff is changed as a whole, never without the one who changes it', async () => {
  const staff = (accountId: string, duty: string) => ({ accountId, duty })
  const { accountIds } = server
  expect((await inDay('officer', 'PUT', '/staff', { staff: [staff(accountIds.timer, 'finish')] })).status).toBe(422)
  const all = (['officer', 'grader', 'timer', 'clerk'] as const).map((role) =>
    staff(accountIds[role], `${role} of the day`),
  )
  expect(
    (await inDay('officer', 'PUT', '/staff', { staff: [...all, staff(accountIds.timer, 'medical cover')] })).status,
  ).toBe(204)
  const listed = (await theDay())['staff'] as { duty: string }[]
  expect(listed.map(({ duty }) => duty)).toContain('timer of the day, medical cover')
})

const answers = (yes: readonly string[]) => ({
  answers: FIRST_HOUSE_RULES.screening.map(({ id }) => ({ questionId: id, answer: yes.includes(id) ? 'yes' : 'no' })),
})

test('an answer that needs clearance holds, and only the officer lifts the hold', async () => {
  const path = `/entries/${day.entryIds[1]}`
  expect((await inDay('clerk', 'PUT', `${path}/screening`, { answers: answers([]).answers.slice(1) })).status).toBe(422)
  expect((await inDay('clerk', 'PUT', `${path}/screening`, answers(['ready', 'chest-pain']))).body).toEqual({
    held: true,
  })
  const { revision } = await entryOf(1)
  const checkIn = { revision, bib: 2, attendance: 'present', note: '', consented: true, identityChecked: true }
  expect(await inDay('clerk', 'PATCH', path, checkIn)).toMatchObject({ status: 409, body: { title: 'entry.held' } })
  const hold = ((await theDay())['records'] as { id: string; content: { kind: string; reason: string } }[]).find(
    ({ content }) => content.kind === 'holdRaised',
  )
  expect(hold?.content.reason).toBe('Screening: an answer needs clearance')
  const lift = { kind: 'holdLifted', holdId: hold?.id, reason: 'cleared by the medical officer' }
  expect(await record('clerk', lift)).toMatchObject({ status: 403, body: { title: 'access.role' } })
  expect((await record('officer', lift)).status).toBe(201)
  expect((await record('officer', lift)).status).toBe(422)
  const after = await entryOf(1)
  expect(after.attendance).toBe('expected')
  expect((await inDay('clerk', 'PATCH', path, { ...checkIn, revision: after.revision })).status).toBe(200)
})
test('answers are read by officer and clerk alone; that the questions were put, by all', async () => {
  expect((await inDay('clerk', 'GET', '/screenings')).body['screenings']).toHaveLength(1)
  expect((await inDay('grader', 'GET', '/screenings')).status).toBe(403)
  const seen = await inDay('grader', 'GET', '')
  expect(seen.body['screened']).toEqual([day.entryIds[1]])
  expect(JSON.stringify(seen.body)).not.toContain('chest-pain')
  const looking = await inDay('viewer', 'GET', '')
  expect(JSON.stringify(looking.body)).not.toContain('needs clearance')
})
test('nobody is checked in without consent, and choices have to be offered and reasoned', async () => {
  const path = `/entries/${day.entryIds[2]}`
  const { revision } = await entryOf(2)
  const body = { revision, bib: 3, attendance: 'present', note: '' }
  const places = async (change: object) =>
    (await inDay('clerk', 'PATCH', path, { ...body, ...change })).body.findings?.map(({ place }) => place)
  expect(await places({})).toEqual(['consented'])
  expect(await places({ consented: true, category: 'other' })).toEqual(['category'])
  const choices = { variants: { 'press-ups': 'knees' }, alternates: {}, exemptions: {} }
  expect(await places({ consented: true, choices })).toEqual(['choices.variants.press-ups', 'choices.reason'])
  const full = {
    consented: true,
    identityChecked: true,
    heightMm: 1_720,
    bodyMassG: 68_400,
    gear: 'vest',
    setUp: { 'run.shoes': 'flat' },
  }
  expect((await inDay('clerk', 'PATCH', path, { ...body, ...full })).status).toBe(200)
  expect(await entryOf(2)).toMatchObject({ heightMm: 1_720, gear: 'vest', setUp: { 'run.shoes': 'flat' } })
})
test('a hold raised on the course keeps somebody from starting, once for each id', async () => {
  const id = randomUUID()
  const content = { kind: 'holdRaised', entryId: day.entryIds[2], reason: 'dizzy' }
  for (let tries = 0; tries < 2; tries++)
    expect((await inDay('grader', 'POST', '/records', { id, content })).status).toBe(201)
  expect(((await theDay())['records'] as { id: string }[]).filter((one) => one.id === id)).toHaveLength(1)
  expect((await entryOf(2)).attendance).toBe('held')
  await record('officer', { kind: 'holdLifted', holdId: id, reason: 'well again' })
  expect((await entryOf(2)).attendance).toBe('present')
})
test('what a log entry names has to be there', async () => {
  expect((await record('officer', { kind: 'eventConfirmed', eventId: 'swim', note: '' })).status).toBe(422)
  expect(
    (await record('officer', { kind: 'protested', entryId: randomUUID(), eventId: 'run', text: 'x' })).status,
  ).toBe(422)
  const figures = [{ entryId: day.entryIds[0], slot: 'left-9', value: 1 }]
  expect((await record('clerk', { kind: 'cardsKeyed', eventId: 'press-ups', figures })).status).toBe(422)
  expect(
    (await record('officer', { kind: 'conditions', airDeciC: 140, humidityPercent: 70, surface: 'dry', worn: '' }))
      .status,
  ).toBe(201)
})

test('with a station code somebody works that station alone, until the code ends', async () => {
  const made = await inDay('officer', 'POST', '/stations', { eventIds: ['press-ups'], role: 'grader' })
  const code = String(made.body['code'])
  expect(code).toMatch(/^[2-9A-Z]{6}$/)
  const guest = new Caller(server.address)
  expect((await guest.call('POST', '/api/session/station', { code: 'AAAAAA', name: 'Bram' })).status).toBe(401)
  expect(
    (await guest.call('POST', '/api/session/station', { code: code.toLowerCase(), name: 'Bram Elvane' })).status,
  ).toBe(201)
  const capture = (eventId: string) => ({
    captures: [
      {
        id: `01890000-0000-7000-8000-${eventId === 'run' ? '0000000000e1' : '0000000000e2'}`,
        eventId,
        kind: 'read',
        payload: { slot: eventId === 'run' ? 'time' : 'count', value: 30 },
        entryId: day.entryIds[0],
        deviceId: 'guest',
        deviceMs: 1,
        atMs: 1_000_000,
        uncertaintyMs: 1,
      },
    ],
  })
  const path = `/api/occasions/${day.occasionId}`
  expect((await guest.call('GET', path)).status).toBe(200)
  expect((await guest.call('POST', `${path}/captures`, capture('run'))).body.title).toBe('access.station')
  expect((await guest.call('POST', `${path}/captures`, capture('press-ups'))).status).toBe(200)
  const other = await addTestDay(server, plainV3(), '2026-11-25', [{ bib: 1 }])
  expect((await guest.call('GET', `/api/occasions/${other.occasionId}`)).status).toBe(403)
  expect((await guest.call('POST', '/api/rehearsals', {})).body.title).toBe('access.station')
  const confirm = (eventId: string) => ({ id: randomUUID(), content: { kind: 'eventConfirmed', eventId, note: '' } })
  expect((await guest.call('POST', `${path}/records`, confirm('run'))).status).toBe(403)
  expect((await guest.call('POST', `${path}/records`, confirm('press-ups'))).status).toBe(201)
  expect((await inDay('officer', 'DELETE', `/stations/${code}`)).status).toBe(204)
  expect((await guest.call('GET', path)).status).toBe(401)
  expect((await new Caller(server.address).call('POST', '/api/session/station', { code, name: 'x' })).status).toBe(401)
})

test('house rules are changed by who has seen them', async () => {
  const { rules, revision } = (await call('clerk', 'GET', '/api/house-rules')).body as unknown as {
    rules: object
    revision: number
  }
  expect(revision).toBe(0)
  const heat = [{ fromDeciC: 260, advice: 'change', measure: 'Shorter waves.' }]
  expect((await call('officer', 'PUT', '/api/house-rules', { revision, rules: { ...rules, heat } })).status).toBe(200)
  expect((await call('officer', 'PUT', '/api/house-rules', { revision, rules })).status).toBe(409)
})

let archive: DayArchive

test('an amendment comes after the signature, with a password, and says so', async () => {
  const amendment = {
    entryId: day.entryIds[0],
    eventId: 'run',
    as: 'met',
    reason: 'video of the finish',
    password: PASSWORD,
  }
  expect((await inDay('officer', 'POST', '/amendments', amendment)).body.title).toBe('day.open')
  expect((await inDay('officer', 'POST', '/sign-off', { password: PASSWORD, acceptOpen: true })).status).toBe(201)
  expect((await record('officer', { kind: 'briefed', eventIds: [] })).body.title).toBe('day.signedOff')
  expect((await inDay('officer', 'POST', '/amendments', { ...amendment, password: 'no' })).status).toBe(403)
  expect((await inDay('officer', 'POST', '/amendments', { ...amendment, eventId: 'swim' })).status).toBe(422)
  expect((await inDay('officer', 'POST', '/amendments', amendment)).status).toBe(201)
  const verdicts = (await inDay('viewer', 'GET', '/verdicts')).body['verdicts'] as {
    entryId: string
    verdict: { marks: object[] }
  }[]
  const run = verdicts.find(({ entryId }) => entryId === day.entryIds[0])?.verdict.marks[1]
  expect(run).toMatchObject({ kind: 'decided', as: 'met' })
  expect((await theDay())['amendments']).toMatchObject([{ by: 'The officer', reason: 'video of the finish' }])
})

test('an amendment may state the measure, which is judged from; word and measure together are refused', async () => {
  const base = { entryId: day.entryIds[1], eventId: 'run', reason: 'the backup watch', password: PASSWORD }
  const amend = (ruled: object) => inDay('officer', 'POST', '/amendments', { ...base, ...ruled })
  expect((await amend({})).status).toBe(422)
  expect((await amend({ as: 'met', value: 578_400 })).status).toBe(422)
  expect((await amend({ value: 578_400 })).status).toBe(201)
  const verdicts = (await inDay('viewer', 'GET', '/verdicts')).body['verdicts'] as {
    entryId: string
    verdict: { marks: { eventId: string }[] }
  }[]
  const marks = verdicts.find(({ entryId }) => entryId === day.entryIds[1])?.verdict.marks
  expect(marks?.find(({ eventId }) => eventId === 'run')).toMatchObject({ kind: 'met', measured: 578_400 })
  expect((await theDay())['amendments']).toMatchObject([{ as: 'met' }, { value: 578_400 }])
})

test('a day’s archive, put into an empty database, gives the same verdicts and the same hashes', async () => {
  const first = await inDay('officer', 'GET', '/archive')
  archive = first.body as unknown as DayArchive
  expect(readArchive(archive)).toMatchObject({ ok: true })
  expect(await call('officer', 'POST', '/api/archives', { password: PASSWORD, archive })).toMatchObject({
    status: 409,
    body: { title: 'archive.dayKnown' },
  })
  const verdicts = (await inDay('officer', 'GET', '/verdicts')).body

  const empty = await openTestServer()
  const officer = await Caller.signedIn(empty.address, 'officer')
  expect(await officer.call('POST', '/api/archives', { password: PASSWORD, archive })).toMatchObject({
    status: 201,
    body: { id: day.occasionId },
  })
  const again = await officer.call('GET', `/api/occasions/${day.occasionId}/archive`)
  expect(printArchive(again.body as unknown as DayArchive)).toBe(printArchive(archive))
  expect((await officer.call('GET', `/api/occasions/${day.occasionId}/verdicts`)).body).toEqual(verdicts)
  await empty.close()
})
test('a day read in is shown so, proven only by a key that somebody vouched for, and takes the password', async () => {
  const elsewhere = await openTestServer()
  const officer = await Caller.signedIn(elsewhere.address, 'officer')
  const readIn = (password: string) => officer.call('POST', '/api/archives', { password, archive })
  expect((await readIn('no')).status).toBe(403)
  expect((await readIn(PASSWORD)).status).toBe(201)
  const seen = (await officer.call('GET', `/api/occasions/${day.occasionId}`)).body
  expect(seen['readIn']).toMatchObject({ by: 'The officer', proven: false })
  const proof = async () => (await officer.call('GET', `/api/occasions/${day.occasionId}/proof`)).body
  expect(await proof()).toMatchObject({ intact: true, proof: { kind: 'unknownKey' } })
  const { own } = (await call('officer', 'GET', '/api/keys')).body as { own?: { pem: string } }
  expect((await officer.call('POST', '/api/keys', { key: 'no key', name: 'Sister' })).status).toBe(422)
  expect((await officer.call('POST', '/api/keys', { key: own?.pem, name: 'Sister' })).status).toBe(201)
  expect(await proof()).toMatchObject({ intact: true, proof: { kind: 'signed' } })
  // whoever has the database can change it, and it shows
  await elsewhere.asOwner(
    `update captures set at_ms = at_ms - 60000 where occasion_id = '${day.occasionId}' and seq = 1`,
  )
  expect(await proof()).toMatchObject({ intact: false })
  await elsewhere.close()
})
test('an archive with one altered byte is refused, and its place is named', async () => {
  const text = printArchive(archive).replace('"text":"dizzy"', '"text":"dizzi"')
  const refused = await call('officer', 'POST', '/api/archives', {
    password: PASSWORD,
    archive: JSON.parse(text) as object,
  })
  expect(refused).toMatchObject({ status: 422, body: { title: 'archive.altered' } })
  const at = archive.texts.findIndex(({ text }) => text === 'dizzy')
  expect(refused.body.findings?.map(({ place }) => place)).toEqual([`texts[${at}]`, 'seal'])
  expect(contentHash(archive)).toMatch(/^[0-9a-f]{64}$/)
})

test('whoever comes again is shown with what was set up the last time', async () => {
  const [first, again] = [
    await addTestDay(server, plainV3(), '2027-01-05', []),
    await addTestDay(server, plainV3(), '2027-02-05', []),
  ]
  const person = { number: 'S-1', givenName: 'Kei', familyName: 'Hollis', birthDate: '1992-02-01', category: 'male' }
  for (const { occasionId } of [first, again]) {
    await call('clerk', 'POST', `/api/occasions/${occasionId}/roster`, { waveOf: 12, people: [person] })
  }
  const entryIn = async (occasionId: string) => {
    const { body } = await call('clerk', 'GET', `/api/occasions/${occasionId}`)
    return { entry: (body['entries'] as { id: string; revision: number }[])[0], earlier: body['earlierSetUps'] }
  }
  const { entry } = await entryIn(first.occasionId)
  const setUp = { 'run.shoes': 'flat' }
  const change = { revision: entry?.revision, bib: 1, attendance: 'expected', note: '', setUp }
  expect((await call('clerk', 'PATCH', `/api/occasions/${first.occasionId}/entries/${entry?.id}`, change)).status).toBe(
    200,
  )
  const later = await entryIn(again.occasionId)
  expect(later.earlier).toEqual({ [later.entry?.id ?? '']: setUp })
  // not the other way round: what comes later is no earlier set-up
  expect((await entryIn(first.occasionId)).earlier).toEqual({})

  const testedBefore = async () =>
    (await call('officer', 'GET', `/api/occasions/${again.occasionId}`)).body['testedBefore']
  const out = sentCapture({
    kind: 'stopped',
    payload: { reason: 'disqualified' },
    entryId: entry?.id,
    atMs: Date.UTC(2027, 0, 4, 22),
  })
  const day = `/api/occasions/${first.occasionId}`
  expect((await call('officer', 'POST', `${day}/captures`, { captures: [out] })).status).toBe(200)
  // until it is signed it is no test
  expect(await testedBefore()).toEqual({})
  expect((await call('officer', 'POST', `${day}/sign-off`, { password: PASSWORD, acceptOpen: true })).status).toBe(201)
  expect(await testedBefore()).toEqual({ [later.entry?.id ?? '']: '2027-01-05' })
})

const people = async (search = '') =>
  (await call('clerk', 'GET', `/api/people?search=${search}`)).body['people'] as {
    id: string
    number: string
    tests: number
  }[]

test('a person is found by name or number and shows every test as it stands', async () => {
  const all = await people('okafor')
  expect(all.length).toBeGreaterThanOrEqual(3)
  const tested = archive.people[0]
  const { tests } = (await call('clerk', 'GET', `/api/people/${tested?.id}`)).body as unknown as {
    tests: { verdict: { outcome: string } | null }[]
  }
  expect(tests).toHaveLength(1)
  expect(tests[0]?.verdict).not.toBeNull()
  expect((await call('clerk', 'GET', '/api/people/nobody')).status).toBe(404)
  expect(await people('%')).toEqual([])
})
test('self-tests are judged and kept apart', async () => {
  const id = archive.people[0]?.id ?? ''
  const body = {
    standardId: 'constabulary-entry',
    standardVersion: 3,
    eventId: 'press-ups',
    testDate: '2026-12-01',
    figures: [{ slot: 'count', value: 24 }],
    witness: 'Kei Hollis',
    note: '',
  }
  expect((await call('clerk', 'POST', `/api/people/${id}/self-tests`, { ...body, eventId: 'swim' })).status).toBe(422)
  expect((await call('clerk', 'POST', `/api/people/${id}/self-tests`, body)).status).toBe(201)
  const found = (await call('clerk', 'GET', `/api/people/${id}`)).body
  expect(found['selfTests']).toMatchObject([{ witness: 'Kei Hollis', mark: { kind: 'met' } }])
  expect(found['tests']).toHaveLength(1)
})
test('a double is merged with a trace, but not two people of one day', async () => {
  const later = await addTestDay(server, plainV3(), '2026-12-24', [{ bib: 1 }])
  const { rows } = await server.pool.query<{ person_id: string }>(
    'select person_id from entries where occasion_id = $1',
    [later.occasionId],
  )
  const [double, into, other] = [rows[0]?.person_id, archive.people[0]?.id, archive.people[1]?.id]
  const merge = (id: string | undefined, intoId: string | undefined) =>
    call('officer', 'POST', `/api/people/${id}/merge`, { intoId, reason: 'entered twice' })
  expect((await merge(other, into)).body.title).toBe('person.sameDay')
  expect(await merge(double, into)).toMatchObject({ status: 200, body: { entries: 1 } })
  expect((await call('clerk', 'GET', `/api/people/${double}`)).status).toBe(404)
  const found = (await call('clerk', 'GET', `/api/people/${into}`)).body
  expect(found['tests']).toHaveLength(2)
  expect(found['changes']).toMatchObject([{ what: 'merged', reason: 'entered twice', by: 'The officer' }])
  // nothing was moved, so it can be taken back, and said again
  const before = (await call('officer', 'GET', `/api/occasions/${later.occasionId}`)).body['entries']
  expect((await call('officer', 'POST', `/api/people/${double}/unmerge`, { reason: 'two after all' })).status).toBe(204)
  expect((await call('officer', 'GET', `/api/occasions/${later.occasionId}`)).body['entries']).toEqual(before)
  expect((await call('clerk', 'GET', `/api/people/${into}`)).body['tests']).toHaveLength(1)
  expect((await call('clerk', 'GET', `/api/people/${double}`)).body['tests']).toHaveLength(1)
  expect((await merge(double, into)).status).toBe(200)
  // the new day is open, so nothing of theirs can be erased yet
  expect((await call('officer', 'POST', `/api/people/${into}/erase`, { reason: 'asked for it' })).body.title).toBe(
    'person.dayOpen',
  )
})
test('two who differ in name or date of birth are merged only when somebody says they are one all the same', async () => {
  const { rows } = await server.pool.query<{ id: string }>(
    `insert into people (id, number, given_name, family_name, birth_date) values
       (gen_random_uuid(), 'D-1', 'Kei', 'Hollis', '1991-02-03'), (gen_random_uuid(), 'D-2', 'Kei', 'Holis', '1991-02-04')
     returning id`,
  )
  const [one, other] = rows.map(({ id }) => id)
  const merge = (more: object) =>
    call('officer', 'POST', `/api/people/${one}/merge`, { intoId: other, reason: 'misspelt', ...more })
  expect(await merge({})).toMatchObject({
    status: 409,
    body: { title: 'person.differs', findings: [{ place: 'name' }, { place: 'date of birth' }] },
  })
  expect((await merge({ although: true })).status).toBe(200)
})
test('a slip of the key in somebody’s birth date keeps nobody from a verdict, and is put right with a reason', async () => {
  const odd = await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }, { bib: 2, birthDate: '2096-05-04' }])
  const path = `/api/occasions/${odd.occasionId}`
  const { body, status } = await call('officer', 'GET', `${path}/verdicts`)
  expect([status, (body['verdicts'] as object[]).length]).toEqual([200, 2])
  const { rows } = await server.pool.query<{ person_id: string }>('select person_id from entries where id = $1', [
    odd.entryIds[1],
  ])
  const correct = (change: object) => call('officer', 'PATCH', `/api/people/${rows[0]?.person_id}`, change)
  expect((await correct({ birthDate: '2096-13-01', reason: 'slip' })).status).toBe(422)
  expect((await correct({ birthDate: '1996-05-04', reason: 'slip' })).status).toBe(204)
  const entries = (await call('clerk', 'GET', path)).body['entries'] as { person: { birthDate: string } }[]
  expect(entries[1]?.person.birthDate).toBe('1996-05-04')
  const people = [
    { number: 'Y-1', givenName: 'Lumi', familyName: 'Ardent', birthDate: '2096-05-04', category: 'female' },
  ]
  expect((await call('clerk', 'POST', `${path}/roster`, { waveOf: 4, people })).body.findings).toMatchObject([
    { place: 'people[0].birthDate' },
  ])
})
test('a double’s number, entered again, leads to the person it was merged into', async () => {
  const day = await addTestDay(server, plainV3(), '2027-03-05', [])
  const enter = async (number: string) => {
    const person = { number, givenName: 'Bram', familyName: 'Elvane', birthDate: '1991-02-03', category: 'male' }
    const { body } = await call('clerk', 'POST', `/api/occasions/${day.occasionId}/roster`, {
      waveOf: 12,
      people: [person],
    })
    return (body['outcomes'] as { kind: string }[])[0]?.kind
  }
  const insert = (number: string) =>
    server.pool.query<{ id: string }>(
      `insert into people (id, number, given_name, family_name, birth_date)
       values (gen_random_uuid(), $1, 'Bram', 'Elvane', '1991-02-03') returning id`,
      [number],
    )
  const [first, second, third] = [await insert('M-1'), await insert('M-2'), await insert('M-3')].map(
    ({ rows }) => rows[0]?.id,
  )
  for (const [double, into] of [
    [first, second],
    [second, third],
  ]) {
    await call('officer', 'POST', `/api/people/${double}/merge`, { intoId: into, reason: 'entered twice' })
  }
  expect(await enter('M-1')).toBe('entered')
  expect(await enter('M-2')).toBe('already')
  const { tests } = (await call('clerk', 'GET', `/api/people/${third}`)).body
  expect(tests).toHaveLength(1)
})
test('whoever went away while held stays away when the hold is lifted', async () => {
  const away = await addTestDay(server, plainV3(), '2027-04-05', [{ bib: 1 }])
  const path = `/api/occasions/${away.occasionId}`
  const id = randomUUID()
  await call('grader', 'POST', `${path}/records`, {
    id,
    content: { kind: 'holdRaised', entryId: away.entryIds[0], reason: 'dizzy' },
  })
  const entry = async () =>
    ((await call('clerk', 'GET', path)).body['entries'] as { revision: number; attendance: string }[])[0]
  const change = { revision: (await entry())?.revision, bib: 1, attendance: 'withdrawn', note: 'went home' }
  expect((await call('clerk', 'PATCH', `${path}/entries/${away.entryIds[0]}`, change)).status).toBe(200)
  const content = { kind: 'holdLifted', holdId: id, reason: 'cleared' }
  expect((await call('officer', 'POST', `${path}/records`, { id: randomUUID(), content })).status).toBe(201)
  expect((await entry())?.attendance).toBe('withdrawn')
})
test('what the house rules keep is not erased before its day', async () => {
  const { rules, revision } = (await call('officer', 'GET', '/api/house-rules')).body
  await call('officer', 'PUT', '/api/house-rules', { revision, rules: { ...(rules as object), keepDays: 36_500 } })
  const id = archive.people.find((one) => one.id !== archive.people[0]?.id)?.id
  expect((await call('officer', 'POST', `/api/people/${id}/erase`, { reason: 'too soon' })).body.title).toBe(
    'person.kept',
  )
  await call('officer', 'PUT', '/api/house-rules', { revision: Number(revision) + 1, rules })
})
test('erasing takes the name and leaves the results', async () => {
  const id = archive.people.find((one) => one.id !== archive.people[0]?.id)?.id
  expect((await call('officer', 'POST', `/api/people/${id}/erase`, { reason: 'two years are over' })).status).toBe(204)
  const { person, tests } = (await call('clerk', 'GET', `/api/people/${id}`)).body as unknown as {
    person: object
    tests: { verdict: object | null }[]
  }
  expect(person).toMatchObject({ familyName: 'person', erased: true, birthDate: '1999-01-01' })
  expect(tests[0]?.verdict).not.toBeNull()
  // what the signature covers is still as it was signed, and what was written about them is nowhere
  expect((await inDay('officer', 'GET', '/proof')).body).toMatchObject({ intact: true, proof: { kind: 'signed' } })
  const after = (await inDay('officer', 'GET', '/archive')).body as unknown as DayArchive
  expect(readArchive(after)).toMatchObject({ ok: true })
  const gone = archive.texts.filter(({ commit }) => !after.texts.some((text) => text.commit === commit))
  expect(gone.length).toBeGreaterThan(0)
  const told = JSON.stringify([after, await theDay(), (await inDay('officer', 'GET', '/captures')).body])
  for (const { text } of gone) expect(told).not.toContain(JSON.stringify(text))
})
