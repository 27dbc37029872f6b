/** Asks the worker for proposals and for what will really happen; answers about an older plan are thrown away. */
import {
  ASSUMED_HABITS,
  Habits,
  type DayPlan,
  type Proposal,
  type Timetable,
  type TimetableTask,
  type SoFar,
} from '@able-gauge/core'
import { useDebounceFn } from '@vueuse/core'
import { wrap, type Remote } from 'comlink'
import { computed, onScopeDispose, ref, shallowRef, toRaw, watch } from 'vue'
import { call, inWords } from '../api.ts'
import { byBib, type Day } from '../day/day.ts'
import type { Forecast, Planner } from '../workers/plan.worker.ts'
import PlanWorker from '../workers/plan.worker.ts?worker'

/** By what people are put into waves. */
export type WavesBy = 'bib' | 'category'

const FORECAST_AFTER_MS = 250

const openWorker = (): Remote<Planner> => {
  const worker = new PlanWorker()
  onScopeDispose(() => worker.terminate())
  return wrap<Planner>(worker)
}
/** A worker takes no reactive values. */
const plain = <Value>(value: Value): Value => JSON.parse(JSON.stringify(toRaw(value))) as Value

/** How long starts took on the organisation's past days; what is assumed until they are read, and where there are none. */
export const useHabits = (day: () => Day) => {
  const habits = shallowRef<Habits>(ASSUMED_HABITS)
  const read = async (): Promise<void> => {
    try {
      habits.value = await call('GET', `/occasions/${day().occasion.id}/habits`, Habits)
    } catch {
      // without the server, or for somebody who may not plan, what is assumed has to do
    }
  }
  void read()
  return habits
}

export const useProposals = (day: () => Day, plan: { readonly value: DayPlan }) => {
  const planner = openWorker()
  const proposals = shallowRef<readonly Proposal[]>([])
  const busy = ref(false)
  const problem = ref('')
  const propose = async (wavesBy: WavesBy): Promise<void> => {
    busy.value = true
    problem.value = ''
    const { standard, entries, staff } = day()
    const people = [...entries]
      .filter(({ attendance }) => attendance !== 'absent' && attendance !== 'withdrawn')
      .sort(byBib)
      .map(({ id, category }) => ({ entryId: id, ...(wavesBy === 'category' ? { group: category } : {}) }))
    const onStaff = staff.map(({ accountId, displayName, duty, role, entryId }) => ({
      accountId,
      displayName,
      duty,
      role,
      ...(entryId === undefined ? {} : { entryId }),
    }))
    try {
      proposals.value = await planner.propose(plain({ standard, plan: plan.value, people, staff: onStaff }))
    } catch (error) {
      problem.value = inWords(error)
    } finally {
      busy.value = false
    }
  }
  return { proposals, busy, problem, propose }
}

/** What will happen on each day of the plan; null while it is worked out for the first time. */
export const useForecast = (
  task: { readonly value: TimetableTask },
  timetable: { readonly value: Timetable },
  habits: { readonly value: Habits },
  day: () => number,
  soFar: () => SoFar | null = () => null,
) => {
  const planner = openWorker()
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
