/** People as the server tells of them. */
import type { EntryChoices, Mark, PersonFacts, Verdict } from '@able-gauge/core'

export type Person = PersonFacts & { readonly birthDate: string; readonly erased: boolean }

export interface PersonSummary extends Person {
  readonly tests: number
  /** Date of the last test that was signed off, or null. */
  readonly lastTest: string | null
}

export interface PersonTest {
  readonly occasionId: string
  readonly name: string
  readonly testDate: string
  readonly standardId: string
  readonly standardVersion: number
  readonly standardName: string
  readonly entryId: string
  readonly choices: EntryChoices
  readonly setUp: Readonly<Record<string, string>>
  readonly events: readonly { readonly id: string; readonly name: string }[]
  /** Earliest retest, in days after the test. */
  readonly earliestAfterDays: number
  /** Null while the day is not signed off. */
  readonly verdict: Verdict | null
  readonly amended?: boolean
}

export interface PersonSelfTest {
  readonly id: string
  readonly standardId: string
  readonly standardVersion: number
  readonly eventId: string
  readonly eventName: string
  readonly testDate: string
  readonly witness: string
  readonly note: string
  readonly mark: Mark | null
}

export interface PersonRecord {
  readonly person: Person
  readonly tests: readonly PersonTest[]
  readonly selfTests: readonly PersonSelfTest[]
  readonly changes: readonly {
    readonly what: 'merged' | 'unmerged' | 'corrected' | 'erased'
    readonly personId: string
    readonly reason: string
    readonly by: string
    readonly atMs: number
    readonly number: string
  }[]
}
