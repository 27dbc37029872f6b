/** What consoles share that work several people at once: capturing for any of them, and undoing what this device did. */
import {
  byTimeThenId,
  voidedIds,
  type Capture,
  type Mark,
  type Observation,
  type StandardEvent,
  type StopReason,
} from '@able-gauge/core'
import { computed, type ComputedRef, type ShallowRef } from 'vue'
import type { Day, Entry } from '../../day/day.ts'
import { useDay } from '../../day/dayStore.ts'
import { useSession } from '../../session/sessionStore.ts'
import { useAgreedClock, type AgreedMoment } from '../../sync/agreedClock.ts'
import { deviceId } from '../../sync/outbox.ts'
import { sameList } from '../../ui/sameList.ts'
import { useAfterPaint } from '../../ui/useAfterPaint.ts'

const NOTHING: readonly Capture[] = []

export interface GroupGrading {
  /** Settled captures of the event, of everybody. */
  readonly settled: ShallowRef<readonly Capture[]>
  readonly ownOf: (entryId: string) => readonly Capture[]
  readonly markOf: (entryId: string) => Mark | undefined
  /** The mark as it is shown: a press is painted before it is judged. */
  readonly shownMarkOf: (entryId: string) => Mark | undefined
  readonly mayCapture: ComputedRef<boolean>
  readonly ready: ComputedRef<boolean>
  /** Captures, where that may be done; the moment is that of the press. */
  readonly observe: (entryId: string | null, observation: Observation, moment?: AgreedMoment | null) => void
  readonly stop: (entryId: string, reason: StopReason, note?: string) => void
  /** What undo would take back: the last thing this device captured in the event. */
  readonly undoable: ComputedRef<Capture | undefined>
  readonly undo: () => void
  /** Takes a capture back that no longer counts, and says why. */
  readonly takeBack: (capture: Capture, reason: string) => void
  readonly mayStart: (entry: Entry) => boolean
}

export const useGroupGrading = (day: () => Day, event: StandardEvent): GroupGrading => {
  const store = useDay()
  const session = useSession()
  const clock = useAgreedClock()
  const settled = store.settledIn(event.id)
  const marks = store.marksIn(event.id)
  const shownMarks = useAfterPaint(() => marks.value)
  /** Whose captures are the same as before keep their list, so that a press on one is not worked out for all. */
  const byEntry = computed<ReadonlyMap<string, readonly Capture[]>>((before) => {
    const all = new Map<string, Capture[]>()
    for (const capture of settled.value) {
      if (capture.entryId === null) continue
      const own = all.get(capture.entryId)
      if (own) own.push(capture)
      else all.set(capture.entryId, [capture])
    }
    return new Map([...all].map(([entryId, own]) => [entryId, sameList(own, before?.get(entryId))]))
  })
  const mayCapture = computed(() => session.can('capture') && !day().occasion.signedOff)
  const ready = computed(() => mayCapture.value && clock.agreement !== null)

  const observe: GroupGrading['observe'] = (entryId, observation, moment = clock.moment()) => {
    if (ready.value) store.capture(event.id, entryId, observation, moment)
  }

  const lastOwn = (): Capture | undefined => {
    const mine = deviceId()
    const all = store.allIn(event.id)
    const voided = voidedIds(all)
    return all
      .filter(
        ({ id, kind, deviceId: device }) =>
          device === mine && kind !== 'voided' && kind !== 'decided' && !voided.has(id),
      )
      .sort(byTimeThenId)
      .at(-1)
  }
  // what was settled anew was captured or taken back
  const undoable = computed(() => (settled.value.length >= 0 ? lastOwn() : undefined))
  const takeBack: GroupGrading['takeBack'] = ({ id: captureId, entryId }, reason) => {
    if (mayCapture.value) store.capture(event.id, entryId, { kind: 'voided', payload: { captureId, reason } })
  }
  const undo = (): void => {
    const last = lastOwn()
    if (last) takeBack(last, 'undone at the console')
  }

  return {
    settled,
    ownOf: (entryId) => byEntry.value.get(entryId) ?? NOTHING,
    markOf: (entryId) => marks.value.get(entryId),
    shownMarkOf: (entryId) => shownMarks.value.get(entryId),
    mayCapture,
    ready,
    observe,
    stop: (entryId, reason, note = '') =>
      observe(entryId, { kind: 'stopped', payload: note.trim() === '' ? { reason } : { reason, note: note.trim() } }),
    undoable,
    undo,
    takeBack,
    mayStart: ({ attendance }) => ready.value && attendance === 'present',
  }
}
