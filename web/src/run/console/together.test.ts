/** Several who start together, on every console that has it: one start for all, each stopped, timed and counted on their own. */
import { flushPromises, mount } from '@vue/test-utils'
import { KIND_CASES, plainEvent, plainStandard, soundStandard } from '@able-gauge/core/testing'
import type { EventKind, StandardEvent } from '@able-gauge/core'
import { expect, onTestFinished, test, vi } from 'vitest'
import type { Component } from 'vue'
import { routeLocationKey, routerKey } from 'vue-router'
import { entry, MOUNTED, openDay } from '../../../testing/openDay.ts'
import { useAgreedClock } from '../../sync/agreedClock.ts'
import HoldConsole from '../kinds/hold/HoldConsole.vue'
import LanesConsole from '../kinds/repetitions/LanesConsole.vue'
import SprintGroupConsole from '../kinds/sprint/SprintGroupConsole.vue'
import StepGroupConsole from '../kinds/steps/StepGroupConsole.vue'
import StartCommands from '../start/StartCommands.vue'

/** Said before the start, so that it is not given by the key alone. */
const WORDS = ['Get ready', 'Set', 'Go']
/** What comes within a second or two is waited for so long on a busy machine. */
const SOON = 10_000
const [ANNA, BO, CAI] = [entry(28), entry(29), entry(30)]

const openGroup = async (console: Component, kind: EventKind, change: object = {}) => {
  const kindCase = KIND_CASES.find((one) => one.kind === kind)
  if (!kindCase) throw new Error(`There is no case of ${kind}.`)
  const [plain] = [
    plainEvent(
      { ...kindCase, protocol: { ...kindCase.protocol, startCommands: WORDS, ...change } },
      { kind: 'effort' },
    ),
  ]
  const { store, day } = await openDay({
    entries: [ANNA, BO, CAI],
    role: 'grader',
    plain: soundStandard(plainStandard([plain])),
  })
  const event = day.standard.events[0] as StandardEvent
  const route = { fullPath: '/', query: {}, params: { eventId: event.id } }
  const room = mount(console, {
    props: { day, event },
    attachTo: document.body,
    global: {
      ...MOUNTED.global,
      mocks: { $route: route },
      provide: { [routeLocationKey as symbol]: route, [routerKey as symbol]: { replace: () => undefined } },
    },
  })
  await flushPromises()
  /** The start words are said, and the last of them is Go. */
  const start = async (agoMs: number): Promise<void> => {
    press('s')
    await flushPromises()
    const moment = useAgreedClock().moment()
    if (!moment) throw new Error('The clock is not agreed.')
    room.getComponent(StartCommands).vm.$emit('go', { ...moment, atMs: moment.atMs - agoMs })
    await flushPromises()
  }
  const ownOf = (id: string) => store.settledIn(event.id).value.filter(({ entryId }) => entryId === id)
  const kindsOf = (id: string): string[] => ownOf(id).map(({ kind: captured }) => captured)
  return { room, start, ownOf, kindsOf }
}

const press = (key: string): void => {
  window.dispatchEvent(new KeyboardEvent('keydown', { key }))
  window.dispatchEvent(new KeyboardEvent('keyup', { key }))
}

test('a sprint: one start at one moment, a touch for each at the finish, a false start for all who run', async () => {
  const { room, start, ownOf, kindsOf } = await openGroup(SprintGroupConsole, 'sprint', {
    attemptsAllowed: 2,
    timing: 'either',
  })
  await start(9_000)
  const starts = [ANNA, BO, CAI].map(({ id }) => ownOf(id)[0]?.atMs)
  expect(new Set(starts).size).toBe(1)
  press('2')
  await flushPromises()
  expect(kindsOf(BO.id)).toEqual(['started', 'crossed'])
  expect(kindsOf(ANNA.id)).toEqual(['started'])
  // who is at the finish is not touched again, and a false start takes back only those who still run
  press('2')
  press('r')
  await flushPromises()
  expect(kindsOf(BO.id)).toEqual(['started', 'crossed'])
  expect(kindsOf(ANNA.id)).toEqual([])
  // a gate timed them all
  await room.get('input[type=checkbox]').setValue(true)
  for (const { id } of [ANNA, BO, CAI])
    expect(ownOf(id).at(-1)).toMatchObject({ kind: 'read', payload: { slot: 'electronic', value: 1 } })
})

test('a hold: clocks run, a touch stops one, and the cap stops the others with nothing pressed', async () => {
  const { room, start, kindsOf } = await openGroup(HoldConsole, 'heldPosition', { capMs: 60_000 })
  await start(57_000)
  const times = (): string[] => room.findAll('[data-bib].time').map((time) => time.text())
  await vi.waitFor(() => expect(times()[0]).toMatch(/^0:5[89]/), SOON)
  press('2')
  await flushPromises()
  expect(kindsOf(BO.id)).toEqual(['started', 'stopped'])
  await vi.waitFor(() => expect(room.findAll('li.over')).toHaveLength(3), SOON)
  expect(times()).toEqual(['1:00.0', expect.stringMatching(/^0:5[89]/), '1:00.0'])
  // the first watch is through, and a backup may still stop who has no time of it
  press('1')
  await flushPromises()
  expect(kindsOf(ANNA.id)).toEqual(['started'])
  await room.get('select').setValue('2')
  press('1')
  await flushPromises()
  expect(kindsOf(ANNA.id)).toEqual(['started', 'crossed'])
})

