import { captureId, seededRandom, type Capture } from '@able-gauge/core'
import { mount } from '@vue/test-utils'
import { expect, test, vi } from 'vitest'
import { effectScope, watch } from 'vue'
import { useAgreedClock } from '../sync/agreedClock.ts'
import { entry, json, MOUNTED, openDay, problem } from '../../testing/openDay.ts'
import DaySaved from './DaySaved.vue'

const random = seededRandom(9)
const START_MS = 1_795_473_248_000
const crossing = (afterMs: number): Capture => ({
  id: captureId(START_MS + afterMs, random.bytes(16)),
  eventId: 'run',
  entryId: entry(28).id,
  kind: 'crossed',
  payload: {},
  deviceId: 'laptop',
  deviceMs: 0,
  atMs: START_MS + afterMs,
  uncertaintyMs: 4,
})
const start: Capture = {
  ...crossing(0),
  id: captureId(START_MS, random.bytes(16)),
  entryId: null,
  kind: 'waveStarted',
  payload: { wave: 1, entryIds: [entry(28).id] },
}

test('a day is shown only together with its captures', async () => {
  const { store } = await openDay({ entries: [entry(28)], captures: [start, crossing(100_000)] })
  expect(store.verdicts.get(entry(28).id)?.marks[1]).toMatchObject({ kind: 'running', soFar: 1 })
})

test('what another device captures changes the verdicts here', async () => {
  const { store, server } = await openDay({ entries: [entry(28)], captures: [start] })
  server.emit('captures', [{ ...crossing(100_000), seq: 2, actorId: 'x', receivedMs: start.atMs + 100_000 }])
  expect(store.verdicts.get(entry(28).id)?.marks[1]).toMatchObject({ soFar: 1 })
})

test('marks follow captures also after the console that asked for them first is left', async () => {
  const { store } = await openDay({ entries: [entry(28)], captures: [start] })
  const console = effectScope()
  const marks = console.run(() => store.marksIn('run'))
  expect(marks?.value.get(entry(28).id)).toMatchObject({ soFar: 0 })
  console.stop()
  store.capture('run', entry(28).id, { kind: 'crossed', payload: {} })
  expect(store.marksIn('run').value.get(entry(28).id)).toMatchObject({ soFar: 1 })
})

test('a capture is sent with its moment, without an entry when nobody is known', async () => {
  const { store, server } = await openDay({ entries: [entry(28)] })
  const made = await store.capture('run', null, { kind: 'crossed', payload: {} })
  await vi.waitFor(() => expect(store.waitingCount).toBe(0))
  const { path, body } = server.asked[0] ?? {}
  expect(path).toMatch(/\/captures$/)
  expect((body as { captures: object[] }).captures[0]).toEqual({ ...made, entryId: undefined })
})

test('a refused capture leaves the verdicts and is told with bib, time and reason until it is dismissed', async () => {
  const { store, server, day } = await openDay({ entries: [entry(28)], captures: [start] })
  server.answer('POST', '/captures', () => problem(409, 'day.signedOff', 'The day is signed off.'))
  await store.capture('run', entry(28).id, { kind: 'crossed', payload: {} })
  await vi.waitFor(() => expect(store.refused).toHaveLength(1))
  expect(store.verdicts.get(entry(28).id)?.marks[1]).toMatchObject({ soFar: 0 })
  const saved = mount(DaySaved, { props: { day }, ...MOUNTED })
  await vi.waitFor(() => expect(saved.text()).toContain('1 refused, see why'))
  await store.dismissRefused(store.refused[0]?.id ?? '')
  await vi.waitFor(() => expect(saved.text()).not.toContain('see why'))
})

test('the bar says what waits, that the session ended, and that there is no connection', async () => {
  const { store, server, day } = await openDay({ entries: [entry(28)] })
  const saved = mount(DaySaved, { props: { day }, ...MOUNTED })
  expect(saved.text()).toMatch(/Clock agreed to \d+ ms\..*All saved\./)
  server.emit('error')
  await vi.waitFor(() => expect(saved.text()).toContain('All saved, no connection.'))
  server.answer('POST', '/captures', () => problem(401, 'access.signedOut', 'Sign in again.'))
  await store.capture('run', null, { kind: 'crossed', payload: {} })
  await vi.waitFor(() => expect(saved.text()).toContain('The session ended. Sign in to send them'))
  await vi.waitFor(() => expect(saved.text()).toContain('1 waiting on this device.'))
})

