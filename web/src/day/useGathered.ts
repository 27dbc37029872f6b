/**
 * Captures for work that takes a while: passed on at once as long as that work is quick, and gathered for a moment when it
 * is not, so that two hundred runners at the line are stamped without waiting for their judgement.
 */
import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue'
import type { Capture } from '@able-gauge/core'

/** Work below this leaves room for a touch within a frame, also on a slow device. */
const QUICK_MS = 3
const GATHER_MS = 250

export interface Gathered {
  /** Runs the work over the captures as they are passed on, and notes how long it takes. */
  readonly timed: <Result>(work: (captures: readonly Capture[]) => Result) => Result
}

export const useGathered = (source: ShallowRef<readonly Capture[]>): Gathered => {
  const gathered = shallowRef(source.value)
  let tookMs = 0
  let timer: ReturnType<typeof setTimeout> | undefined

  watch(
    source,
    (captures) => {
      if (tookMs < QUICK_MS) gathered.value = captures
      else
        timer ??= setTimeout(() => {
          timer = undefined
          gathered.value = source.value
        }, GATHER_MS)
    },
    { flush: 'sync' },
  )
  onScopeDispose(() => clearTimeout(timer))

  return {
    timed: (work) => {
      const beganMs = performance.now()
      const result = work(gathered.value)
      tookMs = performance.now() - beganMs
      return result
    },
  }
}
