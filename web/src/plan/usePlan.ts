/** The plan being edited: what is on record, what was changed here, and what somebody else changed meanwhile. */
import {
  type DayPlan,
  type EventPlan,
  mergePlans,
  type PlanChange,
  planChanges,
  planFor,
  RevisionAnswer,
} from '@able-gauge/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { call, inWords, Refusal } from '../api.ts'
import type { Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { useDone } from '../ui/done.ts'

export interface PlanMeanwhile {
  /** Who saved it. */
  readonly by: string
  readonly changes: readonly PlanChange[]
  /** Places both have changed, in words of mine. */
  readonly clashes: readonly string[]
}

export const usePlan = (day: () => Day) => {
  const store = useDay()
  const done = useDone()
  const standard = computed(() => day().standard)
  const stored = (): DayPlan => planFor(standard.value, day().plan?.plan ?? null)

  /** What was on record when editing began, and its revision. */
  const base = shallowRef(stored())
  const revision = ref(day().plan?.revision ?? 0)
  const plan = shallowRef(base.value)
  const saving = ref(false)
  const problem = ref('')
  const meanwhile = shallowRef<PlanMeanwhile | null>(null)

  const named = computed(() => ({
    standard: standard.value,
    staffName: (accountId: string) =>
      day().staff.find((member) => member.accountId === accountId)?.displayName ?? 'somebody who left the staff',
  }))
  const changes = computed(() => planChanges(base.value, plan.value, named.value))

  const takeTheirs = (): void => {
    base.value = plan.value = stored()
    revision.value = day().plan?.revision ?? 0
    meanwhile.value = null
  }
  const putMineOnTop = (): void => {
    const { plan: merged } = mergePlans(base.value, plan.value, stored())
    base.value = stored()
    plan.value = merged
    revision.value = day().plan?.revision ?? 0
    meanwhile.value = null
  }
  /** Somebody else has saved: with nothing changed here theirs is shown, otherwise both are laid side by side. */
  const noticeTheirs = (): void => {
    if ((day().plan?.revision ?? 0) <= revision.value || saving.value) return
    if (changes.value.length === 0) takeTheirs()
    else tellMeanwhile()
  }
  watch(() => day().plan?.revision, noticeTheirs)
  const tellMeanwhile = (): void => {
    const theirs = stored()
    const { clashes } = mergePlans(base.value, plan.value, theirs)
    meanwhile.value = {
      by: day().plan?.editedBy ?? 'Somebody else',
      changes: planChanges(base.value, theirs, named.value),
      clashes: changes.value.filter(({ place }) => clashes.includes(place)).map(({ sentence }) => sentence),
    }
  }

  const change = (next: DayPlan): void => {
    plan.value = next
  }
  const changeEvent = (eventId: string, fields: Partial<EventPlan>): void =>
    change({
      ...plan.value,
      events: plan.value.events.map((one) => (one.eventId === eventId ? { ...one, ...fields } : one)),
    })

  const save = async (): Promise<void> => {
    const { id } = day().occasion
    saving.value = true
    problem.value = ''
    const sent = plan.value
    try {
      const answer = await call('PUT', `/occasions/${id}/plan`, RevisionAnswer, {
        revision: revision.value,
        plan: sent,
      })
      revision.value = answer.revision
      base.value = sent
      await store.reread(id)
      done.tell('The plan is saved.')
    } catch (error) {
      if (error instanceof Refusal && error.code === 'plan.editedMeanwhile') {
        await store.reread(id)
        tellMeanwhile()
      } else problem.value = inWords(error)
    } finally {
      saving.value = false
      // somebody may have saved right after, while this was still being put away
      noticeTheirs()
    }
  }

  const drop = (): void => {
    plan.value = base.value
  }

  return { plan, changes, saving, problem, meanwhile, change, changeEvent, save, drop, takeTheirs, putMineOnTop }
}

export type PlanDraft = ReturnType<typeof usePlan>
