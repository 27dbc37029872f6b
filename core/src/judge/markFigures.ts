/** Figures a mark or a verdict carries beside its outcome. */
import type { Unit } from '../quantity/unit.ts'

/** Points of one mark, in hundredths. */
export interface MarkPoints {
  readonly centipoints: number
  readonly fullCentipoints: number
  /** The least asked, or null. */
  readonly minimumCentipoints: number | null
}

/** What it takes to get further: the value, and what it gives. */
export interface NextStep {
  readonly value: number
  readonly unit: Unit
  readonly gives:
    | { readonly kind: 'points'; readonly centipoints: number }
    | { readonly kind: 'class'; readonly name: string }
}

/** The points of a verdict, in hundredths. */
export interface VerdictPoints {
  readonly centipoints: number
  /** Asked in total, after exemptions. */
  readonly asked: number
  /** The most that could be had. */
  readonly full: number
  readonly className: string | null
  readonly nextClass: { readonly name: string; readonly fromCentipoints: number } | null
}
