/** The steps from captures to verdict, as codes with their figures. */
import type { Note, Reading, ReadingStep, TakenReading } from '../kinds/measure.ts'
import type { EndReason } from '../referee/ends.ts'
import type { Fraction } from '../quantity/fraction.ts'
import type { RoundingMode } from '../quantity/rounding.ts'
import type { Unit } from '../quantity/unit.ts'
import type { Cut } from './cut.ts'
import type { Combination } from '../standard/combination.ts'
import type { Combined } from './combineMarks.ts'
import type { NextStep, VerdictPoints } from './markFigures.ts'
import type { OpenReason, Outcome } from './outcome.ts'

export type Step =
  | { readonly code: 'readings'; readonly taken: readonly TakenReading[] }
  | { readonly code: 'readingStep'; readonly step: ReadingStep; readonly unit: Unit }
  | { readonly code: 'alternate'; readonly name: string; readonly inPlaceOf: string; readonly allowedBy: string }
  | { readonly code: 'variant'; readonly name: string }
  | { readonly code: 'carried'; readonly testDate: string }
  | { readonly code: 'exempt'; readonly name: string; readonly fixedCentipoints: number | null }
  | {
      readonly code: 'repetitions'
      readonly reading: Extract<Reading, { kind: 'repetitions' }>
      readonly refusalLabels: Readonly<Record<string, string>>
      /** Null without a clock. */
      readonly durationMs: number | null
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
      /** Where the value is not whole. */
      readonly exact?: Fraction
      readonly to: number
      readonly mode: RoundingMode
      readonly step: number
      readonly unit: Unit
    }
  | { readonly code: 'age'; readonly ageYears: number; readonly countedOn: string; readonly onTestDate: boolean }
  | { readonly code: 'band'; readonly band: NonNullable<Cut['band']>; readonly forWhom: string }
  | {
      readonly code: 'cut'
      readonly cut: Cut
      readonly standardName: string
      readonly version: number
      readonly inForceFrom: string
    }
  | {
      readonly code: 'relative'
      readonly bodyMassG: number
      readonly permille: number
      readonly shareG: number
      readonly constant: number | null
      readonly of: 'lesser' | 'greater'
    }
  | {
      readonly code: 'points'
      readonly centipoints: number
      readonly fullCentipoints: number
      readonly minimumCentipoints: number | null
      readonly how: 'lowerRow' | 'interpolate' | 'rule'
      readonly pointsName: string | null
    }
  | { readonly code: 'class'; readonly name: string; readonly place: number; readonly of: number }
  | { readonly code: 'completed'; readonly limit: number | null; readonly unit: Unit }
  | { readonly code: 'tookPart' }
  | { readonly code: 'next'; readonly next: NextStep; readonly sense: Cut['sense'] }
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
      readonly reason: EndReason
      readonly note?: string
    }
  | { readonly code: 'decided'; readonly as: 'met' | 'short'; readonly reason: string }
  /** The measure an officer states in place of one that is open. */
  | { readonly code: 'decidedMeasure'; readonly value: number; readonly unit: Unit; readonly reason: string }
  | { readonly code: 'amended'; readonly as: 'met' | 'short'; readonly reason: string }
  | { readonly code: 'amendedMeasure'; readonly value: number; readonly unit: Unit; readonly reason: string }
  | { readonly code: 'waiting' }
  | {
      readonly code: 'running'
      readonly soFar: number
      readonly of: number | null
      readonly what: 'repetitions' | 'laps' | 'lengths' | 'readings' | 'stations' | 'segments' | 'lifts'
    }
  | { readonly code: 'underWay' }
  | {
      readonly code: 'combined'
      readonly outcome: Outcome
      readonly deciding: readonly string[]
      readonly settled: boolean
      readonly eventsToGo: number
      readonly because: Combined['because']
      readonly combination: Combination['kind']
      /** The standard's own word for the outcome. */
      readonly word?: string
      readonly points?: VerdictPoints
    }
  | { readonly code: 'retest'; readonly earliestOn: string }

/** How somebody came to a mark or a verdict; put into words when it is read (`words/sayStep.ts`). */
export type Trace = readonly Step[]
