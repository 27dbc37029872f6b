/** Where everybody is between events, as the rests run. */
import { ordersOf, restBoard, type RestState } from '@able-gauge/core'
import { useIntervalFn } from '@vueuse/core'
import { computed, type ComputedRef } from 'vue'
import type { Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { useTick } from '../ui/useTick.ts'

const ASK_AGAIN_MS = 15_000

/** A rest that has run out since it was told. */
const overBy = (state: RestState, nowMs: number): RestState =>
  state.kind === 'resting' && state.untilMs <= nowMs
    ? { kind: 'mayStart', eventId: state.eventId, sinceMs: state.untilMs }
    : state

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
  const orders = computed(() => ordersOf(day().plan?.plan, day().entries))
  const out = computed(
    () =>
      new Set(here.value.filter((id) => ['withdrawn', 'disqualified'].includes(store.verdicts.get(id)?.outcome ?? ''))),
  )
  // who sees one station alone cannot work it out: the server tells, and is asked again now and then
  if (day().rests) useIntervalFn(() => void store.reread(day().occasion.id), ASK_AGAIN_MS)
  return computed(() => {
    const { rests } = day()
    if (!rests) return restBoard(events.value, here.value, out.value, nowMs.value, orders.value)
    return new Map(Object.entries(rests).map(([id, state]) => [id, overBy(state, nowMs.value)]))
  })
}
