/** The steps from captures to verdict: data first, and the same in a plain sentence. */
import type { Note, Reading } from '../capture/measure.ts'
import type { RoundingMode } from '../quantity/rounding.ts'
import type { Unit } from '../quantity/unit.ts'
import type { Cut } from './cut.ts'
import type { OpenReason, Outcome } from './outcome.ts'

export type Step =
  | { readonly code: 'entered'; readonly value: number; readonly unit: Unit }
  | {
      readonly code: 'repetitions'
      readonly reading: Extract<Reading, { kind: 'repetitions' }>
      readonly refusalLabels: Readonly<Record<string, string>>
      readonly durationMs: number
    }
  | {
      readonly code: 'crossings'
      readonly reading: Extract<Reading, { kind: 'crossings' }>
      readonly distanceMm: number
    }
  | { readonly code: 'note'; readonly note: Note }
  | {
      readonly code: 'rounded'
      readonly from: number
      readonly to: number
      readonly mode: RoundingMode
      readonly step: number
      readonly unit: Unit
    }
  | { readonly code: 'age'; readonly ageYears: number; readonly countedOn: string; readonly onTestDate: boolean }
  | { readonly code: 'band'; readonly band: NonNullable<Cut['band']>; readonly categoryName: string }
  | {
      readonly code: 'cut'
      readonly cut: Cut
      readonly standardName: string
      readonly version: number
      readonly inForceFrom: string
    }
  | { readonly code: 'met'; readonly margin: number; readonly unit: Unit }
  | { readonly code: 'short'; readonly margin: number; readonly unit: Unit; readonly sense: Cut['sense'] }
  | {
      readonly code: 'nearTheCut'
      readonly uncertainty: number
      readonly unit: Unit
      readonly policy: 'flag' | 'decide'
    }
  | { readonly code: 'uncertaintyHarmless'; readonly uncertainty: number; readonly unit: Unit }
  | { readonly code: 'open'; readonly reason: OpenReason }
  | {
      readonly code: 'ended'
      readonly reason: 'didNotFinish' | 'withdrawn' | 'disqualified' | 'safety'
      readonly note?: string
    }
  | { readonly code: 'decided'; readonly as: 'met' | 'short'; readonly reason: string }
  | { readonly code: 'waiting' }
  | {
      readonly code: 'running'
      readonly soFar: number
      readonly of: number | null
      readonly what: 'repetitions' | 'laps'
    }
  | {
      readonly code: 'combined'
      readonly outcome: Outcome
      readonly deciding: readonly string[]
      readonly settled: boolean
      readonly eventsToGo: number
    }
  | { readonly code: 'retest'; readonly earliestOn: string }

export interface TraceStep {
  readonly step: Step
  readonly title: string
  readonly sentence: string
}

export type Trace = readonly TraceStep[]
