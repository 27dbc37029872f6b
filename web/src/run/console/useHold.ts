/** A press that acts only when it is held: for what must not happen by a slip. */
import { onScopeDispose, ref, type Ref } from 'vue'

export interface Hold {
  /** How much of the time has been held, from 0 to 1. */
  readonly share: Ref<number>
  readonly press: () => void
  readonly release: () => void
}

export const useHold = (holdMs: number, act: () => void): Hold => {
  const share = ref(0)
  let since: number | null = null
  let frame = 0

  const step = (): void => {
    if (since === null) return
    share.value = Math.min(1, (performance.now() - since) / holdMs)
    if (share.value === 1) {
      release()
      act()
    } else frame = requestAnimationFrame(step)
  }
  const press = (): void => {
    if (since !== null) return
    since = performance.now()
    step()
  }
  const release = (): void => {
    since = null
    share.value = 0
    cancelAnimationFrame(frame)
  }
  onScopeDispose(release)
  return { share, press, release }
}
