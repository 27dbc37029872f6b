/** The room of results: what it shows, what opens, and what stands in the address. */
import { flushPromises, mount } from '@vue/test-utils'
import type { DueAnswer, GradersAnswer, InsightAnswer, RepeatsAnswer } from '@able-gauge/core'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { createMemoryHistory, createRouter, type Router } from 'vue-router'
import { useSession, type Role } from '../session/sessionStore.ts'
import DueView from './DueView.vue'
import FairView from './FairView.vue'
import GradersView from './GradersView.vue'
import RepeatView from './RepeatView.vue'
import ResultsView from './ResultsView.vue'

const RUN = { eventId: 'run', name: 'Run', unit: 'ms', sense: 'atMost' } as const
const REPS = { eventId: 'press-ups', name: 'Press-ups', unit: 'count', sense: 'atLeast' } as const
const counts = { scored: 0, open: 0, ended: 0, exempt: 0, otherForms: 0, near: 0 }
const RESULTS: InsightAnswer = {
  standards: [{ id: 'entry', name: 'Entry', versions: [{ version: 3, results: 60 }], results: 60 }],
  standardId: 'entry',
  standardName: 'Entry',
  events: [REPS, RUN],
  categories: [
    { id: 'female', name: 'Female' },
    { id: 'male', name: 'Male' },
  ],
  units: [{ id: 'n', name: 'North' }],
  venues: [],
  years: ['2026'],
  results: 60,
  people: 58,
  days: 3,
  first: '2026-03-01',
  last: '2026-11-01',
  near: 0,
  outcomes: [
    { outcome: 'met', results: 45 },
    { outcome: 'short', results: 15 },
  ],
  groups: [
    { by: 'unit', key: 'n', met: 45, of: 60 },
    { by: 'category', key: 'female', met: 12, of: 30 },
    { by: 'category', key: 'male', met: 29, of: 30 },
    { by: 'age', key: '50 and over', met: 1, of: 9 },
  ],
  byEvent: [
    {
      eventId: 'press-ups',
      met: 50,
      short: 10,
      ...counts,
      strip: {
        by: 'value',
        from: 20,
        to: 30,
        bins: 10,
        cut: 24,
        columns: [
          { at: 3, met: 0, short: 10, scored: 0 },
          { at: 4, met: 50, short: 0, scored: 0 },
        ],
      },
    },
    { eventId: 'run', met: 55, short: 5, ...counts, strip: null },
  ],
  combinations: [
    { eventIds: ['press-ups'], results: 10 },
    { eventIds: ['run'], results: 5 },
  ],
}
const GRADERS: GradersAnswer = {
  events: [REPS],
  eventId: 'press-ups',
  reasons: [{ id: 'depth', name: 'Not low enough' }],
  isWhole: true,
  watches: [],
  graders: [
    ['strict', 'Tam Strict', 200],
    ['usual', 'Jo Usual', 60],
  ].map(([accountId, name, refused]) => ({
    accountId: String(accountId),
    name: String(name),
    candidates: 40,
    attempts: 1_000,
    refused: Number(refused),
    attemptsSquared: 25_000,
    refusedSquared: Number(refused) ** 2 / 40,
    refusedTimesAttempts: Number(refused) * 25,
    reasons: [{ id: 'depth', times: Number(refused) }],
    categories: [{ id: 'female', times: 20 }],
    meanAge: 31,
    metTheRest: 30,
    countedTwice: 4,
    withinOne: 3,
    countedMore: 2,
    decisions: [
      { own: 'counted', other: 'counted', times: 90 },
      { own: 'depth', other: 'counted', times: 5 },
      { own: 'depth', other: 'depth', times: 5 },
    ],
    captured: 1_000,
    corrected: 1,
    overruled: 0,
    decided: 0,
    tookOver: 0,
  })),
}
const REPEATS: RepeatsAnswer = {
  choices: [{ eventId: 'press-ups', of: 'count', part: '', pairs: 30 }],
  events: [REPS],
  chosen: { eventId: 'press-ups', of: 'count', part: '', pairs: 19 },
  unit: 'count',
  withinDays: 60,
  leftOut: 0,
  found: { icc21: 0.2898, limits: { low: 0.0188, high: 0.7611 }, standardError: 1.0097, smallestRealChange: 2.7987 },
  agreement: { meanDifference: -2.118, deviation: 38.765, limits: { low: -78.1, high: 73.86 } },
  points: [
    { first: 30, second: 31 },
    { first: 20, second: 22 },
  ],
}
const DUE: DueAnswer = {
  today: '2026-11-27',
  fine: 3,
  calls: [
    {
      name: 'Yearly',
      standardId: 'entry',
      standardName: 'Entry',
      version: 3,
      before: null,
      venue: 'Fallow Point track',
      zone: 'Etc/GMT-12',
    },
  ],
  people: (['overdue', 'again', 'waiting'] as const).map((state, at) => ({
    call: 0,
    personId: `01930000-0000-7000-8000-00000000000${at}`,
    name: `Person ${state}`,
    number: `P-${at}`,
    unit: 'North',
    unitId: 'n',
    category: 'female',
    state,
    by: state === 'overdue' ? '2026-10-01' : null,
    allowedFrom: state === 'waiting' ? '2026-12-24' : null,
    lastDate: '2026-05-01',
    shortIn: state === 'again' ? [{ id: 'run', name: 'Run' }] : [],
    enteredOn: '',
  })),
}

