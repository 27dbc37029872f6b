/** The station of the plan this device stands at in an event, chosen once, and whom the timetable sends there. */
import { makeTimetable, timetableTask } from '@able-gauge/core'
import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import { wavesOnGround, type Day } from '../day/day.ts'

export const useStation = (day: () => Day, eventId: string) => {
  /** How many stand side by side; 1 without a plan. */
  const count = computed(() => day().plan?.plan.events.find((one) => one.eventId === eventId)?.stations ?? 1)
  /** From 1; 0 for any. */
  const kept = useLocalStorage(`able-gauge-station ${day().occasion.id} ${eventId}`, 0)
  const number = computed({
    get: () => (kept.value <= count.value ? kept.value : 0),
    set: (value) => (kept.value = value),
  })
  const stationOf = computed(() => {
    const plan = day().plan?.plan
    if (!plan || count.value < 2) return new Map<string, number>()
    const { sittings } = makeTimetable(timetableTask(plan, day().standard, wavesOnGround(day())))
    const starts = sittings.filter((sitting) => sitting.eventId === eventId).flatMap((sitting) => sitting.starts)
    return new Map(starts.flatMap(({ station, entryIds }) => entryIds.map((id) => [id, station] as const)))
  })
  /** Everybody's, as long as no station is chosen. */
  const isMine = (entryId: string): boolean => number.value === 0 || stationOf.value.get(entryId) === number.value
  return { count, number, isMine }
}
