/** Plays signals whose moments are known ahead: placed on the audio clock once, from one beginning, so that they never drift. */
import { sampleOf } from '@able-gauge/core'
import { onScopeDispose, watch } from 'vue'
import { useAgreedClock } from '../sync/agreedClock.ts'
import { audioContext, toneAt, type Tone } from './audioClock.ts'
import { useSound } from './useSound.ts'

export interface PlannedSignal {
  /** From the beginning, in ms. */
  readonly atMs: number
  readonly tone: Tone
}

const AHEAD_MS = 400
const EVERY_MS = 100

/**
 * @param startedAtMs agreed time of the beginning; null while nothing plays
 * @param between signals from one moment up to another, from the beginning
 */
export const useSignals = (
  startedAtMs: () => number | null,
  between: (fromMs: number, toMs: number) => readonly PlannedSignal[],
): void => {
  const clock = useAgreedClock()
  const { on } = useSound()
  let timer: ReturnType<typeof setInterval> | undefined

  const stop = (): void => clearInterval(timer)
  const play = (beganMs: number): void => {
    stop()
    const audio = audioContext()
    if (!audio) return
    const { speed } = clock
    // where the beginning lies on the audio clock; read once, so that one clock alone times everything after
    const beganSeconds = audio.currentTime - (clock.nowMs() - beganMs) / 1000 / speed
    let plannedMs = clock.nowMs() - beganMs
    const plan = (): void => {
      const untilMs = (audio.currentTime - beganSeconds) * 1000 * speed + AHEAD_MS * speed
      for (const { atMs, tone } of on.value ? between(plannedMs, untilMs) : []) {
        const sample = sampleOf(beganSeconds * 1000 + atMs / speed, audio.sampleRate)
        toneAt(audio, tone, Math.max(audio.currentTime, sample / audio.sampleRate))
      }
      plannedMs = Math.max(plannedMs, untilMs)
    }
    plan()
    timer = setInterval(plan, EVERY_MS)
  }

  watch(
    startedAtMs,
    (beganMs) => {
      if (beganMs === null) stop()
      else play(beganMs)
    },
    { immediate: true },
  )
  onScopeDispose(stop)
}
