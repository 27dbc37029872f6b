/** What the referee says aloud: shown large for a few seconds and spoken once, on its moment. */
import { sayCall, type Call } from '@able-gauge/core'
import { computed, watch, type ComputedRef } from 'vue'
import { useSound } from '../../sound/useSound.ts'
import { useAgreedClock } from '../../sync/agreedClock.ts'
import { afterPress } from '../../ui/pressFirst.ts'
import { useTick } from '../../ui/useTick.ts'

const SHOWN_MS = 6_000

/** @param calls with their moments, also those to come */
export const useCalls = (calls: () => readonly Call[]): { readonly called: ComputedRef<string> } => {
  const { say } = useSound()
  const clock = useAgreedClock()
  const nowMs = useTick(100, afterPress)
  const all = computed(calls)
  const due = computed(() =>
    all.value.filter(({ atMs }) => atMs <= nowMs.value && nowMs.value - atMs < SHOWN_MS * clock.speed),
  )
  // several who hear the same hear it once
  const called = computed(() => due.value.map(sayCall).filter(Boolean).at(-1) ?? '')
  watch(called, (words) => {
    if (words !== '') say(words)
  })
  return { called }
}
