/** A number that changes with time, for clocks on screen. */
import { onScopeDispose, ref, type Ref } from 'vue'
import { useAgreedClock } from '../sync/agreedClock.ts'

/** Agreed time, refreshed each `everyMs`; with 0 at every frame. */
export const useTick = (everyMs: number): Ref<number> => {
  const clock = useAgreedClock()
  const nowMs = ref(clock.nowMs())
  let stopped = false
  const frame = (): void => {
    if (stopped) return
    nowMs.value = clock.nowMs()
    requestAnimationFrame(frame)
  }
  const timer = everyMs > 0 ? setInterval(() => (nowMs.value = clock.nowMs()), everyMs) : undefined
  if (everyMs === 0) requestAnimationFrame(frame)
  onScopeDispose(() => {
    stopped = true
    clearInterval(timer)
  })
  return nowMs
}
