/** What the captures of one candidate amount to by stamps, whatever the kind of event. */
import type { EndReason } from '../referee/ends.ts'
import type { Exact } from '../quantity/fraction.ts'
import type { Note, Reading } from './measure.ts'
import type { Readings } from './slot.ts'

export interface Stamped {
  /** Whether anything has begun. */
  readonly begun: boolean
  /** How much is done, in what the event is made of: stations, laps, lifts. */
  readonly soFar: number
  /** Whether `soFar` is a count of its own, rather than in the event's unit. */
  readonly soFarIsCount?: true
  /** Out of how many, where the ground makes it another number than the protocol. */
  readonly of?: number
  /** Figures that are final, by slot. */
  readonly readings: Readings
  /** What was observed of it, where that tells more than figures read. */
  readonly observed?: { readonly value: Exact; readonly reading: Reading }
  /** When it ends without a measure. `byRule`: by the event's own rules, so that figures from a card come before it. */
  readonly end?: { readonly reason: EndReason; readonly note?: string; readonly byRule?: true }
  /** How far two devices' clocks may disagree about the figures. */
  readonly clockUncertaintyMs: number
  readonly notes: readonly Note[]
}

export const NOTHING_STAMPED: Stamped = { begun: false, soFar: 0, readings: {}, clockUncertaintyMs: 0, notes: [] }
