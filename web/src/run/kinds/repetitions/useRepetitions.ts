/** State and actions of one candidate's counted repetitions: in a time, to failure or to a cadence. */
import {
  clockOf,
  clockStands,
  followRepetitions,
  mayRestart,
  type Capture,
  type CountedProtocol,
  type Observation,
  type RepetitionAttempt,
  type StandardEvent,
  type StopReason,
} from '@able-gauge/core'
import { computed, type ComputedRef } from 'vue'
import type { Day, Entry } from '../../../day/day.ts'
import type { AgreedMoment } from '../../../sync/agreedClock.ts'
import { useGrading } from '../../console/useGrading.ts'

export type RepetitionEvent = StandardEvent & { readonly protocol: CountedProtocol }
export type AttemptPhase = 'ready' | 'running' | 'over'

export const phaseOf = ({ startedAtMs, end }: RepetitionAttempt): AttemptPhase =>
  end !== null ? 'over' : startedAtMs === null ? 'ready' : 'running'

export const useRepetitions = (day: () => Day, event: RepetitionEvent, entry: () => Entry) => {
  const { protocol } = event
  const grading = useGrading(day, event, entry)

  const attempt: ComputedRef<RepetitionAttempt> = computed(() =>
    followRepetitions(protocol, grading.own.value, grading.asOfMs.value),
  )
  const phase = computed(() => (grading.isDone.value ? 'over' : phaseOf(attempt.value)))
  const cautionsLeft = computed(() => Math.max(0, protocol.cautionsAllowed - attempt.value.tally.cautions))
  const restartOffered = computed(() => phase.value === 'running' && mayRestart(protocol, attempt.value) === 'yes')
  const stands = clockStands(protocol)
  const durationMs = clockOf(protocol)

  const start = (moment: AgreedMoment): void => {
    if (phase.value === 'ready') grading.observe({ kind: 'started', payload: {} }, moment)
  }
  const whileRunning = (observation: Observation): void => {
    if (phase.value === 'running') grading.observe(observation)
  }
  const count = (): void => whileRunning({ kind: 'counted', payload: {} })
  const refuse = (reason: string): void => whileRunning({ kind: 'refused', payload: { reason } })
  const caution = (): void => whileRunning({ kind: 'cautioned', payload: {} })
  const missBeat = (): void => whileRunning({ kind: 'missed', payload: {} })
  const restart = (reason: string): void => whileRunning({ kind: 'restarted', payload: { reason } })
  const stop = (reason: StopReason, note = ''): void =>
    whileRunning({ kind: 'stopped', payload: note === '' ? { reason } : { reason, note } })
  /** Stops the clock for a rest, or lets it go on, where the protocol has it stand. */
  const rest = (): void =>
    whileRunning(attempt.value.pausedAtMs === null ? { kind: 'paused', payload: {} } : { kind: 'resumed', payload: {} })

  const undoWords = computed(() => {
    const last = grading.undoable.value
    if (!last) return 'nothing yet'
    const words: Partial<Record<Capture['kind'], string>> = {
      counted: `counted ${attempt.value.tally.counted}`,
      cautioned: 'caution',
      missed: 'missed beat',
      paused: 'rest',
      restarted: 'restart',
      stopped: 'stop',
      started: 'start',
    }
    return `last: ${words[last.kind] ?? last.kind}`
  })

  return {
    grading,
    protocol,
    durationMs,
    stands,
    attempt,
    phase,
    cautionsLeft,
    restartOffered,
    undoWords,
    start,
    count,
    refuse,
    caution,
    missBeat,
    rest,
    restart,
    stop,
  }
}
