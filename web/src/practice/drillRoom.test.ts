/** The room of a set: it opens by its address, is looked back on when it is over, and begins anew. */
import { flushPromises, mount, type VueWrapper } from '@vue/test-utils'
import { makeFinish, makeReaches, NO_BIB, readingOf } from '@able-gauge/core/drill'
import { parseStandard } from '@able-gauge/core'
import { standardNamed } from '@able-gauge/core/testing'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { createMemoryHistory, createRouter, type Router } from 'vue-router'
import { closeDays, entry, json, openDay } from '../../testing/openDay.ts'
import DrillRoom from './DrillRoom.vue'
import FinishReview from './FinishReview.vue'
import { entryIdOf } from './practiceDay.ts'
import staffCheck from '../../../demo/standards/active-staff-check-v1.json'

const STANDARD = standardNamed('v3')
const SET = `/practice/set/${STANDARD.id}/3/press-ups/pressUp?level=1&set=27&lanes=1`
const ROUTES = [
  { path: '/practice', name: 'practice', component: { template: '<i/>' } },
  { path: '/practice/:dayId(set)/:standardId/:version/:eventId/:what', name: 'drill', component: { template: '<i/>' } },
  { path: '/days/:dayId/run', name: 'run', component: { template: '<i/>' } },
  { path: '/:rest(.*)*', name: 'days', component: { template: '<i/>' } },
]
const DETAIL = {
  state: 'published',
  contentHash: 'a'.repeat(64),
  revision: null,
  publishedAtMs: null,
  publishedBy: null,
  editedBy: null,
  retired: null,
}
const parsed = parseStandard(staffCheck)
if (!parsed.ok) throw new Error('The staff check is unsound.')
const CHECK = parsed.value
/** The console comes in a part of its own. */
const READY = { timeout: 10_000 }
const KEPT = { mark: 0.5, shown: 1, counted: 1, truly: 1, reactionMs: 300, faults: [] }

beforeEach(() => {
  localStorage.removeItem('able-gauge-drills')
  localStorage.removeItem('able-gauge-practice-standards')
})
afterEach(() => {
  closeDays()
  vi.unstubAllGlobals()
})

const routerAt = async (address: string): Promise<Router> => {
  const router = createRouter({ history: createMemoryHistory(), routes: ROUTES })
  await router.push(address)
  return router
}
const openRoom = async (address: string, standard = STANDARD) => {
  const opened = await openDay({ entries: [entry(1)], role: 'grader' })
  const { server } = opened
  server.answer('GET', `/standards/${standard.id}/${standard.version}`, () => json({ ...DETAIL, content: standard }))
  server.answer('GET', '/house-rules', () => json({ rules: {}, revision: 1 }))
  server.answer('GET', '/drills', () => json({ drills: [] }))
  server.answer('GET', '/beside', () => json({ isNamed: false, others: [] }))
  server.answer('POST', '/drills', () => {
    const { answers: _answers, ends: _ends, ...sent } = server.asked.at(-1)?.body as Record<string, unknown>
    return json({ ...sent, ...KEPT }, 201)
  })
  const router = await routerAt(address)
  const page = mount(DrillRoom, { global: { plugins: [router], stubs: { teleport: true } } })
  await flushPromises()
  return { ...opened, page, router }
}
const press = async (page: VueWrapper, name: string): Promise<void> => {
  await page
    .findAll('button')
    .find((button) => button.text().startsWith(name))
    ?.trigger('click')
  await flushPromises()
}

const showing = (page: VueWrapper) => page.findAll('button').find((button) => /^Show /.test(button.text()))
const raise = (): never => {
  throw new Error('There is none.')
}

test('a set opens by its address, is scored by the server when it is over, and begins anew at one press', async () => {
  const { page, store, server } = await openRoom(SET)
  expect(page.get('header').text()).toContain('Practice: press-ups, level 1')
  expect(page.get('header').text()).toContain('set 27')
  await vi.waitFor(() => expect(page.text()).toContain('Orla Vane'), READY)
  const first = store.settledIn('press-ups')
  store.capture('press-ups', entryIdOf(0), { kind: 'started', payload: {} })
  store.capture('press-ups', entryIdOf(0), { kind: 'counted', payload: {} })
  await flushPromises()
  await press(page, 'Look at it now')
  expect(page.text()).toContain('Your eye today')
  const sent = server.asked.find(({ path }) => path.endsWith('/drills'))?.body as { answers: unknown[]; seed: number }
  expect(sent.seed).toBe(27)
  expect(sent.answers).toHaveLength(1)
  // the same set once more: another day, whose captures the console sees
  await press(page, 'The same set again')
  await vi.waitFor(() => expect(page.text()).toContain('Orla Vane'), READY)
  expect(page.text()).not.toContain('Your eye today')
  expect(store.settledIn('press-ups')).not.toBe(first)
  expect(store.settledIn('press-ups').value).toEqual([])
  page.unmount()
  expect(store.day).toBeNull()
})