const asked: { path: string; body: unknown }[] = []
const answers: Record<string, object> = {}
let router: Router
beforeEach(() => {
  asked.length = 0
  Object.assign(answers, {
    results: RESULTS,
    events: { groups: [] },
    venues: { venues: [] },
    graders: GRADERS,
    repeats: REPEATS,
    due: DUE,
    people: { inAll: 0, people: [] },
    'due/day': { id: 'made' },
  })
  setActivePinia(createPinia())
  vi.stubGlobal('fetch', (path: string, { body }: { body?: string } = {}) => {
    asked.push({ path, body: body === undefined ? undefined : JSON.parse(body) })
    const what = /\/insight\/([a-z/]+)/.exec(path)?.[1] ?? ''
    const answer = answers[what] ?? (path.endsWith('/house-rules') ? { rules: { venues: [] } } : {})
    return Promise.resolve(new Response(JSON.stringify(answer), { headers: { 'Content-Type': 'application/json' } }))
  })
})
afterEach(() => {
  for (const page of pages.splice(0)) page.unmount()
  vi.unstubAllGlobals()
})

const pages: { unmount: () => void }[] = []
const open = async (view: object, { role = 'officer' as Role, query = '' } = {}) => {
  const session = useSession()
  session.account = { id: 'usual', signInName: 'o', displayName: 'O', role } as never
  const nothing = { template: '<div />' }
  router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/insight/:view?', name: 'insight', component: nothing },
      { path: '/:what/:a?/:b?', name: 'other', component: nothing },
      ...['person', 'sheet', 'compare', 'houseRules', 'plan', 'edit'].map((name) => ({
        path: `/to/${name}/:personId?/:dayId?/:entryId?/:standardId?/:version?`,
        name,
        component: nothing,
      })),
    ],
  })
  await router.push(`/insight${query}`)
  const page = mount(view, { global: { plugins: [router] }, attachTo: document.body })
  pages.push(page)
  await flushPromises()
  return page
}

test('everybody stands along the gauge, what decides and what the figures say stand beside it', async () => {
  const page = await open(ResultsView)
  const words = page.text()
  expect(words).toContain('83 %')
  expect(words).toContain('15 fell short; Press-ups alone decided 10 of them.')
  expect(words).toContain('45 of 60 met Entry: 75 %')
  expect(words).toContain('refuses 3.3 times as many repetitions as the others')
  // ten fell short and fifty met it; a column is no higher than fourteen squares
  expect(page.findAll('rect.short').length).toBe(2)
  expect(page.findAll('rect.met').length).toBe(10)
})

test('a column opens the people behind it, by the figures it stands for', async () => {
  const page = await open(ResultsView)
  await page.findAll('g.opens')[0]?.trigger('click')
  await flushPromises()
  const behind = asked.find(({ path }) => path.includes('/insight/people'))?.path ?? ''
  expect(Object.fromEntries(new URLSearchParams(behind.split('?')[1]))).toEqual({
    event: 'press-ups',
    by: 'value',
    atLeast: '23',
    below: '24',
  })
})

