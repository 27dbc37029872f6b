/** What every console of one candidate in one event shares: its captures, its mark, capturing, stopping, undoing. */
import {
  isMarkOver,
  isHeldElsewhere,
  markEvent,
  rulingFor,
  type Capture,
  type Mark,
  type Observation,
  type Ruling,
  type StandardEvent,
  type StopReason,
} from '@able-gauge/core'
import { computed, type ComputedRef, type Ref } from 'vue'
import { candidateFrom, type Day, type Entry } from '../../day/day.ts'
import { useDay } from '../../day/dayStore.ts'
import { useAsOf } from '../../day/useAsOf.ts'
import { useSession } from '../../session/sessionStore.ts'
import { useAgreedClock, type AgreedMoment } from '../../sync/agreedClock.ts'
import { deviceId } from '../../sync/outbox.ts'

export interface Grading {
  /** Settled captures of the candidate in the event. */
  readonly own: ComputedRef<readonly Capture[]>
  readonly mark: ComputedRef<Mark | undefined>
  /** The moment all of it is as of; null while the clock is not agreed. */
  readonly asOfMs: Ref<number | null>
  /** Whether the mark is final for now. */
  readonly isDone: ComputedRef<boolean>
  readonly mayCapture: ComputedRef<boolean>
  /** Here, not held, clock agreed, and this person may capture. */
  readonly ready: ComputedRef<boolean>
  /** Captures, where that may be done; the moment is that of the press. */
  readonly observe: (observation: Observation, moment?: AgreedMoment | null) => void
  /** What the referee says now. */
  readonly ruling: ComputedRef<Ruling>
  /** Whether another device's count stands while the event runs. */
  readonly heldElsewhere: ComputedRef<boolean>
  readonly takeOver: () => void
  readonly stop: (reason: StopReason, note?: string) => void
  /** What undo would take back. */
  readonly undoable: ComputedRef<Capture | undefined>
  readonly undo: () => void
}

/**
 * Somebody undoes what they did here; what another device captured is taken back there, or by an officer. An officer's decision is not taken
 * back by undo, nor the end of the time, which older days recorded.
 */
const isUndoable = (capture: Capture): boolean =>
  capture.deviceId === deviceId() &&
  capture.kind !== 'decided' &&
  !(capture.kind === 'stopped' && capture.payload.reason === 'time')

/** @param entry the candidate, who may change while the console stays */
export const useGrading = (day: () => Day, event: StandardEvent, entry: () => Entry): Grading => {
  const store = useDay()
  const session = useSession()
  const clock = useAgreedClock()
  const settled = store.settledIn(event.id)
  const { asOfMs, until } = useAsOf(settled)
  const own = computed(() => settled.value.filter(({ entryId }) => entryId === entry().id))
  /**
   * Judged here for this one candidate: the marks of everybody may follow a moment later on a busy device, and a console that
   * takes a new try for the old result would not hear the finish of it.
   */
  const mark = computed<Mark | undefined>(() => {
    const { standard, occasion } = day()
    const battery = standard.events.find(({ id }) => id === event.id)
    if (!battery) return undefined
    const { id } = entry()
    const concerning = settled.value.filter(({ entryId }) => entryId === null || entryId === id)
    const terms = { standard, testDate: occasion.testDate, asOfMs: occasion.signedOff?.atMs ?? asOfMs.value }
    const { marks, changesAtMs } = markEvent(terms, battery, [candidateFrom(entry())], concerning)
    until(occasion.signedOff ? null : changesAtMs)
    return marks.get(id)
  })
  const isDone = computed(() => mark.value !== undefined && isMarkOver(mark.value))
  const mayCapture = computed(() => session.can('capture') && !day().occasion.signedOff)
  const ready = computed(() => mayCapture.value && clock.agreement !== null && entry().attendance === 'present')

  const observe = (observation: Observation, moment: AgreedMoment | null = clock.moment()): void => {
    if (ready.value) store.capture(event.id, entry().id, observation, moment)
  }
  const stop = (reason: StopReason, note = ''): void =>
    observe({ kind: 'stopped', payload: note.trim() === '' ? { reason } : { reason, note: note.trim() } })

  const ruling = computed(() => {
    const { id, wave, category } = entry()
    const person = { entryId: id, wave, category }
    return rulingFor(event, person, own.value, asOfMs.value ?? clock.nowMs())
  })
  const heldElsewhere = computed(() => isHeldElsewhere(ruling.value, deviceId()) && !isDone.value)
  const takeOver = (): void => {
    if (heldElsewhere.value) observe({ kind: 'tookOver', payload: {} })
  }

  const undoable = computed<Capture | undefined>(() => own.value.filter(isUndoable).at(-1))
  const undo = (): void => {
    const last = undoable.value
    if (!last || !mayCapture.value) return
    const payload = { captureId: last.id, reason: 'undone at the console' }
    store.capture(event.id, last.entryId, { kind: 'voided', payload })
  }

  return {
    own,
    mark,
    asOfMs,
    isDone,
    mayCapture,
    ready,
    observe,
    ruling,
    heldElsewhere,
    takeOver,
    stop,
    undoable,
    undo,
  }
}
