/** Every rule broken once, looked at in the consoles: the end is shown as the referee says, and nothing that is pressed afterwards changes it. */
import { flushPromises, mount } from '@vue/test-utils'
import { BROKEN_RULES, brokenEvent, plainStandard, soundStandard, type BrokenSeen } from '@able-gauge/core/testing'
import type { Capture, Mark } from '@able-gauge/core'
import { expect, test, vi } from 'vitest'
import { routeLocationKey, routerKey } from 'vue-router'
import { entry, MOUNTED, openDay } from '../../testing/openDay.ts'
import EventRoom from './EventRoom.vue'

const standard = soundStandard(plainStandard(BROKEN_RULES.map(brokenEvent), { id: 'broken-rules' }))
const HOUR_MS = 3_600_000
const candidate = entry(12)

/** What a grader may press by a slip; no key of these is an officer's or a correction. */
const PRESSES = [' ', '1', '2', '3', 'c', 'm', 't', 'p', 'Enter', '1', '2', 'Enter']

const saidOf = (mark: Mark | undefined) => {
  if (mark && 'measured' in mark) return mark.measured
  return mark?.kind === 'ended' ? mark.reason : mark?.kind
}

const opened = async (index: number, seen: readonly BrokenSeen[], startMs: number) => {
  const eventId = `event-${index}`
  const captures = seen.map(([afterMs, kind, payload = {}, deviceId = 'one'], at) => ({
    id: `01900000-0000-7000-8000-${String(index * 1_000 + at).padStart(12, '0')}`,
    eventId,
    entryId: kind === 'waveStarted' ? null : candidate.id,
    deviceId,
    deviceMs: afterMs,
    atMs: startMs + afterMs,
    uncertaintyMs: 0,
    kind,
    payload: kind === 'waveStarted' ? { wave: 1, entryIds: [candidate.id] } : payload,
    // written as a device writes it
  })) as unknown as Capture[]
  const { store, day, server } = await openDay({ entries: [candidate], captures, plain: standard, role: 'grader' })
  const route = { fullPath: '/', query: { bib: '12' }, params: { eventId } }
  const room = mount(EventRoom, {
    props: { day },
    global: {
      ...MOUNTED.global,
      mocks: { $route: route },
      provide: { [routeLocationKey as symbol]: route, [routerKey as symbol]: { replace: () => undefined } },
    },
  })
  // its console is fetched when it is first opened
  await vi.waitFor(() => expect(room.find('[aria-busy]').exists()).toBe(false), { timeout: 18_000 })
  /** What this page asked the server to store; another test's may still be on its way. */
  const stored = () => server.asked.filter(({ path }) => path.includes(day.occasion.id))
  return { room, stored, markNow: () => saidOf(store.marksIn(eventId).value.get(candidate.id)) }
}

const press = (key: string): void => {
  window.dispatchEvent(new KeyboardEvent('keydown', { key }))
  window.dispatchEvent(new KeyboardEvent('keyup', { key }))
}

test.each(BROKEN_RULES.map((one, index) => ({ ...one, index })))('$kind: $name', async (one) => {
  const { room, stored, markNow } = await opened(one.index, one.seen, Date.now() - HOUR_MS)
  expect(markNow()).toBe(one.comesTo)
  expect(room.text()).toContain('12')
  // ends are derived: a console that looks on writes nothing
  expect(stored()).toEqual([])
  if (one.comesTo === 'running') return
  for (const key of PRESSES) {
    press(key)
    await flushPromises()
  }
  expect(markNow()).toBe(one.comesTo)
})

test('the same keys do count while an event runs', async () => {
  const counting = BROKEN_RULES.findIndex(({ kind }) => kind === 'repetitionsInTime')
  const { stored, room } = await opened(counting, [[0, 'started']], Date.now() - 5_000)
  press(' ')
  await vi.waitFor(() => expect(JSON.stringify(stored())).toContain('"counted"'))
  expect(room.text()).toContain('12')
})
