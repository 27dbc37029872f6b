import { afterAll, beforeAll, expect, test } from 'vitest'
import {
  sayStep,
  type EventGroupsAnswer,
  type GradersAnswer,
  type InsightAnswer,
  type VenuesAnswer,
  type Verdict,
} from '@able-gauge/core'
import { compareGraders, compareVenues, sayInsight } from '@able-gauge/core/statistics'
import { Caller, openTestServer, type TestServer } from '../../testing/testServer.ts'
import { inTransaction } from '../database.ts'
import { openSigner } from '../signer.ts'
import { loadDemo } from './loadDemo.ts'
import { DEMO_PASSWORD } from './password.ts'

let server: TestServer
/** 20:00 on 24 November 2026 at the venue. */
const EVENING_MS = Date.UTC(2026, 10, 24, 8)
let officer: Caller

beforeAll(async () => {
  server = await openTestServer({ demo: true })
  await inTransaction(server.owner, (db) => loadDemo(db, openSigner(null), EVENING_MS))
  officer = new Caller(server.address)
})
afterAll(() => server.close())

const verdictsOf = async (occasionId: string): Promise<Map<number | null, Verdict>> => {
  const day = (await officer.call('GET', `/api/occasions/${occasionId}`)).body['entries'] as {
    id: string
    bib: number | null
  }[]
  const verdicts = (await officer.call('GET', `/api/occasions/${occasionId}/verdicts`)).body['verdicts'] as {
    entryId: string
    verdict: Verdict
  }[]
  return new Map(day.map(({ id, bib }) => [bib, verdicts.find(({ entryId }) => entryId === id)?.verdict as Verdict]))
}

test('the demo day is half run and holds the awkward cases', async () => {
  await officer.call('POST', '/api/session', { signInName: 'ines.calloway-brandt', password: DEMO_PASSWORD })
  const verdicts = await verdictsOf('01930000-0000-7000-8000-000000002026')
  expect(verdicts.size).toBe(24)
  const outcome = (bib: number) => verdicts.get(bib)?.outcome
  expect([3, 6, 17, 22, 28].map(outcome)).toEqual(['met', 'met', 'met', 'met', 'met'])
  expect([26, 40].map(outcome)).toEqual(['open', 'open'])
  expect([9, 31].map(outcome)).toEqual(['short', 'short'])
  expect([12, 35, 14].map(outcome)).toEqual(['withdrawn', 'disqualified', 'notStarted'])
  const restarted = verdicts.get(17)?.marks[0]?.trace.map((step) => sayStep(step).title)
  expect(restarted).toContain('Began again')
})

test('the earlier day is signed under version 2, judged by band', async () => {
  const verdicts = await verdictsOf('01930000-0000-7000-8000-000000002025')
  expect(verdicts.size).toBe(12)
  // by hand: bib 5, 33 years, 24 of 27 and 9:53 of 9:40; bib 7, 26 years, 10:32 of 10:20; bib 10, 32 years, 26 of 27
  const short = [...verdicts].flatMap(([bib, verdict]) => (verdict.outcome === 'short' ? [bib] : []))
  expect(short.sort((a, b) => (a ?? 0) - (b ?? 0))).toEqual([5, 7, 10])
  expect(verdicts.get(8)?.marks[1]?.trace.map((step) => sayStep(step).title)).toContain('Band 18 to 29, male')
})

/** What the room says of a standard, as it would on screen. */
const saidOf = async (standardId: string): Promise<string[]> => {
  const ask = async (what: string) => (await officer.call('GET', `/api/insight/${what}?standard=${standardId}`)).body
  const results = (await ask('results')) as unknown as InsightAnswer
  const { groups } = (await ask('events')) as unknown as EventGroupsAnswer
  const { venues } = (await ask('venues')) as unknown as VenuesAnswer
  const { graders } = (await ask('graders')) as unknown as GradersAnswer
  const eventOf = (id: string) => results.events.find(({ eventId }) => eventId === id)
  const sentences = sayInsight({
    ...results,
    eventGroups: groups,
    venues: compareVenues(venues),
    graders: compareGraders(graders.map((grader) => ({ ...grader, id: grader.accountId }))),
    eventNamed: (id) => eventOf(id)?.name ?? id,
    unitOfEvent: (id) => eventOf(id)?.unit ?? 'count',
    unitNamed: (id) => results.units.find((unit) => unit.id === id)?.name ?? '',
  })
  return sentences.map(({ text }) => text)
}

test('the five years hold their story, and it is told', async () => {
  const entry = (await saidOf('constabulary-entry')).join(' ')
  expect(entry).toMatch(/Trunk hold has become harder: \d\d % met it under version 3, 9\d % under version 2/)
  // one grader and no other
  expect(entry.match(/One grader refuses/g)).toHaveLength(1)
  expect(entry).toMatch(/One grader refuses (2\.[5-9]|3\.\d) times as many/)
  const guard = (await saidOf('guard-service')).join(' ')
  expect(guard).toMatch(
    /Run 2,800 m comes out (0\.[89]|1\.[0-4]) % quicker at Skerry Barracks square than at Fallow Point track/,
  )
  expect(guard).toMatch(/B Company improved: \d\d % met it from 2024 on/)
  expect(guard).not.toMatch(/[AC] Company (improved|fell back)/)
  expect((await saidOf('drill-yard-course')).join(' ')).toMatch(/Marram has \d+ results: too few to say/)
})

test('of press-ups that two counted nine in ten come out within one', async () => {
  const asked = '/api/insight/repeats?standard=constabulary-entry&event=press-ups&of=count'
  const { points } = (await officer.call('GET', asked)).body as { points?: { first: number; second: number }[] }
  const within = (points ?? []).filter(({ first, second }) => Math.abs(first - second) <= 1).length
  expect(points?.length).toBeGreaterThan(40)
  expect(within / (points?.length ?? 1)).toBeGreaterThan(0.85)
})

test('loading it again changes nothing', async () => {
  const count = async () =>
    (await server.pool.query<{ n: number }>('select count(*)::integer as n from captures')).rows[0]?.n
  const before = await count()
  await inTransaction(server.owner, (db) => loadDemo(db, openSigner(null), EVENING_MS))
  expect(await count()).toBe(before)
})

test('a half-run day is of today; loaded in the morning it is of yesterday and was opened today', async () => {
  const HALF_RUN = '01930000-0000-7000-8000-000000002026'
  const dayOf = async () => (await officer.call('GET', `/api/occasions/${HALF_RUN}`)).body
  const before = await dayOf()
  expect(before['occasion']).toMatchObject({ testDate: '2026-11-24' })
  expect(JSON.stringify(before['records'])).not.toContain('dayOpened')
  for (const nowMs of [EVENING_MS + 12 * 3_600_000, EVENING_MS + 12 * 3_600_000 + 1]) {
    await inTransaction(server.owner, (db) => loadDemo(db, openSigner(null), nowMs))
  }
  const opened = ((await dayOf())['records'] as { content: object }[]).filter(({ content }) => 'date' in content)
  expect(opened.map(({ content }) => content)).toMatchObject([{ kind: 'dayOpened', date: '2026-11-25' }])
})
