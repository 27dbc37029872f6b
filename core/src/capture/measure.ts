/** What the captures of one candidate in one event amount to. */
import type { Unit } from '../quantity/unit.ts'

/** What a reducer noticed on the way; kept for the trace. */
export type Note =
  | { readonly code: 'countedAfterEnd'; readonly count: number }
  | { readonly code: 'countedBeforeStart'; readonly count: number }
  | { readonly code: 'secondStartIgnored'; readonly count: number }
  | { readonly code: 'restarted'; readonly reason: string; readonly countedBefore: number }
  | { readonly code: 'restartRefused'; readonly reason: string; readonly why: 'notInProtocol' | 'tooMany' | 'tooLate' }
  | { readonly code: 'crossedBeforeStart'; readonly count: number }
  | { readonly code: 'crossedAfterEnd'; readonly count: number }

export interface RepetitionTally {
  readonly counted: number
  readonly refused: Readonly<Record<string, number>>
  readonly cautions: number
}

/** The figures behind a measure. */
export type Reading =
  /** Taken over from a file or a card, without captures. */
  | { readonly kind: 'entered' }
  | {
      readonly kind: 'repetitions'
      readonly startedAtMs: number
      readonly tally: RepetitionTally
      readonly endedBy: 'time' | 'ended' | 'cautions'
    }
  | {
      readonly kind: 'crossings'
      readonly startedAtMs: number
      readonly finishedAtMs: number
      readonly splitsMs: readonly number[]
    }

export type EndReason = 'didNotFinish' | 'safety' | 'withdrawn' | 'disqualified'

export type Measure =
  | { readonly kind: 'notStarted'; readonly notes: readonly Note[] }
  | { readonly kind: 'running'; readonly soFar: number; readonly unit: Unit; readonly notes: readonly Note[] }
  | {
      readonly kind: 'complete'
      readonly value: number
      readonly unit: Unit
      readonly reading: Reading
      /** How far the clocks of two devices may disagree about this value; 0 when one device took it. */
      readonly clockUncertaintyMs: number
      readonly notes: readonly Note[]
    }
  | {
      readonly kind: 'ended'
      readonly reason: EndReason
      readonly note?: string
      readonly soFar: number
      readonly unit: Unit
      readonly notes: readonly Note[]
    }
