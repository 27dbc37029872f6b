/** Practice is on nobody's record; a set is worked on the console of the day and looked back on. */
import { flushPromises, mount } from '@vue/test-utils'
import { kindOf } from '@able-gauge/core'
import { makeDrill, type Drill } from '@able-gauge/core/drill'
import { standardNamed } from '@able-gauge/core/testing'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { effectScope } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { closeDays, entry, json, MOUNTED, openDay } from '../../testing/openDay.ts'
import { listWaiting } from '../sync/outbox.ts'
import RepetitionsConsole from '../run/kinds/repetitions/RepetitionsConsole.vue'
import DrillReview from './DrillReview.vue'
import PracticeRoom from './PracticeRoom.vue'
import { countWaiting, keepDrill, listDrills } from './drillCalls.ts'
import { entryIdOf, practiceDay, type PracticeSet } from './practiceDay.ts'
import { addressOf, setIn } from './setAddress.ts'
import { useDrill } from './useDrill.ts'

const STANDARD = standardNamed('v3')
const SET: PracticeSet = { eventId: 'press-ups', what: 'pressUp', level: 1, seed: 27, lanes: 1 }

beforeEach(() => localStorage.removeItem('able-gauge-drills'))
afterEach(() => {
  closeDays()
  vi.unstubAllGlobals()
})

/** A set that is open in the store, as its room opens it. */
const openSet = async (set = SET) => {
  const opened = await openDay({ entries: [entry(1)], role: 'grader' })
  const day = practiceDay(STANDARD, set, '2026-11-27')
  if (!day) throw new Error('The standard has no such event.')
  opened.server.asked.length = 0
  opened.store.practise(day)
  const [event] = day.standard.events
  if (!event) throw new Error('The day of a set has one event.')
  return { ...opened, day, event }
}

test('what is captured in a set stays on the page: nothing is kept, nothing is sent', async () => {
  const { store, server, day, event } = await openSet()
  const one = store.capture(event.id, entryIdOf(0), { kind: 'started', payload: {} })
  store.capture(event.id, entryIdOf(0), { kind: 'counted', payload: {} })
  expect(store.settledIn(event.id).value.map(({ kind }) => kind)).toEqual(['started', 'counted'])
  expect(one.entryId).toBe(entryIdOf(0))
  await new Promise((resolve) => setTimeout(resolve, 80))
  expect(store.waitingCount).toBe(0)
  expect(await listWaiting(day.occasion.id, 'account', 'waiting')).toEqual([])
  expect(server.asked).toEqual([])
  store.close()
  expect(store.isPractice).toBe(false)
})

test('the console of the day counts and refuses, and what was pressed is read from the start', async () => {
  const { store, day, event } = await openSet()
  const scope = effectScope()
  const atWork = scope.run(() => useDrill(SET, event))
  if (!atWork) throw new Error('A scope that was just made runs.')
  if (kindOf(event.protocol).name !== 'Repetitions in a time') throw new Error('Press-ups are counted in a time.')
  const page = mount(RepetitionsConsole, {
    ...MOUNTED,
    props: { day, event, entry: day.entries[0], following: undefined } as never,
  })
  expect(page.text()).toContain('Orla Vane')
  expect(atWork.startedAtMs.value).toEqual([null])
  store.capture(event.id, entryIdOf(0), { kind: 'started', payload: {} })
  await flushPromises()
  await page.get('.pad').trigger('pointerdown')
  await page
    .findAll('button')
    .find((button) => button.text().startsWith('Not low enough'))
    ?.trigger('click')
  expect(atWork.answers.value.map(({ lane, answer }) => [lane, answer])).toEqual([
    [0, 'counted'],
    [0, 'depth'],
  ])
  expect(atWork.answers.value.every(({ atMs }) => atMs >= 0 && atMs < 5_000)).toBe(true)
  expect(atWork.isOver.value).toBe(false)
  page.unmount()
  scope.stop()
})

/** A set as it was worked by somebody who saw everything but faults of one reason. */
const workedBut = (missed: string) => {
  const { protocol } = STANDARD.events[0] ?? {}
  if (!protocol) throw new Error('The standard has events.')
  const drill: Drill = makeDrill(protocol, { movement: 'pressUp', level: 1, seed: 27, lanes: 1 })
  const answers = (drill.lanes[0]?.items ?? []).map(({ decideAtMs, fault }) => ({
    lane: 0,
    atMs: decideAtMs + 380,
    answer: fault && fault.reasonId !== missed ? fault.reasonId : 'counted',
  }))
  return { drill, runners: [], answers: { value: answers }, ends: { value: [{ atMs: null }] } } as never
}

