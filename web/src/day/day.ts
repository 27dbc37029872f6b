/** A test day as the server sends it. */
import {
  chosenEvent,
  chosenFor,
  type ArchivedAmendment,
  type DayCandidate,
  type DayPlan,
  type DayRecordEntry,
  type EntryFacts,
  type Occasion,
  type PersonFacts,
  type Standard,
  type StandardEvent,
  type StaffMember,
} from '@able-gauge/core'

export type Entry = EntryFacts & {
  /** In years, counted by the standard's own rule. */
  readonly ageYears: number
  readonly ageCountedOn: string
  /** The date of birth is there only for roles that need it. */
  readonly person: PersonFacts & { readonly birthDate?: string }
}

export interface Day {
  readonly occasion: Occasion
  readonly standard: Standard
  readonly standardHash: string
  readonly staff: readonly StaffMember[]
  readonly entries: readonly Entry[]
  /** Null until somebody has planned it. */
  readonly plan: StoredPlan | null
  /** The log beside the captures, oldest first. */
  readonly records: readonly DayRecordEntry[]
  /** Entries the screening questions were put to. */
  readonly screened: readonly string[]
  /** What was set up the last time for those who come again, by entry: a retest repeats it. */
  readonly earlierSetUps: Readonly<Record<string, Readonly<Record<string, string>>>>
  /** What was changed after the signature, oldest first. */
  readonly amendments: readonly (ArchivedAmendment & { readonly by: string })[]
}

export interface StoredPlan {
  readonly plan: DayPlan
  readonly revision: number
  readonly editedBy: string
  readonly editedAtMs: number
}

/** Somebody entered, as judging knows them. */
export const candidateFrom = (entry: Entry): DayCandidate => {
  const { id, wave, category, ageYears, ageCountedOn } = entry
  return { entryId: id, wave, category, ageYears, ageCountedOn, ...chosenFor(entry) }
}

/** What somebody really does in an event: an alternate in its place, a variant of it, or the event itself. */
export const eventFor = ({ standard }: Pick<Day, 'standard'>, event: StandardEvent, entry: Entry): StandardEvent =>
  chosenEvent(standard, event, candidateFrom(entry)).event

export const eventName = ({ standard }: Pick<Day, 'standard'>, eventId: string): string =>
  standard.events.find(({ id }) => id === eventId)?.name ?? eventId

/** "T. Okafor-Lind" */
export const shortName = ({ person }: Pick<Entry, 'person'>): string =>
  `${person.givenName.slice(0, 1)}. ${person.familyName}`

/** "Tove Okafor-Lind" */
export const fullName = ({ person }: Pick<Entry, 'person'>): string => `${person.givenName} ${person.familyName}`

export const byBib = (a: Entry, b: Entry): number =>
  (a.bib ?? Number.MAX_SAFE_INTEGER) - (b.bib ?? Number.MAX_SAFE_INTEGER) ||
  a.person.familyName.localeCompare(b.person.familyName)

/** The waves of a day, in order. */
export const wavesOf = ({ entries }: Pick<Day, 'entries'>): number[] =>
  [...new Set(entries.map(({ wave }) => wave))].sort((a, b) => a - b)
