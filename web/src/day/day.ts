/** A test day as the server sends it. */
import type { Standard } from '@able-gauge/core'

export interface Occasion {
  readonly id: string
  readonly name: string
  readonly venue: string
  readonly zone: string
  readonly testDate: string
  readonly standardId: string
  readonly standardVersion: number
  readonly signedOff: { readonly atMs: number; readonly by: string } | null
}

export type Attendance = 'expected' | 'present' | 'held' | 'absent'

export interface Entry {
  readonly id: string
  readonly bib: number | null
  readonly wave: number
  readonly category: string
  readonly attendance: Attendance
  readonly note: string
  readonly revision: number
  readonly ageYears: number
  readonly ageCountedOn: string
  readonly person: {
    readonly id: string
    readonly number: string
    readonly givenName: string
    readonly familyName: string
    /** Only for roles that need it. */
    readonly birthDate?: string
  }
}

export interface StaffMember {
  readonly accountId: string
  readonly displayName: string
  readonly role: string
  readonly duty: string
}

export interface Day {
  readonly occasion: Occasion
  readonly standard: Standard
  readonly standardHash: string
  readonly staff: readonly StaffMember[]
  readonly entries: readonly Entry[]
}

/** "T. Okafor-Lind" */
export const shortName = ({ person }: Pick<Entry, 'person'>): string =>
  `${person.givenName.slice(0, 1)}. ${person.familyName}`

/** "Tove Okafor-Lind" */
export const fullName = ({ person }: Pick<Entry, 'person'>): string => `${person.givenName} ${person.familyName}`

export const byBib = (a: Entry, b: Entry): number =>
  (a.bib ?? Number.MAX_SAFE_INTEGER) - (b.bib ?? Number.MAX_SAFE_INTEGER) ||
  a.person.familyName.localeCompare(b.person.familyName)