const ROUTES = [
  { path: '/practice', name: 'practice', component: { template: '<i/>' } },
  { path: '/practice/:dayId(set)/:standardId/:version/:eventId/:what', name: 'drill', component: { template: '<i/>' } },
  { path: '/house-rules', name: 'houseRules', component: { template: '<i/>' } },
  { path: '/:rest(.*)*', name: 'days', component: { template: '<i/>' } },
]
const routed = () => ({ global: { plugins: [createRouter({ history: createMemoryHistory(), routes: ROUTES })] } })

test('the look back begins at the first mistake, says what it was, and offers more of what escaped', async () => {
  await openSet()
  const page = mount(DrillReview, {
    ...routed(),
    props: { set: SET, standard: STANDARD, atWork: workedBut('body-line'), kept: null, waits: true },
  })
  expect(page.get('.look').text()).toMatch(
    /You counted it\. It was to be refused: body line lost, \d+ cm below the line\./,
  )
  const missed = page.findAll('.squares .letThrough').length
  expect(missed).toBeGreaterThan(0)
  expect(page.get('.eye').text()).toContain(`Body line lost: ${missed} of ${missed} escaped you`)
  expect(page.get('.eye').text()).toContain('You decide in 0.4 s.')
  expect(page.text()).toContain('waits on this device')
  // the next mistake is one press away, and a square opens its repetition
  const title = page.get('h1').text()
  await page.get('.look .btn-primary').trigger('click')
  expect(page.get('h1').text()).not.toBe(title)
  await page.get('.squares .refusedRightly').trigger('click')
  expect(page.get('.look').text()).toMatch(/You refused it: .* It was to be refused/)
  expect(page.get('a.btn-primary').attributes('href')).toContain('more=body-line')
})

test('a set that cannot be sent waits here, and is sent before the list is read', async () => {
  const { server } = await openSet()
  const drill = { id: 'a', standardId: 's', version: 1, ...SET, doneAtMs: 1, answers: [], ends: [] }
  server.answer('POST', '/drills', () => Promise.reject(new TypeError('away')))
  expect(await keepDrill('joss', drill)).toBeNull()
  expect([countWaiting('joss'), countWaiting('wanda')]).toEqual([1, 0])
  const worth = { mark: 1, shown: 1, counted: 1, truly: 1, reactionMs: null, faults: [] }
  const { answers: _answers, ends: _ends, ...kept } = { ...drill, id: '00000000-0000-4000-8000-000000000009' }
  server.answer('POST', '/drills', () => json({ ...kept, ...worth }, 201))
  server.answer('GET', '/drills', () => json({ drills: [] }))
  expect(await listDrills('joss')).toEqual([])
  expect(countWaiting('joss')).toBe(0)
})

test('an address names a set, and one that is none is refused', () => {
  const address = addressOf('entry', 3, { ...SET, more: 'depth' }) as { query: Record<string, unknown> }
  const query = Object.fromEntries(Object.entries(address.query).map(([key, value]) => [key, String(value)]))
  const params = { eventId: 'press-ups', what: 'pressUp' }
  expect(setIn({ params, query })).toEqual({ ...SET, more: 'depth' })
  for (const wrong of [{ level: '6' }, { set: '0' }, { set: '1.5' }, { set: 'all' }])
    expect(setIn({ params, query: { ...query, ...wrong } })).toBeNull()
  expect(setIn({ params: { ...params, what: 'flying' }, query })).toBeNull()
  // nobody watches three lanes
  expect(setIn({ params, query: { ...query, lanes: '3' } })?.lanes).toBe(1)
})

const DETAIL = {
  contentHash: 'a'.repeat(64),
  revision: null,
  publishedAtMs: null,
  publishedBy: null,
  editedBy: null,
  retired: null,
}

test('the room offers what is in force, and begins the set that is chosen', async () => {
  const { server } = await openSet()
  const version = {
    id: STANDARD.id,
    version: 3,
    name: STANDARD.name,
    organisation: STANDARD.organisation,
    state: 'published',
    inForceFrom: '2020-01-01',
    inForceTo: null,
    events: 5,
    contentHash: 'a'.repeat(64),
    days: 0,
  }
  server.answer('GET', '/standards', () => json({ versions: [version] }))
  server.answer('GET', `/standards/${STANDARD.id}/3`, () => json({ state: 'published', content: STANDARD, ...DETAIL }))
  server.answer('GET', '/drills', () => json({ drills: [] }))
  const page = mount(PracticeRoom, { ...routed(), global: { ...routed().global, stubs: { HouseBand: true } } })
  await vi.waitFor(() => expect(page.findAll('.events button').length).toBeGreaterThan(1))
  expect(page.get('.events').text()).toContain('Press-ups')
  await page.get('input[type=radio][value="4"]').setValue()
  await page.get('input[type=number]').setValue('31')
  const href = page.get('a.go').attributes('href') ?? ''
  expect(href).toContain('/press-ups/pressUp?')
  expect(href).toContain('level=4')
  expect(href).toContain('set=31')
  await page.get('input[type=number]').setValue('0')
  expect(page.find('a.go').exists()).toBe(false)
})
