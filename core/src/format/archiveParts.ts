/** What archives of every form are made of. */
import type { EntryFacts, PersonFacts } from '../day/entry.ts'
import type { Amendment } from '../judge/amend.ts'
import type { DayCandidate } from '../judge/judgeDay.ts'

export interface ArchivedOccasion {
  readonly id: string
  readonly name: string
  readonly venue: string
  readonly zone: string
  readonly testDate: string
  /** Made up, and timed as fast as it liked. */
  readonly rehearsal?: true
}

export interface ArchivedAccount {
  readonly id: string
  readonly displayName: string
  readonly role: string
}

export interface VerdictInputs {
  readonly candidate: DayCandidate
  readonly testDate: string
  /** Numbers of the captures it was judged from. */
  readonly captures: readonly number[]
  /** Version of the judge; missing from what was signed before there were versions. */
  readonly judge?: number
}

export interface ArchivedAmendment extends Amendment {
  readonly id: string
  readonly accountId: string
  readonly atMs: number
}

export type ArchivedPerson = PersonFacts & { readonly birthDate: string }

export type ArchivedEntry = EntryFacts & { readonly personId: string }