test.each([
  ['no level', SET.replace('level=1', ''), 'names no set'],
  ['an event that is not there', SET.replace('press-ups', 'press-up'), 'no such event'],
])('an address with %s is told in words', async (_, address, words) => {
  const { page } = await openRoom(address)
  expect(page.get('[role=alert]').text()).toContain(words)
  page.unmount()
})

test('a standard that was practised on before opens without a network', async () => {
  const before = await openRoom(SET)
  before.page.unmount()
  const { server } = before
  server.answer('GET', `/standards/${STANDARD.id}/3`, () => Promise.reject(new TypeError('away')))
  const page = mount(DrillRoom, { global: { plugins: [await routerAt(SET)], stubs: { teleport: true } } })
  await vi.waitFor(() => expect(page.text()).toContain('Orla Vane'), READY)
  page.unmount()
})

test('a finish is told runner by runner: right, somebody else’s stamp, none', async () => {
  await openDay({ entries: [entry(1)], role: 'timer' })
  const runners = makeFinish({ level: 1, seed: 3, runners: 4 })
  const [a, b, c] = runners
  if (!a || !b || !c) throw new Error('Four run.')
  const stamp = (bib: number | null, atMs: number) => ({ lane: 0, atMs, answer: bib === null ? NO_BIB : String(bib) })
  const answers = [stamp(a.bib, a.crossesAtMs + 100), stamp(c.bib, b.crossesAtMs), stamp(null, c.crossesAtMs)]
  const page = mount(FinishReview, {
    global: { plugins: [await routerAt('/practice')] },
    props: {
      set: { eventId: 'run', what: 'finishLine', level: 1, seed: 3, lanes: 4 },
      standard: STANDARD,
      atWork: { drill: null, runners, answers: { value: answers }, ends: { value: [] } } as never,
      kept: null,
      waits: false,
    },
  })
  const wordsOf = (bib: number): string =>
    page
      .findAll('tbody tr')
      .find((row) => row.findAll('td')[1]?.text() === String(bib))
      ?.text() ?? ''
  expect(wordsOf(a.bib)).toContain('+0.1 s')
  expect(wordsOf(a.bib)).toContain('right')
  expect(wordsOf(b.bib)).toContain('no stamp')
  expect(wordsOf(c.bib)).toContain('the stamp of somebody else')
  expect(page.text()).toContain('1 of 4 right')
  expect(page.text()).toContain('1 stamp has no bib.')
  await press(page, 'The same set again')
  expect(page.emitted('again')).toHaveLength(1)
})

test('reaches are shown one by one, typed into the console, and told in words', async () => {
  vi.useFakeTimers({ toFake: ['performance', 'Date', 'requestAnimationFrame'], shouldAdvanceTime: true })
  const { page, server } = await openRoom(`/practice/set/${CHECK.id}/1/reach/reach?level=1&set=5&lanes=1`, CHECK)
  await vi.waitFor(() => expect(page.text()).toContain('Show the first reach'))
  const ruler = { zeroMm: 200, stepMm: 5, holdMs: 2_000, lesserHand: true, tries: 8 }
  const reaches = makeReaches({ level: 1, seed: 5 }, ruler)
  const fields = () => page.findAll<HTMLInputElement>('form input')
  await vi.waitFor(() => expect(fields()).toHaveLength(8), READY)
  for (const [at, one] of reaches.entries()) {
    await vi.waitFor(() => expect(showing(page)?.attributes('disabled')).toBeUndefined())
    await showing(page)?.trigger('click')
    await vi.advanceTimersByTimeAsync(8_000)
    // the second is misread by ten centimetres
    const mm = readingOf(one) + (at === 1 ? 100 : 0)
    await fields()[at]?.setValue(String(mm / 10))
    await fields()[at]?.trigger('blur')
    await flushPromises()
  }
  await vi.waitFor(() => expect(page.text()).toContain('Your readings'), READY)
  expect(page.text()).toContain('7 of 8 right')
  expect(page.findAll('li')[1]?.text()).toContain('not where the fingers stayed')
  const sent = server.asked.find(({ path }) => path.endsWith('/drills'))?.body as { answers: { answer: string }[] }
  expect(sent.answers.map(({ answer }) => answer)).toContain(`1-${readingOf(reaches[0] ?? raise())}`)
  page.unmount()
  vi.useRealTimers()
})
