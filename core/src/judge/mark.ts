/** A measure judged against the standard, and a person's marks judged together. */
import type { EndReason } from '../capture/measure.ts'
import type { Unit } from '../quantity/unit.ts'
import type { Cut } from './cut.ts'
import type { OpenReason, Outcome } from './outcome.ts'
import type { Trace } from './trace.ts'

/** The candidate as judging needs to know them. */
export interface Candidate {
  readonly entryId: string
  /** In years, counted by the standard's own rule. */
  readonly ageYears: number
  /** The date on which that age was counted, YYYY-MM-DD. */
  readonly ageCountedOn: string
  readonly category: string
}

interface MarkBase {
  readonly eventId: string
  readonly cut: Cut | null
  readonly trace: Trace
}

interface Judged extends MarkBase {
  readonly measured: number
  readonly rounded: number
  readonly unit: Unit
  /** How far on the good side of the cut; negative when short of it. */
  readonly margin: number
  /** The cut lies within what the method can tell. */
  readonly nearTheCut: boolean
}

export type Mark =
  | (Judged & { readonly kind: 'met' })
  | (Judged & { readonly kind: 'short' })
  | (MarkBase & {
      readonly kind: 'open'
      readonly reason: OpenReason
      readonly measured: number | null
      readonly rounded: number | null
      readonly unit: Unit
    })
  | (MarkBase & {
      readonly kind: 'decided'
      /** What the officer decided an open mark to be. */
      readonly as: 'met' | 'short'
      readonly measured: number | null
      readonly rounded: number | null
      readonly unit: Unit
    })
  | (MarkBase & { readonly kind: 'waiting' })
  | (MarkBase & { readonly kind: 'running'; readonly soFar: number; readonly unit: Unit })
  | (MarkBase & {
      readonly kind: 'ended'
      readonly reason: Exclude<EndReason, 'safety'>
      readonly soFar: number
      readonly unit: Unit
    })

export interface Verdict {
  readonly outcome: Outcome
  /** Whether nothing that is still to come can change the outcome. */
  readonly settled: boolean
  /** Events that have no final mark yet. */
  readonly eventsToGo: number
  readonly marks: readonly Mark[]
  readonly trace: Trace
}