test('a day that may not be read says why, and an ended session is forgotten', async () => {
  const { store, session, server } = await openDay({ entries: [] })
  server.answer('GET', '/other', () => problem(401, 'access.signedOut', 'You are not signed in.'))
  await store.open('other')
  expect(store.day).toBeNull()
  expect(store.problem).toBe('You are not signed in.')
  expect(session.account).toBeNull()
})

test('what was stamped by the wall clock leaves this device only with its time by the agreed clock', async () => {
  // as after a reload without a network: the server's time is known from before, half a second wrong
  localStorage.setItem('able-gauge-clock', JSON.stringify({ wallOffsetMs: -500, uncertaintyMs: 4, wallMs: Date.now() }))
  let answerTime = (): void => undefined
  const whenAsked = new Promise<void>((resolve) => (answerTime = resolve))
  const { store, server } = await openDay({
    entries: [entry(28)],
    time: () => whenAsked.then(() => json({ serverMs: Date.now() })),
  })
  const clock = useAgreedClock()
  expect(clock.unsure).toBe(true)
  const early = await store.capture('run', null, { kind: 'crossed', payload: {} })
  // another is on its way to the disk when the server answers, and the connection is back, so that all is sent at once
  const late = store.capture('run', null, { kind: 'crossed', payload: {} })
  watch(
    () => clock.unsure,
    () => server.emit('open'),
    { flush: 'sync' },
  )
  answerTime()
  const made = new Map([early, await late].map(({ id, atMs }) => [id, atMs]))
  await vi.waitFor(() => expect(store.waitingCount).toBe(0))
  const sent = server.asked.flatMap(({ path, body }) =>
    path.endsWith('/captures') ? (body as { captures: Capture[] }).captures : [],
  )
  expect(sent).toHaveLength(2)
  for (const { id, atMs, uncertaintyMs } of sent) {
    expect(atMs - (made.get(id) ?? 0)).toBeGreaterThan(300)
    expect(uncertaintyMs).toBeLessThan(1_000)
  }
  expect(store.refused).toEqual([])
})

test('an answer that was overtaken takes back nothing that is newer', async () => {
  const { store, server, day } = await openDay({ entries: [entry(28)] })
  const named = (name: string) => json({ ...day, occasion: { ...day.occasion, name } })
  let asked = 0
  let letGo = (): void => undefined
  const held = new Promise<void>((resolve) => (letGo = resolve))
  server.answer('GET', `/${day.occasion.id}`, () =>
    (asked += 1) === 1 ? held.then(() => named('before')) : named('after'),
  )
  const both = [store.reread(day.occasion.id), store.reread(day.occasion.id), store.reread(day.occasion.id)]
  // long enough for an answer that need not wait to be there
  await new Promise((resolve) => setTimeout(resolve, 20))
  letGo()
  await Promise.all(both)
  expect(store.day?.occasion.name).toBe('after')
  expect(asked).toBe(2)
})

test('what was stamped by the wall clock is sent also when the clock was agreed while no day was open', async () => {
  localStorage.setItem('able-gauge-clock', JSON.stringify({ wallOffsetMs: -500, uncertaintyMs: 4, wallMs: Date.now() }))
  let answerTime = (): void => undefined
  const whenAsked = new Promise<void>((resolve) => (answerTime = resolve))
  const { store, server, day } = await openDay({
    entries: [entry(28)],
    time: () => whenAsked.then(() => json({ serverMs: Date.now() })),
  })
  const made = await store.capture('run', null, { kind: 'crossed', payload: {} })
  store.close()
  answerTime()
  const clock = useAgreedClock()
  await vi.waitFor(() => expect(clock.unsure).toBe(false))
  await store.open(day.occasion.id)
  await vi.waitFor(() => expect(server.asked.filter(({ path }) => path.endsWith('/captures'))).toHaveLength(1))
  const [{ body } = { body: {} }] = server.asked.filter(({ path }) => path.endsWith('/captures'))
  const [sent] = (body as { captures: Capture[] }).captures
  expect(sent?.id).toBe(made.id)
  expect((sent?.atMs ?? 0) - made.atMs).toBeGreaterThan(300)
})
