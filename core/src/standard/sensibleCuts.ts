/** Between which values a cut can be meant seriously. Wide on purpose: it finds wrong units and slipped digits, no opinions. */
import type { EventKind } from '../protocol/eventKind.ts'
import type { StandardEvent } from './standard.ts'

interface Range {
  readonly least: number
  readonly most: number
}

/** Faster than any human has run, and slower than a stroll with stops, in ms for each metre. */
const FASTEST_MS_PER_M = 95
const SLOWEST_MS_PER_M = 2_400
/** Two repetitions a second are beyond what can be counted. */
const QUICKEST_REPETITION_MS = 500

export const SENSIBLE_CUTS: Readonly<Record<EventKind, (event: StandardEvent) => Range>> = {
  repetitionsInTime: ({ protocol }) => ({
    least: 1,
    most: protocol.kind === 'repetitionsInTime' ? Math.floor(protocol.durationMs / QUICKEST_REPETITION_MS) : 0,
  }),
  timedDistance: ({ protocol }) => {
    const metres = protocol.kind === 'timedDistance' ? protocol.distanceMm / 1000 : 0
    return { least: Math.ceil(metres * FASTEST_MS_PER_M), most: Math.floor(metres * SLOWEST_MS_PER_M) }
  },
}
