/** Captures -> measure: what the referee of the event's kind makes of the stamps, and what was read and entered. */
import { byCandidate } from '../capture/byCandidate.ts'
import type { Capture } from '../capture/capture.ts'
import type { Doubt } from '../referee/referee.ts'
import { factsOf } from './facts.ts'
import type { Stood } from './kind.ts'
import { kindOf } from './kinds.ts'
import type { Measure } from './measure.ts'
import { measuredAs } from './measure.ts'
import { measureReadings } from './measureReadings.ts'
import { joined, notesOf } from './notes.ts'
import { readingsIn } from './readingsIn.ts'
import { readingDoubts } from './readingDoubts.ts'
import type { Readings } from './slot.ts'
import { isFilled, type PublishedProtocol } from './slots.ts'
import { NOTHING_STAMPED, type Stamped } from './stamped.ts'
import { startOf, startsIn, waveStarts, type WaveStart } from './waveStart.ts'

/** What measuring has to know of an event. */
export type MeasuredEvent = Pick<PublishedProtocol, 'protocol'>

/** The candidate as the rules need to know them. */
export interface EntryInEvent {
  readonly entryId: string
  readonly wave: number
  /** Scoring category; some rules hold for one only. */
  readonly category?: string
}

/**
 * Measures one candidate in one event.
 * @param settled the event's settled captures, of everybody
 * @param asOfMs the moment it is judged as of: what was due by then has happened; null: only what captures tell
 */
export const measureEntry = (
  event: MeasuredEvent,
  entry: EntryInEvent,
  settled: readonly Capture[],
  asOfMs: number | null = null,
): Measure => {
  const own = settled.filter(({ entryId }) => entryId === entry.entryId)
  return measureOwn(event, entry, own, startOf(entry, waveStarts(settled), own), asOfMs)
}

/**
 * Measures one candidate from what is their own.
 * @param own settled captures of the candidate in the event, in order
 * @param start of the candidate's wave, where there is one
 */
export const measureOwn = (
  event: MeasuredEvent,
  entry: EntryInEvent,
  own: readonly Capture[],
  start: WaveStart | undefined,
  asOfMs: number | null,
): Measure => {
  const { protocol } = event
  const kind = kindOf(protocol)
  const stood = kind.stood(protocol, { category: '', ...entry }, own, kind.startsTogether ? start : undefined, asOfMs)
  return withObserved(measureStood(event, own, stood), own, event, stood)
}

/** What was noticed on the way, and until when it holds. */
const withObserved = (
  measure: Measure,
  own: readonly Capture[],
  { protocol }: MeasuredEvent,
  stood: Stood,
): Measure => {
  const { refused, doubts: found, changesAtMs, stamped, span } = stood
  const doubts: readonly Doubt[] = [...found, ...readingDoubts(protocol, own, stood)]
  return {
    ...measure,
    notes: joined([...notesOf(refused), ...stamped.notes, ...measure.notes]),
    ...(doubts.length > 0 ? { doubts } : {}),
    ...(span ? { span } : {}),
    ...(changesAtMs === null ? {} : { changesAtMs }),
  }
}

/**
 * An end that somebody captured comes before the figures; a figure that was entered takes the place of the one that follows from stamps,
 * and comes before an end by rule.
 */
const measureStood = ({ protocol }: MeasuredEvent, own: readonly Capture[], { stamped }: Stood): Measure => {
  const entered = readingsIn(own)
  const hasEntered = Object.keys(entered).length > 0
  const readings = { ...stamped.readings, ...entered }
  const { unit } = factsOf(protocol)
  const soFarUnit = stamped.soFarIsCount ? 'count' : unit
  const { end } = stamped
  if (end && !(end.byRule && hasEntered && isFilled(protocol, readings))) {
    const { reason, note, byRule } = end
    const soFar = byRule || stamped.soFarIsCount ? stamped.soFar : Math.max(stamped.soFar, Object.keys(readings).length)
    return { kind: 'ended', reason, ...(note ? { note } : {}), soFar, unit: soFarUnit, notes: [] }
  }
  if (!hasEntered && stamped.observed) {
    const { value, reading } = stamped.observed
    const { clockUncertaintyMs } = stamped
    return { kind: 'complete', ...measuredAs(value), unit, reading, clockUncertaintyMs, notes: [] }
  }
  const measure = measureReadings(protocol, readings, {
    stamped: new Set(Object.keys(stamped.readings).filter((id) => !(id in entered))),
    clockUncertaintyMs: clockDoubtOf(stamped, entered),
  })
  return measure.kind === 'notStarted' && stamped.begun
    ? { kind: 'running', soFar: stamped.soFar, ...(stamped.of ? { of: stamped.of } : {}), unit: soFarUnit, notes: [] }
    : measure
}

const clockDoubtOf = ({ clockUncertaintyMs, readings }: Stamped, entered: Readings): number =>
  Object.keys(readings).every((id) => id in entered) ? NOTHING_STAMPED.clockUncertaintyMs : clockUncertaintyMs

/**
 * Measures everybody in one event, going through the captures once.
 * @param settled the event's settled captures
 * @param asOfMs the moment it is judged as of; null: only what captures tell
 */
export const measureEvent = (
  event: MeasuredEvent,
  entries: readonly EntryInEvent[],
  settled: readonly Capture[],
  asOfMs: number | null,
): Map<string, Measure> => {
  const { of: ownOf } = byCandidate(settled)
  const startFor = startsIn(waveStarts(settled))
  return new Map(
    entries.map((entry) => {
      const own = ownOf.get(entry.entryId) ?? []
      return [entry.entryId, measureOwn(event, entry, own, startFor(entry, own), asOfMs)]
    }),
  )
}
