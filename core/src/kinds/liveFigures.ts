/** What following the stamps of one candidate gives, whatever the kind of event. */
import type { EndReason, Note } from './measure.ts'
import type { Readings } from './slot.ts'

export interface LiveWork {
  /** Whether anything has begun. */
  readonly begun: boolean
  /** How much is done, in what the event is made of: stations, laps, lifts. */
  readonly soFar: number
  /** Figures that are final, by slot. */
  readonly readings: Readings
  /** When the work itself ends the event. */
  readonly end?: { readonly reason: EndReason; readonly note: string }
  /** Whether a stop that comes later ends nothing any more. */
  readonly isFinal?: true
  /** How far two devices' clocks may disagree about the figures. */
  readonly clockUncertaintyMs: number
  readonly notes: readonly Note[]
}

export const NOTHING_LIVE: LiveWork = { begun: false, soFar: 0, readings: {}, clockUncertaintyMs: 0, notes: [] }
