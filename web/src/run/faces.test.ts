/**
 * A console has several faces: keys and touch, one candidate and several together. Whoever does the same at each of them puts the
 * same on record, and is judged the same.
 */
import { DOMWrapper, flushPromises, mount, type VueWrapper } from '@vue/test-utils'
import { afterEach, expect, test, vi } from 'vitest'
import { nextTick, type Component } from 'vue'
import type { EventKind } from '@able-gauge/core'
import { KIND_CASES, plainEvent, plainStandard, soundStandard } from '@able-gauge/core/testing'
import { closeDays, entry, MOUNTED, openDay } from '../../testing/openDay.ts'
import { useAgreedClock } from '../sync/agreedClock.ts'
import { CONSOLES } from './consoles.ts'

/** One thing done: its key, and the words of its button; where several stand side by side the first has keys of its own. */
interface Press {
  readonly key: string
  readonly button: RegExp
  readonly laneKey?: string
  readonly laneButton?: RegExp
}
interface Work {
  readonly presses: readonly Press[]
  /** What it comes to, where that is no matter of time. */
  readonly comesTo?: number
  /** Before it nobody has to be started. */
  readonly unstarted?: boolean
}

const count = { key: ' ', button: /^Count/, laneKey: '1', laneButton: /^Count/ }
const caution = { key: 'c', button: /^Caution/, laneKey: 'a', laneButton: /^Caution/ }
const REPETITIONS: Work = { presses: [count, count, count, caution, count], comesTo: 4 }

const WORK: Partial<Record<EventKind, Work>> = {
  repetitionsInTime: REPETITIONS,
  repetitionsToFailure: REPETITIONS,
  repetitionsToCadence: {
    presses: [count, count, { key: 'm', button: /^Missed beat/, laneKey: '5', laneButton: /^Missed beat/ }, count],
    comesTo: 3,
  },
  heldPosition: { presses: [{ key: '1', button: /^Position lost/ }] },
  sprint: { presses: [{ key: ' ', button: /Finish|finish/ }] },
  heaviestLift: {
    presses: [{ key: 'g', button: /^Good/ }],
    unstarted: true,
  },
  untimedTask: { presses: [{ key: ' ', button: /^Done/ }], comesTo: 1, unstarted: true },
  stationCourse: {
    presses: [
      { key: 't', button: /^Fault/ },
      { key: ' ', button: /complete/ },
    ],
  },
  workChain: { presses: [{ key: ' ', button: /complete|done|Run out/ }] },
}

vi.setConfig({ testTimeout: 60_000 })
const STARTED_AGO_MS = 8_000
const CANDIDATE = entry(1)

const openFor = async (kind: EventKind) => {
  const one = KIND_CASES.find((each) => each.kind === kind)
  if (!one) throw new Error(`There is no case of ${kind}.`)
  const plain = soundStandard(plainStandard([plainEvent(one, { kind: 'effort' })]))
  const { store, day } = await openDay({ entries: [CANDIDATE], plain, role: 'grader' })
  const [event] = plain.events
  if (!event) throw new Error('The standard has no event.')
  return { store, day, event }
}

let face: VueWrapper | undefined
/** One face at a time: another one would hear the same keys. */
const putAway = (): void => {
  face?.unmount()
  face = undefined
  closeDays()
}
afterEach(putAway)

type How = 'keys' | 'touch'
/** What is on screen, whichever component drew it: a console comes after what stands there until it is fetched. */
const page = new DOMWrapper(document.body)
const buttonWith = (words: RegExp) => {
  const buttons = page.findAll('button').filter((one) => !one.attributes('disabled'))
  const found = buttons.find((one) => words.test(one.text()) || words.test(one.attributes('aria-label') ?? ''))
  if (!found) throw new Error(`No button says ${words}; there are: ${buttons.map((one) => one.text()).join(' | ')}`)
  return found
}
const press = async (how: How, key: string, words: RegExp): Promise<void> => {
  if (how === 'keys') window.dispatchEvent(new KeyboardEvent('keydown', { key }))
  else {
    const button = buttonWith(words)
    // a pad takes its moment when the finger comes down
    await button.trigger('pointerdown')
    await button.trigger('click')
  }
  await nextTick()
}

/** Does a kind's work at one face. @returns what is on record then, and what it comes to */
const workAt = async (kind: EventKind, console: Component, how: How, inLane: boolean) => {
  const { presses, comesTo, unstarted = false } = WORK[kind] ?? { presses: [] }
  const { store, day, event } = await openFor(kind)
  const moment = useAgreedClock().moment()
  if (!moment) throw new Error('The clock is not agreed.')
  if (!unstarted) {
    const started = { ...moment, atMs: moment.atMs - STARTED_AGO_MS }
    store.capture(event.id, CANDIDATE.id, { kind: 'started', payload: {} }, started)
  }
  face = mount(console, {
    props: { day, event, entry: CANDIDATE, following: undefined },
    attachTo: document.body,
    ...MOUNTED,
  })
  // a console is fetched when it is opened
  await vi.waitFor(() => expect(page.findAll('button').length).toBeGreaterThan(0), { timeout: 20_000 })
  await flushPromises()
  for (const { key, button, laneKey, laneButton } of presses)
    await press(how, inLane ? (laneKey ?? key) : key, inLane ? (laneButton ?? button) : button)
  const captured = store.allIn(event.id)
  // they end; that a button has to be held for it is another test's
  if (comesTo !== undefined && !unstarted)
    store.capture(event.id, CANDIDATE.id, { kind: 'stopped', payload: { reason: 'ended' } })
  const mark = store.verdicts.get(CANDIDATE.id)?.marks[0]
  const record = {
    captured: captured.map(({ kind: one, payload, entryId }) => ({ one, payload, entryId })),
    measured: mark && 'measured' in mark ? mark.measured : null,
    kind: mark?.kind,
  }
  putAway()
  return record
}

for (const [kind, { presses, comesTo, unstarted }] of Object.entries(WORK) as [EventKind, Work][]) {
  test(`${kind}: keys and touch, one and several together put the same on record`, async () => {
    const { ofOne, ofGroup, inLanes } = CONSOLES[kind]
    const faces = [
      ...[ofOne, ofGroup].flatMap((one) => (one ? [{ console: one, inLane: false }] : [])),
      // several who finish by their own bib are worked otherwise than one
      ...(inLanes && presses.some(({ laneKey }) => laneKey) ? [{ console: inLanes, inLane: true }] : []),
    ]
    const records = []
    for (const { console, inLane } of faces)
      for (const how of ['keys', 'touch'] as const) records.push(await workAt(kind, console, how, inLane))
    const [first, ...others] = records
    expect(first?.captured).toHaveLength(presses.length + (unstarted ? 0 : 1))
    for (const other of others) {
      expect(other.captured).toEqual(first?.captured)
      expect(other.kind).toBe(first?.kind)
    }
    if (comesTo !== undefined) expect(records.map(({ measured }) => measured)).toEqual(records.map(() => comesTo))
  })
}
