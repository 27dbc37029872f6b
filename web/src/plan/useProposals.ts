/** Asks the worker for proposals. */
import type { DayPlan, Proposal } from '@able-gauge/core'
import { ref, shallowRef } from 'vue'
import { inWords } from '../api.ts'
import { byBib, type Day, type Entry } from '../day/day.ts'
import { plain, planners } from '../day/useForecast.ts'

/** By what people are put into waves. */
export type WavesBy = 'bib' | 'category' | 'unit'

export const useProposals = (day: () => Day, plan: { readonly value: DayPlan }) => {
  const planner = planners.open()
  const proposals = shallowRef<readonly Proposal[]>([])
  const busy = ref(false)
  const problem = ref('')
  const propose = async (wavesBy: WavesBy): Promise<void> => {
    busy.value = true
    problem.value = ''
    const { standard, entries, staff, unitsOf } = day()
    const groupOf = ({ id, category }: Entry): string =>
      wavesBy === 'category' ? category : wavesBy === 'unit' ? (unitsOf[id] ?? '') : ''
    const people = [...entries]
      .filter(({ attendance }) => attendance !== 'absent' && attendance !== 'withdrawn')
      .sort(byBib)
      .map((entry) => ({ entryId: entry.id, group: groupOf(entry) }))
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
