/** Sets to practise on: scored from what was pressed, kept once, compared on the same set, seen by who may. */
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { makeDrill, makeFinish } from '@able-gauge/core/drill'
import { plainV3, soundStandard } from '@able-gauge/core/testing'
import { addTestDay, Caller, openTestServer, type TestServer } from '../../testing/testServer.ts'

let server: TestServer
let officer: Caller
let grader: Caller
let timer: Caller
const standard = soundStandard(plainV3())

beforeAll(async () => {
  server = await openTestServer()
  await addTestDay(server, standard, '2026-11-24', [{ bib: 1, wave: 1 }])
  const signIn = (role: 'officer' | 'grader' | 'timer') => Caller.signedIn(server.address, role)
  ;[officer, grader, timer] = await Promise.all([signIn('officer'), signIn('grader'), signIn('timer')])
})
afterAll(() => server.close())

const pressUps = standard.events.find(({ id }) => id === 'press-ups')
if (!pressUps) throw new Error('The standard has press-ups.')
const SET = {
  standardId: standard.id,
  version: standard.version,
  eventId: 'press-ups',
  what: 'pressUp',
  level: 3,
  seed: 27,
  lanes: 1,
  doneAtMs: Date.UTC(2026, 10, 20, 9),
  ends: [{ atMs: null }],
} as const
const { items = [] } =
  makeDrill(pressUps.protocol, { movement: 'pressUp', level: 3, seed: 27, lanes: 1 }).lanes[0] ?? {}
/** What somebody pressed who sees everything, or lets everything pass. */
const answers = (sees: boolean) =>
  items.map(({ decideAtMs, fault }) => ({
    lane: 0,
    atMs: decideAtMs + 420,
    answer: (sees ? fault?.reasonId : undefined) ?? 'counted',
  }))
const work = (caller: Caller, more: object = {}) =>
  caller.call('POST', '/api/drills', { ...SET, id: randomUUID(), answers: answers(true), ...more })

test('a set is scored from what was pressed, and kept once however often it is sent', async () => {
  const id = randomUUID()
  const truly = items.filter(({ fault }) => !fault).length
  const once = await work(grader, { id })
  expect(once).toMatchObject({
    status: 201,
    body: { mark: 1, shown: items.length, counted: truly, truly, reactionMs: 420 },
  })
  expect((await work(grader, { id })).status).toBe(201)
  const listed = (await grader.call('GET', '/api/drills')).body['drills'] as { id: string }[]
  expect(listed.filter((one) => one.id === id)).toHaveLength(1)
  expect(listed[0]).toEqual(once.body)
  expect((await officer.call('GET', '/api/drills')).body).toEqual({ drills: [] })
})

test('nothing was practised later than now, whatever a device thinks', async () => {
  const { body } = await work(timer, { seed: 99, doneAtMs: Date.now() + 86_400_000 })
  expect(body['doneAtMs']).toBeLessThanOrEqual(Date.now() + 1_000)
})

test('a finish is scored by who was stamped at the line', async () => {
  const runners = makeFinish({ level: 2, seed: 5, runners: 24 })
  const stamps = runners.map(({ bib, crossesAtMs }, at) => ({
    lane: 0,
    atMs: crossesAtMs + 100,
    answer: at < 6 ? 'none' : String(bib),
  }))
  const finish = { what: 'finishLine', eventId: 'run', level: 2, seed: 5, lanes: 24, ends: [], answers: stamps }
  expect(await work(timer, finish)).toMatchObject({
    status: 201,
    body: { mark: 0.75, shown: 24, counted: 18, truly: 24, reactionMs: 100, faults: [] },
  })
})

test.each([
  ['a standard that is not there', { version: 99 }, 'standardId'],
  ['an event that is not there', { eventId: 'press-up' }, 'eventId'],
  ['an event that does not show it', { eventId: 'run' }, 'what'],
  ['a level beyond the last', { level: 6 }, 'level'],
  ['more lanes than a console has', { what: 'pressUp', lanes: 61 }, 'lanes'],
  ['an answer about no lane', { answers: [{ lane: 4, atMs: 1, answer: 'counted' }] }, 'answers[0].lane'],
])('%s is refused, and says where', async (_, wrong, place) => {
  const answer = await work(grader, wrong)
  expect(answer.status).toBe(422)
  expect(JSON.stringify(answer.body)).toContain(`"place":"${place}"`)
})

test('others on the same set stand beside it: named to an officer, not to a grader', async () => {
  const own = await work(officer, { seed: 4 })
  const lax = {
    seed: 4,
    answers: items.map(({ decideAtMs }) => ({ lane: 0, atMs: decideAtMs + 400, answer: 'counted' })),
  }
  await work(grader, lax)
  await work(timer, { seed: 5 })
  const beside = await officer.call('GET', `/api/drills/${String(own.body['id'])}/beside`)
  expect(beside.body).toMatchObject({ isNamed: true, others: [{ name: 'The grader' }] })
  expect(beside.body['others']).toHaveLength(1)
  const graders = (await grader.call('GET', '/api/drills')).body['drills'] as { id: string; seed: number }[]
  const mine = graders.find(({ seed }) => seed === 4)?.id ?? ''
  expect((await grader.call('GET', `/api/drills/${mine}/beside`)).body).toMatchObject({
    isNamed: false,
    others: [{ name: '' }],
  })
  // a set of somebody else is none
  expect((await timer.call('GET', `/api/drills/${mine}/beside`)).status).toBe(404)
  expect((await timer.call('GET', '/api/drills/none/beside')).status).toBe(404)
})

test('an officer sees the latest of everybody by level', async () => {
  await work(grader, { seed: 8, level: 4, answers: [], doneAtMs: Date.UTC(2026, 10, 22) })
  const { marks } = (await officer.call('GET', '/api/drills/marks')).body as {
    marks: { what: string; level: number }[]
  }
  const ofGrader = marks.filter((one) => 'accountId' in one && one.accountId === server.accountIds.grader)
  expect(ofGrader.map(({ what, level }) => [what, level])).toEqual([
    ['pressUp', 3],
    ['pressUp', 4],
  ])
})
