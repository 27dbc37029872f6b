/** The candidates of an event in order, the one on the console, and who follows. */
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { byBib, type Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'

export const useQueue = (day: () => Day, eventId: string) => {
  const store = useDay()
  const route = useRoute()
  const router = useRouter()

  const queue = computed(() =>
    day()
      .entries.filter(({ attendance }) => attendance === 'present' || attendance === 'held')
      .sort((a, b) => a.wave - b.wave || byBib(a, b)),
  )
  /** Whoever withdrew or was disqualified in another event is not called to this one. */
  const isOut = (entryId: string): boolean => {
    const outcome = store.verdicts.get(entryId)?.outcome
    return outcome === 'withdrawn' || outcome === 'disqualified'
  }
  const isWaiting = (entryId: string): boolean => {
    const kind = store.marksIn(eventId).value.get(entryId)?.kind
    return (kind === 'waiting' || kind === 'running') && !isOut(entryId)
  }
  const firstWaiting = computed(() =>
    queue.value.find((entry) => entry.attendance === 'present' && isWaiting(entry.id)),
  )
  const chosen = computed(() => queue.value.find(({ bib }) => bib !== null && String(bib) === route.query['bib']))
  /** Stays on the console while captures come in: the result must not give way to the next candidate by itself. */
  const pinnedId = ref(firstWaiting.value?.id ?? queue.value[0]?.id)
  const entry = computed(() => chosen.value ?? queue.value.find(({ id }) => id === pinnedId.value) ?? queue.value[0])
  const choose = (entryId: string | undefined): void => {
    const bib = store.entry(entryId ?? null)?.bib
    pinnedId.value = entryId ?? firstWaiting.value?.id
    const { way } = route.query
    void router.replace({ query: { ...(way ? { way } : {}), ...(bib ? { bib: String(bib) } : {}) } })
  }
  /** The next one waiting after the candidate on the console. */
  const following = computed(() => {
    const at = queue.value.findIndex(({ id }) => id === entry.value?.id)
    const after = [...queue.value.slice(at + 1), ...queue.value.slice(0, Math.max(0, at))]
    return after.find((one) => one.attendance === 'present' && isWaiting(one.id))
  })

  return { queue, entry, chosen, following, choose }
}
