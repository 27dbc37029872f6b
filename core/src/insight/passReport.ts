/** What a file or a year of judged people says: how many met it, which event decides, how groups compare. */
import { AGE_GROUPS, ageGroupOf } from './ageGroup.ts'
import { compareGroups, type ComparedGroup } from './compareGroups.ts'
import { wilson, type Interval } from './rate.ts'

/** One person's result, judged. */
export interface JudgedPerson {
  /** `met` and `short` count; whoever is open, did not finish, was withdrawn or exempt is told apart. */
  readonly outcome: string
  readonly category: string
  readonly ageYears: number
  /** By event: met or short; left out where the event was not judged. */
  readonly events: Readonly<Record<string, 'met' | 'short'>>
}

interface EventRate {
  readonly eventId: string
  readonly met: number
  readonly of: number
  readonly interval: Interval
  /** Of those who were short in all: how many were short in this event, and how many in this one alone. */
  readonly decides: number
  readonly decidesAlone: number
}

export interface PassReport {
  readonly people: number
  /** Who met or was short. */
  readonly judged: number
  readonly met: number
  readonly interval: Interval
  /** Everybody else, by outcome. */
  readonly others: Readonly<Record<string, number>>
  readonly events: readonly EventRate[]
  /** Events people were short in together, most often first. */
  readonly combinations: readonly { readonly eventIds: readonly string[]; readonly people: number }[]
  readonly byCategory: readonly ComparedGroup[]
  readonly byAge: readonly ComparedGroup[]
}

/** @param eventIds in the order of the battery @param categories of the standard */
export const passReport = (
  people: readonly JudgedPerson[],
  eventIds: readonly string[],
  categories: readonly { readonly id: string; readonly name: string }[],
): PassReport => {
  const judged = people.filter(({ outcome }) => outcome === 'met' || outcome === 'short')
  const short = judged.filter(({ outcome }) => outcome === 'short')
  const shortIn = short.map(({ events }) => eventIds.filter((id) => events[id] === 'short'))
  const met = judged.length - short.length
  return {
    people: people.length,
    judged: judged.length,
    met,
    interval: wilson(met, judged.length),
    others: countBy(
      people.filter((one) => !judged.includes(one)),
      ({ outcome }) => outcome,
    ),
    events: eventIds.map((eventId) => {
      const own = people.filter(({ events }) => events[eventId] !== undefined)
      const reached = own.filter(({ events }) => events[eventId] === 'met').length
      return {
        eventId,
        met: reached,
        of: own.length,
        interval: wilson(reached, own.length),
        decides: shortIn.filter((ids) => ids.includes(eventId)).length,
        decidesAlone: shortIn.filter((ids) => ids.length === 1 && ids[0] === eventId).length,
      }
    }),
    combinations: combinationsOf(shortIn),
    byCategory: compareGroups(
      categories.map(({ id, name }) =>
        groupOf(
          name,
          judged.filter(({ category }) => category === id),
        ),
      ),
    ),
    byAge: compareGroups(
      AGE_GROUPS.map((name) =>
        groupOf(
          name,
          judged.filter(({ ageYears }) => ageGroupOf(ageYears) === name),
        ),
      ).filter(({ of }) => of > 0),
    ),
  }
}

const groupOf = (name: string, people: readonly JudgedPerson[]) => ({
  name,
  met: people.filter(({ outcome }) => outcome === 'met').length,
  of: people.length,
})

const combinationsOf = (shortIn: readonly (readonly string[])[]): PassReport['combinations'] => {
  const counts = countBy(
    shortIn.filter((ids) => ids.length > 0),
    (ids) => ids.join(' '),
  )
  return Object.entries(counts)
    .map(([key, people]) => ({ eventIds: key.split(' '), people }))
    .sort((a, b) => b.people - a.people || a.eventIds.length - b.eventIds.length)
}

const countBy = <Item>(items: readonly Item[], keyOf: (item: Item) => string): Record<string, number> => {
  const counts: Record<string, number> = {}
  for (const item of items) counts[keyOf(item)] = (counts[keyOf(item)] ?? 0) + 1
  return counts
}
