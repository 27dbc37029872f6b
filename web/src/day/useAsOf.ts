/** The moment that marks are judged as of: moved on with every capture, and when something is due by time alone. */
import { onScopeDispose, ref, watch, type Ref, type ShallowRef } from 'vue'
import type { Capture } from '@able-gauge/core'
import { useAgreedClock } from '../sync/agreedClock.ts'

/** Timers hold no longer; a day is over before. */
const LONGEST_MS = 86_400_000
/** What is due at a moment has happened just after it. */
const JUST_AFTER_MS = 1

export interface AsOf {
  /** Agreed time; null while the clock is not agreed. */
  readonly asOfMs: Ref<number | null>
  /** Moves on at a moment to come, or sooner; then it is asked anew. */
  readonly until: (changesAtMs: number | null) => void
}

export const useAsOf = (captures: ShallowRef<readonly Capture[]>): AsOf => {
  const clock = useAgreedClock()
  const nowMs = (): number | null => clock.moment()?.atMs ?? null
  const asOfMs = ref(nowMs())
  let timer: ReturnType<typeof setTimeout> | undefined
  /** When the timer fires, on this page's own clock, whatever becomes of the agreed one. */
  let firesAtMs = Infinity
  const moveOn = (): void => {
    asOfMs.value = nowMs()
  }
  const onTime = (): void => {
    firesAtMs = Infinity
    moveOn()
  }
  watch(captures, moveOn, { flush: 'sync' })
  onScopeDispose(() => clearTimeout(timer))
  return {
    asOfMs,
    until: (changesAtMs) => {
      if (changesAtMs === null) return
      const leftMs = Math.max(0, changesAtMs - clock.nowMs()) / clock.speed
      const inMs = Math.min(LONGEST_MS, leftMs + JUST_AFTER_MS)
      const atMs = performance.now() + inMs
      // one that fires sooner stays: it looks anew when it is time, and costs a press nothing
      if (atMs > firesAtMs - JUST_AFTER_MS) return
      clearTimeout(timer)
      firesAtMs = atMs
      timer = setTimeout(onTime, inMs)
    },
  }
}
