/** The candidates of an event in order, the one on the console, and who follows. */
import type { StandardEvent } from '@able-gauge/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { byBib, eventFor, type Day, type Entry } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { useOpenCandidates, useOthers } from './useOpenCandidates.ts'
import { useStation } from './useStation.ts'

/** What a console is for: an event of the battery, or an alternate in its place, whose captures are the event's. */
export interface Worked extends Pick<StandardEvent, 'id'> {
  readonly alternateId?: string
}

/** Whether somebody does just this in an event: the event itself, or just that alternate. */
export const doesThis = (day: Day, { id, alternateId = id }: Worked, entry: Entry): boolean => {
  const battery = day.standard.events.find((event) => event.id === id)
  return battery !== undefined && eventFor(day, battery, entry).id === alternateId
}

/**
 * Everybody who is here for an event, and who of them could be next.
 * @param does who of them this console is for; everybody when left out
 */
export const useCandidates = (day: () => Day, eventId: string, does: (entry: Entry) => boolean = () => true) => {
  const store = useDay()
  const station = useStation(day, eventId)
  const { others, isMine } = useOthers(() => ({ id: eventId }))

  const queue = computed(() =>
    day()
      .entries.filter(({ attendance }) => attendance === 'present' || attendance === 'held')
      .filter(does)
      .sort((a, b) => a.wave - b.wave || byBib(a, b)),
  )
  const kindOf = (entryId: string): string => store.marksIn(eventId).value.get(entryId)?.kind ?? 'waiting'
  /** Whoever withdrew or was disqualified in another event is not called to this one. */
  const isOut = (entryId: string): boolean => {
    const outcome = store.verdicts.get(entryId)?.outcome
    return outcome === 'withdrawn' || outcome === 'disqualified'
  }
  /** Those who could come next by themselves: at this station, and with no other device. */
  const couldBeNext = ({ id, attendance }: Entry): boolean =>
    attendance === 'present' &&
    (kindOf(id) === 'waiting' || kindOf(id) === 'running') &&
    !isOut(id) &&
    station.isMine(id) &&
    (!others.value.has(id) || isMine(id))
  /** Another device came first, and nothing has happened yet that would be left behind. */
  const isLost = (entryId: string): boolean =>
    kindOf(entryId) === 'waiting' && others.value.has(entryId) && !isMine(entryId)

  return { queue, station, others, kindOf, couldBeNext, isLost }
}

export const useQueue = (day: () => Day, event: StandardEvent) => {
  const store = useDay()
  const route = useRoute()
  const router = useRouter()
  const candidates = useCandidates(day, event.id)
  const { queue, couldBeNext, isLost } = candidates

  const firstWaiting = computed(() => queue.value.find(couldBeNext))
  const chosen = computed(() => queue.value.find(({ bib }) => bib !== null && String(bib) === route.query['bib']))
  /** Whether whoever is on the console came there by being next, not by somebody's choice. */
  const cameByThemselves = ref(chosen.value === undefined)
  /** Stays on the console while captures come in: the result must not give way to the next candidate by itself. */
  const pinnedId = ref(firstWaiting.value?.id ?? queue.value[0]?.id)
  const entry = computed(() => chosen.value ?? queue.value.find(({ id }) => id === pinnedId.value) ?? queue.value[0])
  const put = (entryId: string | undefined): void => {
    const bib = store.entry(entryId ?? null)?.bib
    pinnedId.value = entryId ?? firstWaiting.value?.id
    const { mode } = route.query
    void router.replace({ query: { ...(mode ? { mode } : {}), ...(bib ? { bib: String(bib) } : {}) } })
  }
  /** Somebody chose a candidate, or nobody: the list alone. */
  const choose = (entryId: string | undefined): void => {
    cameByThemselves.value = entryId === undefined
    put(entryId)
  }
  /** The next one waiting after the candidate on the console. */
  const following = computed(() => {
    const at = queue.value.findIndex(({ id }) => id === entry.value?.id)
    const after = [...queue.value.slice(at + 1), ...queue.value.slice(0, Math.max(0, at))]
    return after.find(couldBeNext)
  })
  const next = (): void => {
    cameByThemselves.value = true
    put(following.value?.id)
  }

  useOpenCandidates(
    day,
    event.id,
    () => (entry.value ? [entry.value.id] : []),
    () => cameByThemselves.value,
  )
  watch(
    () => cameByThemselves.value && entry.value !== undefined && isLost(entry.value.id),
    (lost) => {
      if (lost && following.value) next()
    },
  )

  return { ...candidates, entry, chosen, following, choose, next }
}
