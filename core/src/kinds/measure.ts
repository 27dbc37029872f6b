/** What the captures of one candidate in one event amount to. */
import type { FieldForm } from '../quantity/field.ts'
import { nearestWhole, type Exact, type Fraction } from '../quantity/fraction.ts'
import type { Unit } from '../quantity/unit.ts'
import type { Doubt } from '../referee/referee.ts'
import type { EndReason } from '../referee/ends.ts'
import type { Span } from '../referee/span.ts'

/** What a reducer noticed on the way; kept for the trace. */
export type Note =
  | { readonly code: 'countedAfterEnd'; readonly count: number }
  | { readonly code: 'countedBeforeStart'; readonly count: number }
  | { readonly code: 'secondStartIgnored'; readonly count: number }
  | { readonly code: 'restarted'; readonly reason: string; readonly countedBefore: number }
  | { readonly code: 'restartRefused'; readonly reason: string; readonly why: 'notInProtocol' | 'tooMany' | 'tooLate' }
  | { readonly code: 'crossedBeforeStart'; readonly count: number }
  | { readonly code: 'crossedAfterEnd'; readonly count: number }
  | { readonly code: 'stampedTwice'; readonly count: number }
  | { readonly code: 'stampEstimated'; readonly laps: readonly number[] }
  | { readonly code: 'outOfOrder'; readonly part: string }
  /** Not done when the event's limit was reached. */
  | { readonly code: 'limitReached'; readonly limitMs: number }
  | { readonly code: 'lastMark'; readonly laps: number; readonly beyondLineMm: number }
  /** Run on laps of another length than the standard speaks of. */
  | { readonly code: 'measuredLap'; readonly lapMm: number; readonly publishedMm: number }
  /** What the figures themselves end: at which station or segment, in the protocol's own words. */
  | { readonly code: 'faultsTooMany'; readonly where: string; readonly faults: number; readonly allowed: number }
  | { readonly code: 'failedAtOnce'; readonly where: string; readonly what: readonly string[] }
  | { readonly code: 'notComplete'; readonly where: string; readonly done: number; readonly of: number }
  | { readonly code: 'notDone' }
  | { readonly code: 'stoppedOnTheWay' }
  | { readonly code: 'stoppedBeforeTheTime' }
  /** The published formula holds for fewer repetitions. */
  | { readonly code: 'outsideFormula'; readonly most: number; readonly repetitions: number }

export interface RepetitionTally {
  readonly counted: number
  readonly refused: Readonly<Record<string, number>>
  readonly cautions: number
}

/** One figure as it was read. */
export interface TakenReading extends FieldForm {
  readonly slot: string
  readonly label: string
  readonly value: number
  /** Whether it follows from what was stamped, rather than being entered. */
  readonly stamped?: true
}

/** What was done with the figures on the way to one value. */
export type ReadingStep =
  | {
      readonly code: 'watches'
      readonly count: number
      readonly by: 'slower' | 'middle' | 'mean'
      readonly elapsedMs: number
    }
  | { readonly code: 'selected'; readonly select: 'best' | 'mean' | 'last' | 'sum'; readonly of: number }
  | {
      readonly code: 'sides'
      readonly ofSides: 'lesser' | 'greater' | 'mean' | 'sum'
      readonly left: number
      readonly right: number
    }
  | { readonly code: 'zero'; readonly offset: number }
  | { readonly code: 'standingReach'; readonly reachMm: number }
  | { readonly code: 'capped'; readonly cap: number }
  | { readonly code: 'lastMark'; readonly markEveryMm: number }
  | { readonly code: 'handCorrection'; readonly correctionMs: number }
  /** Stopped before the time was over, and judged by the time held. */
  | { readonly code: 'stoppedEarly'; readonly heldMs: number; readonly ofMs: number }
  | { readonly code: 'pulse'; readonly beats: number; readonly windowMs: number }
  | {
      readonly code: 'shuttle'
      readonly level: number
      readonly shuttle: number
      readonly completedLevels: number
      /** The last level complete before the first miss; missing from what was signed before it was told. */
      readonly levelsBeforeMiss?: number
      readonly counts: 'lastCompletedLevel' | 'levelBeforeFirstMiss' | 'lastShuttle'
    }
  | {
      readonly code: 'estimated'
      readonly formula: 'epley' | 'brzycki'
      readonly loadG: number
      readonly repetitions: number
    }

/** The figures behind a measure. */
export type Reading =
  /** Read from an instrument, a card or a file, slot by slot. */
  | { readonly kind: 'readings'; readonly taken: readonly TakenReading[]; readonly steps: readonly ReadingStep[] }
  | {
      readonly kind: 'repetitions'
      readonly startedAtMs: number
      readonly tally: RepetitionTally
      readonly endedBy: 'time' | 'ended' | 'cautions' | 'missedBeats' | 'cap' | 'pause'
    }
  | {
      readonly kind: 'crossings'
      readonly startedAtMs: number
      readonly finishedAtMs: number
      readonly splitsMs: readonly number[]
      /** What each watch says, the timer first, when backups timed the finish too. */
      readonly watches?: { readonly timesMs: readonly number[]; readonly by: 'slower' | 'middle' | 'mean' }
    }

/** What every measure carries besides. */
interface Observed {
  readonly notes: readonly Note[]
  /** What happened against a rule or against sense; a person decides. It never changes the measure. */
  readonly doubts?: readonly Doubt[]
  /** From when to when the candidate was at it, as far as stamps tell. */
  readonly span?: Span
  /** When it becomes another by time alone; left out where it stays. */
  readonly changesAtMs?: number
}

export type Measure = Observed & MeasureKind

type MeasureKind =
  | { readonly kind: 'notStarted' }
  /** `of`: out of how many, where the ground makes it another number than the protocol. */
  | { readonly kind: 'running'; readonly soFar: number; readonly of?: number; readonly unit: Unit }
  | {
      readonly kind: 'complete'
      /** In whole units, to be shown. */
      readonly value: number
      /** What is judged, where it is not whole: a mean, an estimate. */
      readonly exact?: Fraction
      readonly unit: Unit
      readonly reading: Reading
      /** How far the clocks of two devices may disagree about this value; 0 when one device took it. */
      readonly clockUncertaintyMs: number
    }
  | {
      readonly kind: 'ended'
      readonly reason: EndReason
      readonly note?: string
      readonly soFar: number
      readonly unit: Unit
    }

/** What is judged of a complete measure. */
export const exactOf = ({ value, exact }: Pick<Extract<Measure, { kind: 'complete' }>, 'value' | 'exact'>): Exact =>
  exact ?? value

/** A value as a complete measure carries it. */
export const measuredAs = (value: Exact): Pick<Extract<Measure, { kind: 'complete' }>, 'value' | 'exact'> =>
  typeof value === 'number' ? { value } : { value: nearestWhole(value), exact: value }

/** The step of a reading that has this code, if there is one. */
export const readingStep = <Code extends ReadingStep['code']>(
  reading: Reading,
  code: Code,
): Extract<ReadingStep, { code: Code }> | undefined =>
  reading.kind === 'readings'
    ? reading.steps.find((step): step is Extract<ReadingStep, { code: Code }> => step.code === code)
    : undefined
