/** A number that changes with time, for clocks on screen. */
import { onScopeDispose, ref, type Ref } from 'vue'
import { useAgreedClock } from '../sync/agreedClock.ts'
import { inQuietFrame } from './pressFirst.ts'

/** Agreed time, refreshed each `everyMs`; with 0 at every frame. */
export const useTick = (everyMs: number): Ref<number> => {
  const clock = useAgreedClock()
  const nowMs = ref(clock.nowMs())
  let callOff = (): void => undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  const tell = (): void => {
    nowMs.value = clock.nowMs()
    if (everyMs === 0) callOff = inQuietFrame(tell)
  }
  const tick = (): void => {
    callOff()
    // a page that is not looked at has no frames, and goes on all the same
    if (document.hidden) tell()
    else callOff = inQuietFrame(tell)
    tickInStep()
  }
  /** All clocks of a page tick together, so that one frame draws them. */
  const tickInStep = (): void => {
    timer = setTimeout(tick, everyMs - (performance.now() % everyMs))
  }
  if (everyMs > 0) tickInStep()
  else callOff = inQuietFrame(tell)
  onScopeDispose(() => {
    clearTimeout(timer)
    callOff()
  })
  return nowMs
}