test('a step test: who stops early is out alone, the others go on to a pulse of their own', async () => {
  const { room, start, kindsOf } = await openGroup(StepGroupConsole, 'stepTest')
  await start(20_000)
  expect(room.text()).toContain('of ')
  press('3')
  await flushPromises()
  expect(kindsOf(CAI.id)).toEqual(['started', 'stopped'])
  expect(kindsOf(ANNA.id)).toEqual(['started'])
  expect(room.findAll('.running')).toHaveLength(2)
  // out already: a second press changes nothing
  press('3')
  await flushPromises()
  expect(kindsOf(CAI.id)).toEqual(['started', 'stopped'])
})

test('a step test that is over takes each pulse, and refuses what is none', async () => {
  const { room, start, ownOf } = await openGroup(StepGroupConsole, 'stepTest')
  await start(3_600_000)
  const field = () => room.get(`#pulse-${ANNA.id}`)
  await vi.waitFor(field)
  const enter = async (text: string): Promise<void> => {
    await field().setValue(text)
    await room.get('form.enter').trigger('submit')
    await flushPromises()
  }
  for (const text of ['', '0', '301', '7x']) await enter(text)
  expect(ownOf(ANNA.id).map(({ kind }) => kind)).toEqual(['started'])
  // 74 in a quarter of a minute: asked first
  await enter('74')
  expect(room.get('[role=alert]').text()).toContain('Enter 74 again if it is right')
  expect(ownOf(ANNA.id).map(({ kind }) => kind)).toEqual(['started'])
  await enter('33')
  expect(ownOf(ANNA.id).at(-1)).toMatchObject({ kind: 'read', payload: { slot: 'pulse', value: 33 } })
  expect(room.find(`#pulse-${ANNA.id}`).exists()).toBe(false)
  expect(room.find(`#pulse-${BO.id}`).exists()).toBe(true)
})

test('lanes: each key counts in its own lane, and one that has ended counts no more', async () => {
  const { start, kindsOf } = await openGroup(LanesConsole, 'repetitionsInTime')
  await start(4_000)
  for (const key of ['1', '1', '2', 'a', 'z', '1']) press(key)
  await flushPromises()
  expect(kindsOf(ANNA.id)).toEqual(['started', 'counted', 'counted', 'cautioned', 'stopped'])
  expect(kindsOf(BO.id)).toEqual(['started', 'counted'])
  expect(kindsOf(CAI.id)).toEqual(['started'])
})

test('lanes: a pause longer than allowed ends that lane, with nothing pressed', async () => {
  const { room, start, kindsOf } = await openGroup(LanesConsole, 'repetitionsInTime', { longestPauseMs: 2_000 })
  await start(100)
  press('1')
  await flushPromises()
  expect(room.findAll('li.over')).toHaveLength(0)
  await vi.waitFor(() => expect(room.findAll('li.over .bib').map((bib) => bib.text())).toContain('28'), SOON)
  press('1')
  await flushPromises()
  expect(kindsOf(ANNA.id)).toEqual(['started', 'counted'])
})

test('lanes: the time that runs out ends them all, with nothing pressed', async () => {
  const { room, start } = await openGroup(LanesConsole, 'repetitionsInTime', { durationMs: 60_000 })
  await start(58_000)
  expect(room.findAll('li.running')).toHaveLength(3)
  await vi.waitFor(() => expect(room.findAll('li.over')).toHaveLength(3), SOON)
})

/** Each look at the clock takes its time, so that every judgement is a slow one. */
const judgeSlowly = (): void => {
  let slowMs = 0
  const now = performance.now.bind(performance)
  const slowly = vi.spyOn(performance, 'now').mockImplementation(() => now() + (slowMs += 5))
  onTestFinished(() => slowly.mockRestore())
}

test('lanes: whoever has just ended is not taken again as under way, while a slow device still judges it', async () => {
  const { room, start } = await openGroup(LanesConsole, 'repetitionsInTime', { longestPauseMs: 60_000 })
  await start(1_000)
  judgeSlowly()
  for (const key of ['1', 'z', 'v', 'b']) press(key)
  await flushPromises()
  press('n')
  await flushPromises()
  expect(room.findAll('.tiles li')).toHaveLength(0)
})

test('lanes: nor is, as waiting, whoever has ended before a slow device has judged the start', async () => {
  judgeSlowly()
  const { room, start } = await openGroup(LanesConsole, 'repetitionsInTime', { longestPauseMs: 60_000 })
  await start(1_000)
  for (const key of ['z', 'v', 'b']) press(key)
  await flushPromises()
  press('n')
  await flushPromises()
  expect(room.findAll('.tiles li')).toHaveLength(0)
})
