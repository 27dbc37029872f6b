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

const COURSE = '01930000-0000-7000-8000-0000000f1e26'
const GUARD = '01930000-0000-7000-8000-000000604d26'
const EFFORT = '01930000-0000-7000-8000-0000000e4426'

const markOf = (verdict: Verdict | undefined, eventId: string) =>
  verdict?.marks.find((mark) => mark.eventId === eventId)
const kindsOf = (verdicts: ReadonlyMap<number | null, Verdict>, eventId: string): Record<string, number> => {
  const counts: Record<string, number> = {}
  for (const verdict of verdicts.values()) {
    const kind = markOf(verdict, eventId)?.kind ?? 'none'
    counts[kind] = (counts[kind] ?? 0) + 1
  }
  return counts
}

test('on the course day a drum is dropped, the rail touched a third time, a ladder falls free, and a climb is broken off', async () => {
  const verdicts = await verdictsOf(COURSE)
  expect(verdicts.size).toBe(18)
  for (const bib of [4, 7, 9]) expect(markOf(verdicts.get(bib), 'course')?.kind, `bib ${bib}`).toBe('ended')
  expect(markOf(verdicts.get(5), 'tower')?.kind).toBe('ended')
  for (const bib of [1, 2, 3]) expect(markOf(verdicts.get(bib), 'dark-crawl')?.kind).toBe('met')
  // a third of them have not begun
  expect(kindsOf(verdicts, 'course')['waiting']).toBe(6)
  // they overlap on the yard: somebody starts before the one before is home
  const { body } = await officer.call('GET', `/api/occasions/${COURSE}/captures?after=0`)
  const captures = body['captures'] as { kind: string; entryId: string; atMs: number; eventId: string }[]
  const own = (entryId: string) => captures.filter((one) => one.eventId === 'course' && one.entryId === entryId)
  const starts = captures.filter(({ kind }) => kind === 'started').sort((a, b) => a.atMs - b.atMs)
  const overlapping = starts.filter(
    ({ entryId }, at) => Math.max(...own(entryId).map(({ atMs }) => atMs)) > (starts[at + 1]?.atMs ?? Infinity),
  )
  expect(overlapping.length).toBeGreaterThan(5)
})

test('on the Guard’s day sixty work in four waves, with alternates, a strict grader and second counts', async () => {
  const verdicts = await verdictsOf(GUARD)
  const day = (await officer.call('GET', `/api/occasions/${GUARD}`)).body as {
    entries: { wave: number; attendance: string; choices: { alternates: Record<string, string> } }[]
  }
  expect(verdicts.size).toBe(60)
  expect([...new Set(day.entries.map(({ wave }) => wave))].sort()).toEqual([1, 2, 3, 4])
  const chose = (eventId: string) =>
    day.entries.filter(({ choices }) => choices.alternates[eventId] !== undefined).length
  expect([chose('pull-ups'), chose('run')]).toEqual([8, 11])
  // the fourth wave has not been at the bars, the third not at the throw, the first alone has run; one is absent
  expect(['pull-ups', 'throw', 'run'].map((id) => kindsOf(verdicts, id)['waiting'])).toEqual([16, 15, 45])
  const { body } = await officer.call('GET', `/api/occasions/${GUARD}/captures?after=0`)
  const captures = body['captures'] as { kind: string; deviceId: string }[]
  const shareOf = (deviceId: string): number => {
    const all = captures.filter((one) => one.deviceId === deviceId)
    const refused = all.filter(({ kind }) => kind === 'refused').length
    return refused / (refused + all.filter(({ kind }) => kind === 'counted').length)
  }
  expect(shareOf('tablet-bar-3')).toBeGreaterThan(2 * Math.max(shareOf('tablet-bar-1'), shareOf('tablet-bar-2')))
  expect(captures.filter(({ deviceId, kind }) => deviceId === 'phone-second' && kind === 'started')).toHaveLength(7)
})

test('the effort week is on its second day, with two on the knees', async () => {
  const verdicts = await verdictsOf(EFFORT)
  expect(verdicts.size).toBe(24)
  const waiting = ['body', 'step', 'reach', 'wall-sit', 'press-ups', 'run'].map(
    (eventId) => kindsOf(verdicts, eventId)['waiting'] ?? 0,
  )
  expect(waiting).toEqual([0, 0, 10, 10, 24, 24])
  const day = (await officer.call('GET', `/api/occasions/${EFFORT}`)).body as {
    occasion: { testDate: string }
    entries: { choices: { variants: Record<string, string> } }[]
    plan: { plan: { days: unknown[] } }
  }
  expect(day.entries.filter(({ choices }) => choices.variants['press-ups'] === 'knees')).toHaveLength(2)
  expect(day.occasion.testDate).toBe('2026-11-23')
  expect(day.plan.plan.days).toHaveLength(4)
})

test('nothing that happened on the half-run days is doubted for when it was', async () => {
  for (const id of [COURSE, GUARD, EFFORT]) {
    for (const verdict of (await verdictsOf(id)).values()) {
      const titles = verdict.marks.flatMap(({ trace }) => trace.map((step) => sayStep(step).title))
      expect(titles.filter((title) => /outside|clock/i.test(title))).toEqual([])
    }
  }
})

test('each unit has people of its own who may sign in, and graders have practised', async () => {
  const own = new Caller(server.address)
  await own.call('POST', '/api/session', { signInName: 'rurik.stenmark-vale', password: DEMO_PASSWORD })
  const days = (await own.call('GET', '/api/occasions')).body['occasions'] as { id: string }[]
  expect(days.map(({ id }) => id)).toContain(GUARD)
  expect(days.map(({ id }) => id)).not.toContain(COURSE)
  const { marks } = (await officer.call('GET', '/api/drills/marks')).body as {
    marks: { name: string; level: number; mark: number }[]
  }
  const last = (name: string) => marks.find((one) => one.name === name && one.level === 2)?.mark ?? 0
  expect(last('Joss Adair-Nakata')).toBeGreaterThan(0.8)
  expect(last('Tamsin Oake-Reyes')).toBeLessThan(0.8)
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
