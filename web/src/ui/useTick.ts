/** A number that changes with time, for clocks on screen. */
import { onScopeDispose, ref, type Ref } from 'vue'
import { useAgreedClock } from '../sync/agreedClock.ts'
import { inQuietFrame, type When } from './pressFirst.ts'

/**
 * Agreed time, refreshed each `everyMs`; with 0 at every frame.
 * @param when how it makes way for presses; a clock that is only looked at can wait for a pause between them
 */
export const useTick = (everyMs: number, when: When = inQuietFrame): Ref<number> => {
  const clock = useAgreedClock()
  const nowMs = ref(clock.nowMs())
  let callOff = (): void => undefined
  let isAsked = false
  let timer: ReturnType<typeof setTimeout> | undefined
  const tell = (): void => {
    isAsked = false
    nowMs.value = clock.nowMs()
    if (everyMs === 0) ask()
  }
  const ask = (): void => {
    if (isAsked) return
    isAsked = true
    callOff = when(tell)
  }
  const tick = (): void => {
    // a page that is not looked at has no frames, and goes on all the same
    if (document.hidden) {
      callOff()
      tell()
    } else ask()
    tickInStep()
  }
  /** All clocks of a page tick together, so that one frame draws them. */
  const tickInStep = (): void => {
    timer = setTimeout(tick, everyMs - (performance.now() % everyMs))
  }
  if (everyMs > 0) tickInStep()
  else ask()
  onScopeDispose(() => {
    clearTimeout(timer)
    callOff()
  })
  return nowMs
}
