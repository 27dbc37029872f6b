/** A measure judged against the standard, and a person's marks judged together. */
import type { EndReason } from '../referee/ends.ts'
import type { Doubt } from '../referee/referee.ts'
import type { Span } from '../referee/span.ts'
import type { Fraction } from '../quantity/fraction.ts'
import type { Unit } from '../quantity/unit.ts'
import type { Candidate } from '../standard/candidate.ts'
import type { Cut } from './cut.ts'
import type { MarkPoints, NextStep, VerdictPoints } from './markFigures.ts'
import type { OpenReason, Outcome } from './outcome.ts'
import type { Trace } from './trace.ts'

export type { Candidate }

interface MarkBase {
  /** The event of the battery. */
  readonly eventId: string
  /** The event done in its place. */
  readonly alternateId?: string
  readonly variantId?: string
  readonly cut: Cut | null
  readonly trace: Trace
  /** What happened against a rule or against sense; a person decides. */
  readonly doubts?: readonly Doubt[]
  /** From when to when they were at it, as far as stamps tell. */
  readonly span?: Span
}

interface Judged extends MarkBase {
  readonly measured: number
  /** What was judged, where it is not whole. */
  readonly exact?: Fraction
  readonly rounded: number
  readonly unit: Unit
  /** The cut lies within what the method can tell. */
  readonly nearTheCut: boolean
  readonly points?: MarkPoints
  /** The standard's own word for met or short, where it has one. */
  readonly word?: string
  /** Name of the norm class. */
  readonly className?: string
  readonly next?: NextStep
}

export type Mark =
  /** The margin is how far on the good side of the cut; negative when short of it. */
  | (Judged & { readonly kind: 'met'; readonly margin: number })
  | (Judged & { readonly kind: 'short'; readonly margin: number })
  /** Judged, with nothing to meet: points without a minimum, a norm class, taking part. */
  | (Judged & { readonly kind: 'scored' })
  | (MarkBase & {
      readonly kind: 'open'
      readonly reason: OpenReason
      readonly measured: number | null
      readonly exact?: Fraction
      readonly rounded: number | null
      readonly unit: Unit
      readonly points?: MarkPoints
    })
  | (MarkBase & {
      readonly kind: 'decided'
      /** What the officer decided an open mark to be. */
      readonly as: 'met' | 'short'
      readonly measured: number | null
      readonly rounded: number | null
      readonly unit: Unit
      readonly points?: MarkPoints
    })
  | (MarkBase & { readonly kind: 'waiting' })
  | (MarkBase & { readonly kind: 'running'; readonly soFar: number; readonly unit: Unit })
  | (MarkBase & {
      readonly kind: 'ended'
      readonly reason: Exclude<EndReason, 'safety'>
      readonly soFar: number
      readonly unit: Unit
    })
  | (MarkBase & {
      readonly kind: 'exempt'
      readonly exemptionId: string
      /** Points it counts with, or null when the event is left out. */
      readonly fixedCentipoints: number | null
      /** How the total asked follows when the event's points are left out. */
      readonly total: 'unchanged' | 'proportional'
    })

/** Whether a mark is final for now: the event neither waits to be begun nor runs. */
export const isMarkOver = ({ kind }: Pick<Mark, 'kind'>): boolean => kind !== 'waiting' && kind !== 'running'

export interface Verdict {
  readonly outcome: Outcome
  /** The standard's own word for it, where it has one. */
  readonly word?: string
  /** Whether nothing that is still to come can change the outcome. */
  readonly settled: boolean
  /** Events that have no final mark yet. */
  readonly eventsToGo: number
  readonly points?: VerdictPoints
  readonly marks: readonly Mark[]
  readonly trace: Trace
}
