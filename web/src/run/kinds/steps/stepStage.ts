/** How far a step test is at a moment: stepping, seated until the count, counting the pulse, entering it. */
import type { Steps } from '@able-gauge/core'

export type StepStage = 'ready' | 'stepping' | 'waiting' | 'counting' | 'entering'

export const stepStage = ({ startedAtMs, workEndsAtMs, pulseFromMs, pulseToMs }: Steps, nowMs: number): StepStage => {
  if (startedAtMs === null || workEndsAtMs === null) return 'ready'
  if (nowMs < workEndsAtMs) return 'stepping'
  if (pulseFromMs === null || pulseToMs === null) return 'entering'
  return nowMs < pulseFromMs ? 'waiting' : nowMs < pulseToMs ? 'counting' : 'entering'
}

/** What is said aloud when a stage begins. */
export const STEP_WORDS: Readonly<Partial<Record<StepStage, string>>> = {
  waiting: 'Stop and sit down. Find the pulse.',
  counting: 'Count',
  entering: 'Stop counting',
}
