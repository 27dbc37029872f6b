/**
 * A console has several faces: keys and touch, one candidate and several together. Whoever does the same at each of them puts the
 * same on record, and is judged the same.
 */
import { DOMWrapper, flushPromises, mount, type VueWrapper } from '@vue/test-utils'
import { afterEach, expect, test, vi } from 'vitest'
import { nextTick, type Component } from 'vue'
import { kindOf, printField, type EventKind } from '@able-gauge/core'
import { KIND_CASES, plainEvent, plainStandard, soundStandard, type KindCase } from '@able-gauge/core/testing'
import { closeDays, entry, MOUNTED, openDay } from '../../testing/openDay.ts'
import { useAgreedClock } from '../sync/agreedClock.ts'
import { figureOf } from '../ui/verdictWords.ts'
import { CONSOLES, READINGS } from './consoles.ts'

/** One thing done: its keys one after the other, and the words of its button; where several stand side by side the first has keys of its own. */
interface Press {
  readonly key: string | readonly string[]
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
  /** Where a whole wave starts together. */
  readonly inWave?: boolean
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
  timedDistance: { presses: [{ key: ['1', 'Enter'], button: /^Bib 1,/ }], inWave: true },
  distanceInTime: { presses: [{ key: ['1', 'Enter'], button: /^1.*lap/ }], inWave: true },
  progressiveShuttle: {
    presses: [
      { key: ['1', 'Enter'], button: /^Bib 1,.*missed the line/ },
      { key: ['1', 'o'], button: /^Bib 1 steps out/ },
    ],
    inWave: true,
  },
  stepTest: { presses: [{ key: 'e', button: /^Stops early/, laneKey: '1' }] },
}

vi.setConfig({ testTimeout: 60_000 })
const STARTED_AGO_MS = 9_000
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

type Opened = Awaited<ReturnType<typeof openFor>>
const capturedIn = (store: Opened['store'], eventId: string) =>
  store.allIn(eventId).map(({ kind, payload, entryId }) => ({ kind, payload, entryId }))

/** What a candidate comes to, as far as it does not tell when. */
const outcomeIn = ({ store }: Opened) => {
  const mark = store.verdicts.get(CANDIDATE.id)?.marks[0]
  return { kind: mark?.kind, figure: mark ? figureOf(mark) : null }
}
/** Where judging is slow, captures are gathered for a moment before it. */
const gathered = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 300))

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
const press = async (how: How, keys: string | readonly string[], words: RegExp): Promise<void> => {
  if (how === 'keys') for (const key of [keys].flat()) window.dispatchEvent(new KeyboardEvent('keydown', { key }))
  else {
    const button = buttonWith(words)
    // a pad takes its moment when the finger comes down
    await button.trigger('pointerdown')
    await button.trigger('click')
  }
  await nextTick()
}

const show = async (console: Component, { day, event }: Opened): Promise<void> => {
  face = mount(console, {
    props: { day, event, entry: CANDIDATE, following: undefined },
    attachTo: document.body,
    ...MOUNTED,
  })
  // a console is fetched when it is opened
  await vi.waitFor(() => expect(page.findAll('button').length).toBeGreaterThan(0), { timeout: 20_000 })
  await flushPromises()
}

/** Does a kind's work at one face. @returns what is on record then, and what it comes to */
const workAt = async (kind: EventKind, console: Component, how: How, inLane: boolean) => {
  const { presses, comesTo, unstarted = false, inWave = false } = WORK[kind] ?? { presses: [] }
  const opened = await openFor(kind)
  const { store, event } = opened
  const moment = useAgreedClock().moment()
  if (!moment) throw new Error('The clock is not agreed.')
  if (!unstarted) {
    const started = { ...moment, atMs: moment.atMs - STARTED_AGO_MS }
    if (inWave)
      store.capture(event.id, null, { kind: 'waveStarted', payload: { wave: 1, entryIds: [CANDIDATE.id] } }, started)
    else store.capture(event.id, CANDIDATE.id, { kind: 'started', payload: {} }, started)
  }
  await show(console, opened)
  for (const { key, button, laneKey, laneButton } of presses)
    await press(how, inLane ? (laneKey ?? key) : key, inLane ? (laneButton ?? button) : button)
  const captured = capturedIn(store, event.id)
  // they end; that a button has to be held for it is another test's
  if (comesTo !== undefined && !unstarted)
    store.capture(event.id, CANDIDATE.id, { kind: 'stopped', payload: { reason: 'ended' } })
  if (outcomeIn(opened).kind === 'running') await gathered()
  const record = { ...outcomeIn(opened), captured }
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
    if (comesTo !== undefined) expect(records.map(({ figure }) => figure)).toEqual(records.map(() => comesTo))
  })
}

/** Takes a kind's figures from a card: typed, or by the large keys of a phone. @returns what is on record then, and what it comes to */
const readAt = async ({ kind, readings, rounded: comesTo }: KindCase, how: How) => {
  const opened = await openFor(kind)
  await show(READINGS, opened)
  const { protocol } = opened.event
  for (const slot of kindOf(protocol).slots(protocol)) {
    const value = readings[slot.id]
    if (value === undefined) continue
    // the large keys have a point for every sign
    const text = slot.unit === 'done' ? String(value) : printField(value, slot).replace('/', '.')
    const field = page.get(`#slot-${slot.id}`)
    await field.trigger('focus')
    if (how === 'keys') await field.setValue(text)
    else
      for (const digit of text)
        await page
          .findAll('.number-pad button')
          .find((one) => one.text() === digit)
          ?.trigger('click')
    if (how === 'keys') await field.trigger('keydown', { key: 'Enter' })
    else await page.get('.number-pad .enter').trigger('click')
  }
  if (outcomeIn(opened).figure !== comesTo) await gathered()
  const record = { ...outcomeIn(opened), captured: capturedIn(opened.store, opened.event.id) }
  putAway()
  return record
}

for (const one of KIND_CASES) {
  test(`${one.kind}: figures from a card, typed or by the large keys, come to the same`, async () => {
    const typed = await readAt(one, 'keys')
    const touched = await readAt(one, 'touch')
    expect(typed.captured).toHaveLength(Object.keys(one.readings).length)
    expect(touched).toEqual(typed)
    expect(typed.figure).toBe(one.rounded)
  })
}