test('whoever reads sums alone opens nobody', async () => {
  const page = await open(ResultsView, { role: 'viewer' })
  expect(page.findAll('.opens').length).toBe(0)
  expect(page.text()).not.toContain('Who is due')
  expect(asked.some(({ path }) => path.includes('graders'))).toBe(false)
})

test('a filter stands in the address and is asked for', async () => {
  const page = await open(ResultsView)
  await page.get('select[aria-label="Category"]').setValue('female')
  await flushPromises()
  expect(router.currentRoute.value.query).toEqual({ category: 'female' })
  expect(asked.filter(({ path }) => path.includes('/insight/results')).at(-1)?.path).toContain('category=female')
  await page.get('select[aria-label="Time"]').setValue('2026')
  await flushPromises()
  expect(router.currentRoute.value.query).toEqual({ category: 'female', from: '2026-01-01', to: '2026-12-31' })
})

test('groups are told in sentences, and a small one is too small', async () => {
  const page = await open(FairView)
  expect(page.text()).toContain(
    'Female: 12 of 30 met it, 40 %, 41 % of the highest: below four fifths, and lower than by chance.',
  )
  expect(page.text()).toContain('50 and over: 9 people, too few to say.')
})

test('the published figures come out to their printed digits', async () => {
  const page = await open(RepeatView)
  const words = page.text()
  for (const figure of ['0.2898', '0.02 to 0.76', '1.0097', '2.7987', '−2.118', '−78.10 to 73.86'])
    expect(words).toContain(figure)
})

test('what the method leaves open is offered for a new version only where enough was counted twice', async () => {
  expect((await open(RepeatView)).text()).not.toContain('over into a new version')
  answers['repeats'] = { ...REPEATS, chosen: { eventId: 'press-ups', of: 'count', part: '', pairs: 20 } }
  expect((await open(RepeatView)).text()).toContain('Take ± 2 over into a new version')
})

test('a strict grader is told with figures, the mix and how two agreed', async () => {
  const words = (await open(GradersView)).text()
  expect(words).toContain('Tam Strict: 20.0 % refused, 3.33 times the share of the others')
  expect(words).toContain('50 % female; 31 years old; 75 % met every other event')
  // by hand: 95 of 100 alike; chance 0.9 · 0.95 + 0.1 · 0.05 = 0.86, so (0.95 − 0.86) / 0.14
  expect(words).toContain('95.0 % of repetitions alike; kappa 0.64 counted or refused, 0.64 by reason (0.64 weighted)')
  expect(words).toContain('Jo Usual (you)')
})

test('the list chooses whoever may come, and makes a day of them', async () => {
  const page = await open(DueView)
  expect(page.text()).toContain('Overdue, since 1 October 2026')
  expect(page.text()).toContain('Not yet, allowed from 24 December 2026')
  const boxes = page
    .findAll<HTMLInputElement>('tbody input[type=checkbox]')
    .map(({ element }) => [element.checked, element.disabled])
  expect(boxes).toEqual([
    [true, false],
    [true, false],
    [false, true],
  ])
  await page.findAll('tbody input[type=checkbox]')[1]?.setValue(false)
  const make = page.findAll('button').find((button) => button.text() === 'Make a day with 1')
  await make?.trigger('click')
  await flushPromises()
  await vi.waitFor(() => expect(document.body.textContent).toContain('Enter 1'))
  const enter = [...document.body.querySelectorAll('button')].find((button) => button.textContent?.trim() === 'Enter 1')
  enter?.click()
  await flushPromises()
  expect(asked.find(({ path }) => path.includes('due/day'))?.body).toEqual({
    name: 'Yearly',
    venue: 'Fallow Point track',
    zone: 'Etc/GMT-12',
    testDate: '2026-12-11',
    standardId: 'entry',
    standardVersion: 3,
    personIds: ['01930000-0000-7000-8000-000000000000'],
    perWave: 12,
  })
})
