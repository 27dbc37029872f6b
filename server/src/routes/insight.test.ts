/** What signed days say together: written at the signature and at every amendment, within reach of who asks. */
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { dateAfter, FIRST_HOUSE_RULES, type InsightAnswer } from '@able-gauge/core'
import { plainV3 } from '@able-gauge/core/testing'
import { MORNING_MS, sentCapture } from '../../testing/sentCapture.ts'
import { addTestDay, Caller, openTestServer, PASSWORD, QUICK_COST, type TestServer } from '../../testing/testServer.ts'
import { hashPassword } from '../access/password.ts'
import { addAccount } from '../store/accountStore.ts'
import { writeMissingDays } from '../writtenResults.ts'

let server: TestServer
let officer: Caller
const NORTH = randomUUID()
/** Press-ups and run of each; 24 and 9:40 are asked. */
const HOUSE: readonly (readonly [number, number])[] = [
  [30, 570_000],
  [20, 570_000],
  [20, 600_000],
  [24, 585_000],
]
const OF_NORTH: readonly (readonly [number, number])[] = [
  [40, 500_000],
  [23, 500_000],
]
let house: { occasionId: string; entryIds: string[] }
let north: { occasionId: string; entryIds: string[] }

const read = (eventId: string, slot: string, entryId: string, value: number) =>
  sentCapture({ eventId, kind: 'read', payload: { slot, value }, entryId })

const work = async (day: typeof house, figures: typeof HOUSE): Promise<void> => {
  const captures = day.entryIds.flatMap((entryId, at) => {
    const [count = 0, time = 0] = figures[at] ?? []
    return [read('press-ups', 'count', entryId, count), read('run', 'time', entryId, time)]
  })
  expect(await officer.call('POST', `/api/occasions/${day.occasionId}/captures`, { captures })).toMatchObject({
    status: 200,
  })
}
const sign = async ({ occasionId }: typeof house): Promise<void> => {
  const answer = await officer.call('POST', `/api/occasions/${occasionId}/sign-off`, {
    password: PASSWORD,
    acceptOpen: true,
  })
  expect(answer.status).toBe(201)
}
const insight = async (query = '', caller = officer): Promise<InsightAnswer> =>
  (await caller.call('GET', `/api/insight/results${query}`)).body as unknown as InsightAnswer
const groupsBy = (answer: InsightAnswer, by: string) =>
  answer.groups.filter((group) => group.by === by).map(({ key, met, of }) => [key, met, of])

beforeAll(async () => {
  server = await openTestServer()
  officer = await Caller.signedIn(server.address, 'officer')
  const administrator = await Caller.signedIn(server.address, 'administrator')
  await administrator.call('PUT', `/api/units/${NORTH}`, { name: 'North', parentId: null, isClosed: false })
  const people = (count: number) =>
    Array.from({ length: count }, (_, at) => ({ bib: at + 1, category: at % 2 === 0 ? 'female' : 'male' }))
  house = await addTestDay(server, plainV3(), '2026-11-24', people(HOUSE.length))
  north = await addTestDay(server, plainV3(), '2026-11-24', people(OF_NORTH.length), NORTH)
  await work(house, HOUSE)
  await work(north, OF_NORTH)
})
afterAll(() => server.close())

test('a day counts once it is signed', async () => {
  expect(await insight()).toMatchObject({ standardId: null, results: 0, byEvent: [] })
  await sign(house)
  await sign(north)
  const answer = await insight()
  expect(answer).toMatchObject({ standardId: 'constabulary-entry', results: 6, people: 6, days: 2 })
  expect(answer.outcomes).toEqual([
    { outcome: 'short', results: 4 },
    { outcome: 'met', results: 2 },
  ])
  expect(answer.byEvent.map(({ eventId, met, short }) => [eventId, met, short])).toEqual([
    ['press-ups', 3, 3],
    ['run', 4, 2],
  ])
  expect(answer.combinations).toEqual([
    { eventIds: ['press-ups'], results: 2 },
    { eventIds: ['run'], results: 1 },
    { eventIds: ['press-ups', 'run'], results: 1 },
  ])
  expect(groupsBy(answer, 'unit').sort()).toEqual([
    ['', 1, 4],
    [NORTH, 1, 2],
  ])
  expect(groupsBy(answer, 'category')).toEqual([
    ['female', 2, 3],
    ['male', 0, 3],
  ])
  expect(groupsBy(answer, 'age')).toEqual([['under 30', 2, 6]])
  expect(groupsBy(answer, 'month')).toEqual([['2026-11', 2, 6]])
  expect(groupsBy(answer, 'unitYear').sort()).toEqual([
    [' 2026', 1, 4],
    [`${NORTH} 2026`, 1, 2],
  ])
})

