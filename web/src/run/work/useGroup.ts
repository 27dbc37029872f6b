/** A few candidates worked together: who is on, who could be, the next few who wait. */
import type { StandardEvent } from '@able-gauge/core'
import { computed, ref } from 'vue'
import type { Day, Entry } from '../../day/day.ts'
import { useDay } from '../../day/dayStore.ts'
import { useQueue } from '../useQueue.ts'

/** @param most how many can be on at once */
export const useGroup = (day: () => Day, event: StandardEvent, most: number) => {
  const store = useDay()
  const { queue } = useQueue(day, event.id)
  const chosenIds = ref<readonly string[]>([])

  const isWaiting = ({ id, attendance }: Entry): boolean =>
    attendance === 'present' && store.marksIn(event.id).value.get(id)?.kind === 'waiting'
  const waiting = computed(() => queue.value.filter(isWaiting))
  const entries = computed(() =>
    chosenIds.value.flatMap((id) => {
      const entry = queue.value.find((one) => one.id === id)
      return entry ? [entry] : []
    }),
  )
  const toggle = (entryId: string): void => {
    chosenIds.value = chosenIds.value.includes(entryId)
      ? chosenIds.value.filter((id) => id !== entryId)
      : chosenIds.value.length < most
        ? [...chosenIds.value, entryId]
        : chosenIds.value
  }
  const takeNext = (): void => {
    // whoever is at it already, on another device perhaps, comes first
    const running = queue.value.filter(({ id }) => store.marksIn(event.id).value.get(id)?.kind === 'running')
    chosenIds.value = [...running, ...waiting.value].slice(0, most).map(({ id }) => id)
  }
  takeNext()

  return { queue, waiting, entries, chosenIds, toggle, takeNext, most }
}
