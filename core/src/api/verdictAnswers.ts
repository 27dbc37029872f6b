/** What the interface answers about verdicts, the signature and what it proves. */
import { Choice, Flag, Nested, NestedList, Nullable, Optional, Text, Uuid } from '../document/rules.ts'
import type { Verdict } from '../judge/mark.ts'
import { OUTCOMES, type Outcome } from '../judge/outcome.ts'
import { Names, VerdictShape } from './shapes.ts'

export class EntryVerdict {
  @Text() readonly entryId!: string
  /** Of the standard it was judged by. */
  @Text() readonly standardHash!: string
  @VerdictShape() readonly verdict!: Verdict
}

export class VerdictsAnswer {
  /** Judged from the captures while the day is open, or as it was signed and amended. */
  @Choice(['live', 'signed']) readonly judged!: 'live' | 'signed'
  @NestedList(() => EntryVerdict, 0, 100_000) readonly verdicts!: readonly EntryVerdict[]
}

export class SignedAnswer {
  @Flag() readonly signedOff!: boolean
}

/** What signing a day takes, in this order: its ledger read, everybody judged, the tree over it made, all of it stored. */
export const SIGNING_STEPS = ['read', 'judge', 'seal', 'store'] as const
export type SigningStep = (typeof SIGNING_STEPS)[number]

/** How far signing a day is, as the stream of the day tells it. */
export interface SigningProgress {
  /** Steps that are done. */
  readonly done: number
  readonly of: number
}

export const PROOF_KINDS = ['signed', 'unknownKey', 'noKey', 'open'] as const

/** By which key a day is signed, and whether that key is known here. */
export class ProofOfKey {
  @Choice(PROOF_KINDS) readonly kind!: (typeof PROOF_KINDS)[number]
  @Optional() @Text() readonly keyFingerprint?: string
  @Optional() @Text() readonly publicKey?: string
}

/** A verdict that an older judge signed and today's would give otherwise. */
export class DifferenceAnswer {
  @Uuid() readonly entryId!: string
  @Choice(OUTCOMES) readonly signed!: Outcome
  @Choice(OUTCOMES) readonly today!: Outcome
  /** Events whose marks differ. */
  @Names() readonly eventIds!: readonly string[]
}

export class ProofAnswer {
  @Nested(() => ProofOfKey) readonly proof!: ProofOfKey
  /** Fingerprint of the head; null for a day that is not signed. */
  @Nullable() @Text() readonly head!: string | null
  /** Whether what is stored is what was signed. */
  @Flag() readonly intact!: boolean
  /** Where it is not. */
  @Names() readonly places!: readonly string[]
  /** What today's judge would give otherwise: grounds for amendments, never applied. */
  @NestedList(() => DifferenceAnswer, 0, 100_000) readonly differences!: readonly DifferenceAnswer[]
}
