/** A running time, for where it is shown: nothing beside it is drawn with it. */
import { computed, type ComputedRef } from 'vue'
import { inPause } from '../../ui/pressFirst.ts'
import { useTick } from '../../ui/useTick.ts'

/** From when to when somebody works; null what has not come yet. */
export interface Span {
  readonly startedAtMs: number | null
  readonly endedAtMs: number | null
}

/** How long it is, or was, to the tenth of a second; null before the start. */
export const useElapsed = (span: () => Span): ComputedRef<number | null> => {
  const nowMs = useTick(100, inPause)
  return computed(() => {
    const { startedAtMs, endedAtMs } = span()
    if (startedAtMs === null) return null
    return Math.floor(Math.max(0, (endedAtMs ?? nowMs.value) - startedAtMs) / 100) * 100
  })
}
