/** Where everybody is between events, as the rests run. */
import { restBoard, type RestState } from '@able-gauge/core'
import { computed, type ComputedRef } from 'vue'
import type { Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { useTick } from '../ui/useTick.ts'

export const useRests = (day: () => Day): ComputedRef<ReadonlyMap<string, RestState>> => {
  const store = useDay()
  const nowMs = useTick(1_000)
  const events = computed(() =>
    day().standard.events.map((event) => ({
      event,
      marks: store.marksIn(event.id).value,
      settled: store.settledIn(event.id).value,
    })),
  )
  const here = computed(() =>
    day()
      .entries.filter(({ attendance }) => attendance === 'present')
      .map(({ id }) => id),
  )
  const out = computed(
    () =>
      new Set(here.value.filter((id) => ['withdrawn', 'disqualified'].includes(store.verdicts.get(id)?.outcome ?? ''))),
  )
  return computed(() => restBoard(events.value, here.value, out.value, nowMs.value))
}
