/** What the referee says aloud: shown large for a few seconds and spoken once, on its moment. */
import { sayCall, type Call } from '@able-gauge/core'
import { computed, watch, type ComputedRef } from 'vue'
import { useSound } from '../../sound/useSound.ts'
import { useAgreedClock } from '../../sync/agreedClock.ts'
import { afterPress } from '../../ui/pressFirst.ts'
import { sameList } from '../../ui/sameList.ts'
import { useTick } from '../../ui/useTick.ts'

const SHOWN_MS = 6_000

/** @param calls with their moments, also those to come */
export const useCalls = (calls: () => readonly Call[]): { readonly called: ComputedRef<string> } => {
  const { say } = useSound()
  const clock = useAgreedClock()
  const nowMs = useTick(100, afterPress)
  // what is only a sound is no words: hundreds of signals would be gone through at each tick
  const all = computed<readonly Call[]>((before) => sameList(calls(), before))
  const worded = computed(() =>
    all.value.map((call) => ({ ...call, words: sayCall(call) })).filter(({ words }) => words),
  )
  // several who hear the same hear it once
  const called = computed(() => {
    const [now, sinceMs] = [nowMs.value, nowMs.value - SHOWN_MS * clock.speed]
    return worded.value.findLast(({ atMs }) => atMs <= now && atMs > sinceMs)?.words ?? ''
  })
  watch(called, (words) => {
    if (words !== '') say(words)
  })
  return { called }
}