test('everybody stands on the strip once, the cut among them', async () => {
  const strip = (await insight()).byEvent[0]?.strip
  expect(strip).toMatchObject({ by: 'value', cut: 24 })
  const sum = (of: 'met' | 'short') => strip?.columns.reduce((all, column) => all + column[of], 0)
  expect([sum('met'), sum('short')]).toEqual([3, 3])
  const cutAt = ((24 - (strip?.from ?? 0)) / ((strip?.to ?? 0) - (strip?.from ?? 0))) * (strip?.bins ?? 0)
  for (const { at, met, short } of strip?.columns ?? []) {
    if (met > 0) expect(at + 1).toBeGreaterThan(cutAt)
    if (short > 0) expect(at).toBeLessThan(cutAt)
  }
})

test.each([
  ['?version=3&from=2026-11-01&to=2026-11-30', 6],
  ['?from=2026-11-25', 0],
  ['?category=female', 3],
  ['?age=40 to 49', 0],
  ['?venue=Fallow Point track', 6],
  ['?venue=Marram Yard', 0],
  ['?standard=another', 0],
  ['?version=2', 0],
])('%s leaves %i results', async (query, results) => {
  expect((await insight(query)).results).toBe(results)
})

test.each(['?from=yesterday', '?age=old', '?category=Not a slug', '?version=0', '?nobody=asked'])(
  '%s is refused with its place',
  async (query) => {
    const answer = await officer.call('GET', `/api/insight/results${query}`)
    expect(answer).toMatchObject({ status: 422, body: { findings: [{ place: /\?(\w+)/.exec(query)?.[1] }] } })
  },
)

test('each figure opens the people behind it', async () => {
  const behind = async (query: string) => (await officer.call('GET', `/api/insight/people${query}`)).body
  const entries = async (query: string) =>
    ((await behind(query))['people'] as { entryId: string }[]).map(({ entryId }) => entryId).sort()
  expect(await behind('?event=run&kind=short')).toMatchObject({ inAll: 2 })
  expect(await entries('?event=run&kind=short')).toEqual([house.entryIds[2], house.entryIds[3]].sort())
  expect(await entries('?shortIn=press-ups%2Brun')).toEqual([house.entryIds[2]])
  expect(await entries('?event=press-ups&by=value&atLeast=30&below=41')).toEqual(
    [house.entryIds[0], north.entryIds[0]].sort(),
  )
  expect(await entries('?event=run&by=margin&atLeast=-6000&below=0')).toEqual([house.entryIds[3]])
  expect(await entries(`?outcome=met&unit=${NORTH}`)).toEqual([north.entryIds[0]])
  expect(await entries('?when=2025')).toEqual([])
})

test('the days behind the figures are told with their fingerprints, and every result as a line without a name', async () => {
  const { days } = (await officer.call('GET', '/api/insight/days')).body as {
    days: { occasionId: string; results: number; fingerprint: string }[]
  }
  expect(days.map(({ occasionId, results }) => [occasionId, results]).sort()).toEqual(
    [
      [house.occasionId, 4],
      [north.occasionId, 2],
    ].sort(),
  )
  for (const { fingerprint } of days) expect(fingerprint).toMatch(/[0-9a-f]{4}/)
  const response = await fetch(`${server.address}/api/insight/data?category=female`, {
    headers: { Cookie: officer.cookieHeader },
  })
  const [heading = '', ...lines] = (await response.text()).split('\r\n')
  expect(heading.split(',').slice(-6)).toEqual([
    ...['press-ups', 'press-ups_count', 'press-ups_margin', 'run', 'run_ms', 'run_margin'],
  ])
  expect(lines.map((line) => line.split(',').slice(-6).join(',')).sort()).toEqual([
    'met,30,6,met,570000,10000',
    'met,40,16,met,500000,80000',
    'short,20,-4,short,600000,-20000',
  ])
  expect(lines.join()).not.toContain('Okafor')
})

test('who belongs to a unit sees its people alone, and who reads sums no names', async () => {
  const passwordHash = await hashPassword(PASSWORD, QUICK_COST)
  const account = { id: randomUUID(), signInName: 'north', displayName: 'North', role: 'viewer' as const }
  await addAccount(server.owner, { ...account, passwordHash, isDemo: false, unitId: NORTH })
  const viewer = await Caller.signedIn(server.address, 'north')
  expect(await insight('', viewer)).toMatchObject({ results: 2, units: [{ name: 'North' }] })
  expect((await viewer.call('GET', '/api/insight/people')).status).toBe(403)
  expect((await viewer.call('GET', `/api/insight/results?unit=${randomUUID()}`)).status).toBe(404)
})

test('an amendment changes what is written, and whoever moved since stays where they were', async () => {
  await server.asOwner(`update people set unit_id = null where unit_id = '${NORTH}'`)
  const amended = await officer.call('POST', `/api/occasions/${north.occasionId}/amendments`, {
    entryId: north.entryIds[1],
    eventId: 'press-ups',
    value: 26,
    reason: 'counted from the recording',
    password: PASSWORD,
  })
  expect(amended.status).toBe(201)
  expect(groupsBy(await insight(), 'unit').sort()).toEqual([
    ['', 1, 4],
    [NORTH, 2, 2],
  ])
  await server.asOwner(
    `update people set unit_id = '${NORTH}' where id in (select person_id from entries where occasion_id = '${north.occasionId}')`,
  )
})

