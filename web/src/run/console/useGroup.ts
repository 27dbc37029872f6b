/** A few candidates worked together: who is on, who could be, the next few who wait. */
import type { StandardEvent } from '@able-gauge/core'
import { computed, ref, watch } from 'vue'
import type { Day, Entry } from '../../day/day.ts'
import { useAfterPaint } from '../../ui/useAfterPaint.ts'
import { doesThis, useCandidates } from '../useQueue.ts'
import { useOpenCandidates } from '../useOpenCandidates.ts'

/** @param most how many can be on at once */
export const useGroup = (day: () => Day, event: StandardEvent, most: number) => {
  const candidates = useCandidates(day, event.id, (entry) => doesThis(day(), event, entry))
  const { queue, kindOf, couldBeNext, isLost } = candidates
  const chosenIds = ref<readonly string[]>([])
  const cameByThemselves = ref(true)

  const waiting = computed(() => queue.value.filter((entry) => couldBeNext(entry) && kindOf(entry.id) === 'waiting'))
  const entries = computed(() =>
    chosenIds.value.flatMap((id) => {
      const entry = queue.value.find((one) => one.id === id)
      return entry ? [entry] : []
    }),
  )
  const toggle = (entryId: string): void => {
    cameByThemselves.value = false
    chosenIds.value = chosenIds.value.includes(entryId)
      ? chosenIds.value.filter((id) => id !== entryId)
      : chosenIds.value.length < most
        ? [...chosenIds.value, entryId]
        : chosenIds.value
  }
  /** @param through who has just finished here, though the list may not say so yet */
  const takeNext = (through: readonly string[] = []): void => {
    cameByThemselves.value = true
    const free = queue.value.filter((entry) => couldBeNext(entry) && !through.includes(entry.id))
    const isAtIt = ({ id }: Entry): boolean => kindOf(id) === 'running'
    // whoever is at it already comes first
    const inOrder = [...free.filter(isAtIt), ...free.filter((entry) => !isAtIt(entry))]
    chosenIds.value = inOrder.slice(0, most).map(({ id }) => id)
  }
  takeNext()

  useOpenCandidates(
    day,
    event.id,
    () => chosenIds.value,
    () => cameByThemselves.value,
  )
  // another device had somebody first: the next who is free comes in their place
  const isAnyLost = useAfterPaint(() => cameByThemselves.value && chosenIds.value.some(isLost))
  watch(isAnyLost, (lost) => lost && takeNext())

  return { ...candidates, waiting, entries, chosenIds, toggle, takeNext, most }
}
