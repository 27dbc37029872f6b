/** A test day as the interface answers it, and as a screen keeps it. */
import type { RestState } from '../plan/restBoard.ts'
import type { DayPlan } from '../plan/dayPlan.ts'
import type { EntryFacts, PersonFacts } from '../day/entry.ts'
import type { Occasion, StaffMember } from '../day/occasion.ts'
import type { DayRecordEntry } from '../day/record.ts'
import type { ArchivedAmendment } from '../format/archiveParts.ts'
import type { Standard } from '../standard/standard.ts'

export type EntryAnswer = EntryFacts & {
  /** In years, counted by the standard's own rule. */
  readonly ageYears: number
  readonly ageCountedOn: string
  /** The date of birth is there only for roles that need it. */
  readonly person: PersonFacts & { readonly birthDate?: string }
}

export interface PlanAnswer {
  readonly plan: DayPlan
  readonly revision: number
  readonly editedBy: string
  readonly editedAtMs: number
}

/** A day that came out of an archive. */
export interface ReadInAnswer {
  readonly by: string
  readonly atMs: number
  /** Fingerprint of the key that signed it, or null. */
  readonly keyFingerprint: string | null
  /** Whether the signature is by a key that is known here. */
  readonly proven: boolean
}

/** Fingerprints to compare on paper. */
export interface SignatureAnswer {
  readonly head: string
  /** Null for days signed before installations had keys. */
  readonly key: string | null
}

export interface DayAnswer {
  readonly occasion: Occasion
  readonly standard: Standard
  readonly standardHash: string
  readonly staff: readonly StaffMember[]
  readonly entries: readonly EntryAnswer[]
  /** Null until somebody has planned it. */
  readonly plan: PlanAnswer | null
  /** The log beside the captures, oldest first. */
  readonly records: readonly DayRecordEntry[]
  /** Entries the screening questions were put to. */
  readonly screened: readonly string[]
  /** What was set up the last time for those who come again, by entry: a retest repeats it. */
  readonly earlierSetUps: Readonly<Record<string, Readonly<Record<string, string>>>>
  /** What was changed after the signature, oldest first. */
  readonly amendments: readonly (ArchivedAmendment & { readonly by: string })[]
  readonly readIn: ReadInAnswer | null
  /** What is printed on paper of the signature; null before it. */
  readonly signature: SignatureAnswer | null
  /** Where everybody is between events, for who sees one station alone and cannot work it out; null for everybody else. */
  readonly rests: Readonly<Record<string, RestState>> | null
}