test('what was never written, or is lost, is written anew from what was signed', async () => {
  const before = await insight()
  await server.asOwner('delete from results; delete from result_days')
  expect((await insight()).results).toBe(0)
  expect(await writeMissingDays(server.owner)).toBe(2)
  // the units of then are lost with what was written; all else is as it was
  expect({ ...(await insight()), groups: [] }).toEqual({ ...before, groups: [] })
  expect(await writeMissingDays(server.owner)).toBe(0)
})

test('a rehearsal is no result', async () => {
  const wish = { standardId: 'constabulary-entry', version: 3, people: 4, speed: 60 }
  const id = String((await officer.call('POST', '/api/rehearsals', wish)).body['id'])
  await sign({ occasionId: id, entryIds: [] })
  expect((await insight()).results).toBe(6)
  expect((await officer.call('DELETE', `/api/rehearsals/${id}`)).status).toBe(204)
})

test('graders see themselves beside all the others together, an officer everybody', async () => {
  const day = await addTestDay(server, plainV3(), '2026-11-24', [{ bib: 1 }])
  const [entryId] = day.entryIds
  const press = (kind: string, afterMs: number, payload: object = {}) =>
    sentCapture({ eventId: 'press-ups', kind, payload, entryId, deviceId: 'tablet', atMs: MORNING_MS + afterMs })
  const captures = [
    press('started', 0),
    press('counted', 1_000),
    press('refused', 2_000, { reason: 'depth' }),
    press('counted', 3_000),
    press('stopped', 90_000, { reason: 'time' }),
  ]
  const grader = await Caller.signedIn(server.address, 'grader')
  expect((await grader.call('POST', `/api/occasions/${day.occasionId}/captures`, { captures })).status).toBe(200)
  await sign(day)
  const graders = async (caller: Caller) => (await caller.call('GET', '/api/insight/graders')).body
  expect(await graders(officer)).toMatchObject({
    isWhole: true,
    eventId: 'press-ups',
    graders: [
      { name: 'The grader', candidates: 1, attempts: 3, refused: 1, reasons: [{ id: 'depth', times: 1 }], captured: 5 },
      { name: 'The officer', candidates: 0, captured: 12 },
    ],
  })
  const seen = (await graders(grader))['graders'] as { name: string; captured: number }[]
  expect(seen.map(({ name, captured }) => [name, captured])).toEqual([
    ['The grader', 5],
    ['', 12],
  ])
  // an easier form is never mixed with the event as it stands
  await server.asOwner(`update event_results set variant_id = 'on-knees' where event_id = 'press-ups'`)
  expect(await graders(officer)).toMatchObject({
    graders: [
      { name: 'The grader', candidates: 0, attempts: 0, refused: 0, reasons: [], categories: [], captured: 5 },
      { name: 'The officer', candidates: 0 },
    ],
  })
})

test('whoever the house calls and who has not met it lately is due; a day is made of them at one press', async () => {
  const rules = { ...FIRST_HOUSE_RULES, heat: [] }
  const retests = [
    { name: 'Yearly', standardId: 'constabulary-entry', unitId: NORTH, every: { count: 1, of: 'years' } },
  ]
  expect((await officer.call('PUT', '/api/house-rules', { revision: 0, rules: { ...rules, retests } })).status).toBe(
    200,
  )
  interface DueBody {
    readonly today: string
    readonly fine: number
    readonly people: readonly { readonly personId: string; readonly state: string; readonly enteredOn: string }[]
  }
  const due = async (): Promise<DueBody> => (await officer.call('GET', '/api/insight/due')).body as unknown as DueBody
  const before = await due()
  // one of North met it outright, the other by the amendment
  expect(before).toMatchObject({ fine: 2, people: [] })
  const newcomer = randomUUID()
  await server.asOwner(
    `insert into people (id, number, given_name, family_name, birth_date, category, unit_id)
     values ('${newcomer}', 'N-1', 'Runa', 'Pell', '2000-01-01', 'female', '${NORTH}')`,
  )
  expect((await due()).people).toMatchObject([{ personId: newcomer, state: 'never', enteredOn: '' }])
  const day = {
    name: 'Whoever is due',
    venue: 'Track',
    zone: 'Etc/GMT-12',
    testDate: dateAfter(before.today, 14),
    standardId: 'constabulary-entry',
    standardVersion: 3,
    personIds: [newcomer],
    perWave: 12,
  }
  const made = await officer.call('POST', '/api/insight/due/day', day)
  expect(made.status).toBe(201)
  const { body } = await officer.call('GET', `/api/occasions/${String(made.body['id'])}`)
  expect(body['entries']).toMatchObject([{ bib: 1, wave: 1, category: 'female', person: { number: 'N-1' } }])
  expect((await due()).people).toMatchObject([{ enteredOn: 'Whoever is due' }])
  const strangers = { ...day, personIds: [randomUUID()] }
  expect(await officer.call('POST', '/api/insight/due/day', strangers)).toMatchObject({
    status: 422,
    body: { findings: [{ place: 'personIds[0]' }] },
  })
})
