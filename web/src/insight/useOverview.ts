/** What most views begin with: the sums, and what they say. */
import type { EventGroupsAnswer, GradersAnswer, GroupedBy, InsightAnswer, VenuesAnswer } from '@able-gauge/core'
import {
  compareGraders,
  compareGroups,
  compareVenues,
  sayInsight,
  type ComparedGroup,
  type InsightSentence,
} from '@able-gauge/core/statistics'
import { computed } from 'vue'
import { useSession } from '../session/sessionStore.ts'
import { readEventGroups, readGraders, readResults, readVenues, type Filters } from './insightCalls.ts'
import { useFilters } from './useFilters.ts'
import { useLooked } from './useLooked.ts'

/** What is compared beside the sums. */
export type Compared = EventGroupsAnswer & VenuesAnswer

/** The sums alone, for views that only filter by them; null for whoever may not see any. */
export const useSums = () => {
  const { filters } = useFilters()
  const session = useSession()
  return useLooked(
    () => filters.value,
    async (asked: Filters) => (session.can('insight.read') ? readResults(asked) : null),
  )
}

const NOTHING: Compared = { groups: [], venues: [] }

export const useOverview = () => {
  const { filters } = useFilters()
  const session = useSession()
  const results = useLooked(() => filters.value, readResults)
  const events = useLooked(
    () => filters.value,
    async (asked: Filters): Promise<Compared> => {
      const [{ groups }, { venues }] = await Promise.all([readEventGroups(asked), readVenues(asked)])
      return { groups, venues }
    },
  )
  // whoever may not see graders reads the same without them
  const graders = useLooked(
    () => filters.value,
    async (asked: Filters) => (session.can('insight.graders') ? readGraders(asked) : null),
  )
  const sentences = computed(() =>
    results.answer.value ? saidOf(results.answer.value, events.answer.value ?? NOTHING, graders.answer.value) : [],
  )
  return {
    filters,
    answer: results.answer,
    problem: results.problem,
    events: events.answer,
    graders: graders.answer,
    sentences,
  }
}

/** What there is to say of it all. */
export const saidOf = (
  answer: InsightAnswer,
  eventGroups: Compared,
  graders: GradersAnswer | null,
): InsightSentence[] => {
  const eventOf = (id: string) => answer.events.find(({ eventId }) => eventId === id)
  return sayInsight({
    ...answer,
    eventGroups: eventGroups.groups,
    venues: compareVenues(eventGroups.venues),
    graders: graders ? compareGraders(graders.graders.map((one) => ({ ...one, id: one.accountId }))) : [],
    eventNamed: (id) => eventOf(id)?.name ?? id,
    unitOfEvent: (id) => eventOf(id)?.unit ?? 'count',
    unitNamed: (id) => answer.units.find((unit) => unit.id === id)?.name ?? 'No unit',
  })
}

/** What a group is called. */
export const groupName = (answer: InsightAnswer, by: GroupedBy, key: string): string => {
  switch (by) {
    case 'unit':
      return answer.units.find(({ id }) => id === key)?.name ?? 'No unit'
    case 'category':
      return answer.categories.find(({ id }) => id === key)?.name ?? key
    case 'version':
      return `Version ${key}`
    case 'month':
      return `${key.slice(5)}/${key.slice(0, 4)}`
    default:
      return key
  }
}

/** Groups as they are listed: units by name, all others as they come. */
const listedBy = (answer: InsightAnswer, by: GroupedBy) => {
  const named = answer.groups
    .filter((group) => group.by === by)
    .map(({ key, met, of }) => ({ key, met, of, name: groupName(answer, by, key) }))
  return by === 'unit' ? named.sort((a, b) => a.name.localeCompare(b.name, 'en')) : named
}

/** Groups held against the highest rate among those that are large enough. */
export const groupsBy = (answer: InsightAnswer, by: GroupedBy): ComparedGroup[] =>
  compareGroups(listedBy(answer, by).map(({ name, met, of }) => ({ name, met, of })))

/** The keys of the same groups, in the same order. */
export const keysBy = (answer: InsightAnswer, by: GroupedBy): string[] => listedBy(answer, by).map(({ key }) => key)
