/** A test day as the server sends it. */
import {
  chosenEvent,
  chosenFor,
  type DayAnswer as Day,
  type DayCandidate,
  type EntryAnswer as Entry,
  type Protocol,
  type StandardEvent,
  type TimetableWave,
} from '@able-gauge/core'

export type { DayAnswer as Day, EntryAnswer as Entry, PlanAnswer as StoredPlan } from '@able-gauge/core'

/** Somebody entered, as judging knows them. */
export const candidateFrom = (entry: Entry): DayCandidate => {
  const { id, wave, category, ageYears, ageCountedOn } = entry
  return { entryId: id, wave, category, ageYears, ageCountedOn, ...chosenFor(entry) }
}

/** What somebody really does in an event: an alternate in its place, a variant of it, or the event itself. */
export const eventFor = ({ standard }: Pick<Day, 'standard'>, event: StandardEvent, entry: Entry): StandardEvent =>
  chosenEvent(standard, event, candidateFrom(entry)).event

/** The protocol of what the entry does in an event of the battery: its own, or the alternate's. */
export const protocolFor = (day: Pick<Day, 'standard'>, eventId: string, entry: Entry): Protocol | undefined => {
  const event = day.standard.events.find(({ id }) => id === eventId)
  return event && eventFor(day, event, entry).protocol
}

export const eventName = ({ standard }: Pick<Day, 'standard'>, eventId: string): string =>
  standard.events.find(({ id }) => id === eventId)?.name ?? eventId

/** "T. Okafor-Lind" */
export const shortName = ({ person }: Pick<Entry, 'person'>): string =>
  `${person.givenName.slice(0, 1)}. ${person.familyName}`

/** "Tove Okafor-Lind" */
export const fullName = ({ person }: Pick<Entry, 'person'>): string => `${person.givenName} ${person.familyName}`

/** "17 T. Okafor-Lind": how somebody is named where no column says the bib. */
export const bibAndName = (entry: Pick<Entry, 'bib' | 'person'>, nameOf = shortName): string =>
  entry.bib === null ? nameOf(entry) : `${entry.bib} ${nameOf(entry)}`

export const byBib = (a: Entry, b: Entry): number =>
  (a.bib ?? Number.MAX_SAFE_INTEGER) - (b.bib ?? Number.MAX_SAFE_INTEGER) ||
  a.person.familyName.localeCompare(b.person.familyName)

/** The waves of a day, in order. */
export const wavesOf = ({ entries }: Pick<Day, 'entries'>): number[] =>
  [...new Set(entries.map(({ wave }) => wave))].sort((a, b) => a - b)

/** Waves as they start: whoever is absent or has withdrawn takes no place. */
export const wavesOnGround = (day: Pick<Day, 'entries'>): TimetableWave[] =>
  wavesOf(day).map((wave) => ({
    wave,
    entryIds: [...day.entries]
      .filter((entry) => entry.wave === wave && entry.attendance !== 'absent' && entry.attendance !== 'withdrawn')
      .sort(byBib)
      .map(({ id }) => id),
  }))
