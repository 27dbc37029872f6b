/** State and actions of one candidate's attempt at repetitions in a time. */
import {
  followRepetitions,
  mayRestart,
  type Capture,
  type Observation,
  type RepetitionAttempt,
  type RepetitionsInTime,
  type StandardEvent,
  type StopReason,
} from '@able-gauge/core'
import { computed, type ComputedRef } from 'vue'
import type { Day, Entry } from '../../day/day.ts'
import { useDay } from '../../day/dayStore.ts'
import { useSession } from '../../session/sessionStore.ts'
import { inTurns } from '../../sync/inTurns.ts'
import { useAgreedClock, type AgreedMoment } from '../../sync/agreedClock.ts'

export type RepetitionEvent = StandardEvent & { readonly protocol: RepetitionsInTime }
export type AttemptPhase = 'ready' | 'running' | 'over'

export const phaseOf = ({ startedAtMs, end }: RepetitionAttempt): AttemptPhase =>
  end !== null ? 'over' : startedAtMs === null ? 'ready' : 'running'

const isUndoable = (capture: Capture): boolean =>
  capture.kind !== 'decided' && !(capture.kind === 'stopped' && capture.payload.reason === 'time')

export const useRepetitions = (day: () => Day, event: RepetitionEvent, entry: () => Entry) => {
  const store = useDay()
  const session = useSession()
  const clock = useAgreedClock()
  const { protocol } = event

  const settled = store.settledIn(event.id)
  const own = computed(() => settled.value.filter(({ entryId }) => entryId === entry().id))
  const attempt: ComputedRef<RepetitionAttempt> = computed(() => followRepetitions(protocol, own.value))
  const phase = computed(() => phaseOf(attempt.value))
  const mark = computed(() => store.marksIn(event.id).value.get(entry().id))
  const mayCapture = computed(() => session.may('officer', 'grader', 'timer') && !day().occasion.signedOff)
  const held = computed(() => entry().attendance !== 'present')
  const ready = computed(() => mayCapture.value && clock.agreement !== null && !held.value)
  const cautionsLeft = computed(() => Math.max(0, protocol.cautionsAllowed - attempt.value.tally.cautions))
  const restartOffered = computed(() => phase.value === 'running' && mayRestart(protocol, attempt.value) === 'yes')

  const observe = async (observation: Observation, moment: AgreedMoment | null): Promise<void> => {
    await store.capture(event.id, entry().id, observation, moment)
  }

  const inTurn = inTurns()
  const start = (moment: AgreedMoment): Promise<void> => inTurn(() => observe({ kind: 'started', payload: {} }, moment))

  /** The moment is that of the press; it is settled in turn, so that an undo sees all that was pressed before it. */
  const whileRunning = (observation: Observation): Promise<void> => {
    const moment = clock.moment()
    return inTurn(async () => {
      if (phase.value === 'running' && ready.value) await observe(observation, moment)
    })
  }
  const count = (): Promise<void> => whileRunning({ kind: 'counted', payload: {} })
  const refuse = (reason: string): Promise<void> => whileRunning({ kind: 'refused', payload: { reason } })
  const caution = (): Promise<void> => whileRunning({ kind: 'cautioned', payload: {} })
  const restart = (reason: string): Promise<void> => whileRunning({ kind: 'restarted', payload: { reason } })
  const stop = (reason: StopReason): Promise<void> => whileRunning({ kind: 'stopped', payload: { reason } })

  /** Records that the time ran out, at the moment it did, however late this device noticed. */
  const endTime = (): Promise<void> =>
    inTurn(async () => {
      const { endsAtMs } = attempt.value
      const moment = clock.moment()
      if (phase.value !== 'running' || !ready.value || endsAtMs === null || !moment) return
      await observe({ kind: 'stopped', payload: { reason: 'time' } }, { ...moment, atMs: endsAtMs })
    })

  /** What undo would take back: the last thing about this candidate, but for the end of the time and an officer's decision. */
  const undoable = computed<Capture | undefined>(() => own.value.filter(isUndoable).at(-1))
  const undoWords = computed(() => {
    const last = undoable.value
    if (!last) return 'nothing yet'
    const words: Partial<Record<Capture['kind'], string>> = {
      counted: `counted ${attempt.value.tally.counted}`,
      refused: 'refused',
      cautioned: 'caution',
      restarted: 'restart',
      stopped: 'stop',
      started: 'start',
    }
    return `last: ${words[last.kind] ?? last.kind}`
  })
  const undo = (): Promise<void> => inTurn(undoLast)
  const undoLast = async (): Promise<void> => {
    const last = undoable.value
    if (!last || !mayCapture.value) return
    await observe({ kind: 'voided', payload: { captureId: last.id, reason: 'undone at the console' } }, clock.moment())
  }

  return {
    protocol,
    attempt,
    phase,
    mark,
    mayCapture,
    held,
    ready,
    cautionsLeft,
    restartOffered,
    undoable,
    undoWords,
    start,
    count,
    refuse,
    caution,
    restart,
    stop,
    endTime,
    undo,
  }
}
