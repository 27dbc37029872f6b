/** Verdicts to show: judged here and live while the day is open; as they were signed once it is signed off. */
import { type Verdict, VerdictsAnswer } from '@able-gauge/core'
import { computed, shallowRef, watch, type ComputedRef } from 'vue'
import { call, NoAnswer } from '../api.ts'
import type { Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'

export const useVerdicts = (
  day: () => Day,
): {
  readonly verdicts: ComputedRef<ReadonlyMap<string, Verdict>>
  readonly judged: ComputedRef<'live' | 'signed'>
} => {
  const store = useDay()
  const signed = shallowRef<ReadonlyMap<string, Verdict> | null>(null)

  const readSigned = async (): Promise<void> => {
    try {
      const answer = await call('GET', `/occasions/${day().occasion.id}/verdicts`, VerdictsAnswer)
      signed.value = new Map(answer.verdicts.map(({ entryId, verdict }) => [entryId, verdict]))
    } catch (error) {
      // without a connection the same captures judged here give the same verdicts
      if (!(error instanceof NoAnswer)) throw error
    }
  }
  watch(
    () => [day().occasion.signedOff !== null, day().amendments.length] as const,
    ([isSigned]) => {
      if (isSigned) void readSigned()
    },
    { immediate: true },
  )

  return {
    verdicts: computed(() => signed.value ?? store.verdicts),
    judged: computed(() => (signed.value ? 'signed' : 'live')),
  }
}
