/** Asks the worker what will really happen on a day; answers about an older plan are thrown away. */
import { ASSUMED_HABITS, Habits, type SoFar, type Timetable, type TimetableTask } from '@able-gauge/core'
import { useDebounceFn } from '@vueuse/core'
import { wrap, type Remote } from 'comlink'
import { computed, onScopeDispose, shallowRef, toRaw, watch } from 'vue'
import { call } from '../api.ts'
import type { Forecast, Planner } from '../workers/plan.worker.ts'
import PlanWorker from '../workers/plan.worker.ts?worker'
import { useSession } from '../session/sessionStore.ts'
import type { Day } from './day.ts'

const FORECAST_AFTER_MS = 250

/** Where a planner comes from; tests play one. */
export const planners = {
  open: (): Remote<Planner> => {
    const worker = new PlanWorker()
    onScopeDispose(() => worker.terminate())
    return wrap<Planner>(worker)
  },
}
/** A worker takes no reactive values. */
export const plain = <Value>(value: Value): Value => JSON.parse(JSON.stringify(toRaw(value))) as Value

/** How long starts took on the organisation's past days; what is assumed until they are read, and where there are none. */
export const useHabits = (day: () => Day) => {
  const habits = shallowRef<Habits>(ASSUMED_HABITS)
  const session = useSession()
  const read = async (): Promise<void> => {
    // whoever may not plan is told nothing of past days
    if (!session.can('habits.read')) return
    try {
      habits.value = await call('GET', `/occasions/${day().occasion.id}/habits`, Habits)
    } catch {
      // without the server what is assumed has to do
    }
  }
  void read()
  return habits
}

/** What will happen on each day of the plan; null while it is worked out for the first time. */
export const useForecast = (
  task: { readonly value: TimetableTask },
  timetable: { readonly value: Timetable },
  habits: { readonly value: Habits },
  day: () => number,
  soFar: () => SoFar | null = () => null,
) => {
  const planner = planners.open()
  const forecast = shallowRef<Forecast | null>(null)
  let round = 0
  const ask = async (): Promise<void> => {
    const mine = ++round
    if (task.value.waves.length === 0) {
      forecast.value = null
      return
    }
    const known = soFar()
    const answer = await planner.forecast(
      plain(task.value),
      plain(timetable.value),
      plain(habits.value),
      day(),
      // maps and sets are taken as they are
      known ? toRaw(known) : null,
    )
    if (mine === round) forecast.value = answer
  }
  const askSoon = useDebounceFn(ask, FORECAST_AFTER_MS)
  watch([task, timetable, habits, computed(day), computed(soFar)], () => void askSoon(), { immediate: true })
  return forecast
}
