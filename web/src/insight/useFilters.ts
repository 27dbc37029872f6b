/** The filters of the room: they stand in the address, so that a view can be sent. */
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Filters } from './insightCalls.ts'

/** What every view is filtered by. */
export const FILTERS = ['standard', 'version', 'from', 'to', 'unit', 'category', 'age', 'venue'] as const

export const useFilters = () => {
  const route = useRoute()
  const router = useRouter()
  const valueOf = (name: string): string => {
    const value = route.query[name]
    return typeof value === 'string' ? value : ''
  }
  const filters = computed((): Filters => Object.fromEntries(FILTERS.map((name) => [name, valueOf(name)])))

  /** Sets some; an empty one is taken away, and so is whatever belongs to another standard. */
  const set = async (changes: Readonly<Record<string, string>>): Promise<void> => {
    const { standard } = changes
    const kept = standard === undefined ? route.query : {}
    const query = Object.fromEntries(Object.entries({ ...kept, ...changes }).filter(([, value]) => value))
    await router.replace({ query })
  }
  return { filters, valueOf, set }
}
