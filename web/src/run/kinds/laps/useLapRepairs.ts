/** Mistakes at the finish line that can still be mended: missed and doubled stamps, and two logs that part. */
import {
  alignLogs,
  crossingsSince,
  isTimers,
  lapFaults,
  lapsOf,
  onGround,
  startsIn,
  waveStarts,
  type AlignedRow,
  type Capture,
  type LapFault,
  type StandardEvent,
  type TimedDistance,
} from '@able-gauge/core'
import { refDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Entry } from '../../../day/day.ts'
import { useDay } from '../../../day/dayStore.ts'
import { momentAt, useAgreedClock } from '../../../sync/agreedClock.ts'
import { useTick } from '../../../ui/useTick.ts'
import { faultKey } from './faultKey.ts'

type RunEvent = StandardEvent & { readonly protocol: TimedDistance }

/**
 * @param runners of the wave on the console
 * @param wave its number
 */
export const useLapRepairs = (event: RunEvent, runners: () => readonly Entry[], wave: () => number) => {
  const store = useDay()
  const clock = useAgreedClock()
  // mistakes are looked for a moment after the stamps, never between a touch and its stamp
  const settled = refDebounced(store.settledIn(event.id), 600, { maxWait: 3_000 })
  // whether a finish is overdue need not be known more often
  const nowMs = useTick(5_000)
  /** Offers somebody has looked at and left as they are, on this device. */
  const dismissed = ref<ReadonlySet<string>>(new Set())

  const starts = computed(() => waveStarts(settled.value))
  const start = computed(() => starts.value.find(({ payload }) => payload.wave === wave()))
  const course = computed(() => onGround(event.protocol, start.value ?? null))
  const stamps = computed(() => {
    const byEntry = new Map<string, Capture[]>(runners().map(({ id }) => [id, []]))
    for (const capture of settled.value) if (capture.entryId !== null) byEntry.get(capture.entryId)?.push(capture)
    return byEntry
  })
  /** Runners who ended without a finish have no finish to miss. */
  const faults = computed<readonly LapFault[]>(() => {
    if (!start.value) return []
    const startedAtMs = start.value.atMs
    const startFor = startsIn(starts.value)
    const stamped = runners().flatMap(({ id, wave: own }) => {
      const captures = stamps.value.get(id) ?? []
      const hasEnded = captures.some(({ kind }) => kind === 'stopped')
      const since = startFor({ entryId: id, wave: own }, captures)
      if (hasEnded || !since) return []
      const { counted } = crossingsSince(since, captures)
      return [{ entryId: id, stamps: counted.map(({ id: captureId, atMs }) => ({ captureId, atMs })) }]
    })
    const found = lapFaults(course.value, startedAtMs, stamped, nowMs.value)
    return found.filter((fault) => !dismissed.value.has(faultKey(fault)))
  })
  const dismiss = (fault: LapFault): void => {
    dismissed.value = new Set([...dismissed.value, faultKey(fault)])
  }
  const repair = (fault: LapFault): void => {
    if (fault.kind === 'doubled') {
      const payload = { captureId: fault.captureId, reason: 'double touch' }
      store.capture(event.id, fault.entryId, { kind: 'voided', payload })
      return
    }
    const moment = clock.moment()
    if (fault.atMs === null || !moment) return
    store.capture(
      event.id,
      fault.entryId,
      { kind: 'crossed', payload: { estimated: true } },
      momentAt(fault.atMs, moment),
    )
  }

  /** Times at the finish: each runner's last lap, and times without a bib. */
  const finishTimes = computed(() => {
    const laps = lapsOf(course.value)
    const seen = new Map<string, number>()
    const { value: begun } = start
    const again = new Set(begun ? [...stamps.value.values()].flatMap((own) => crossingsSince(begun, own).again) : [])
    const counted = settled.value.filter((capture) => isTimers(capture) && !again.has(capture))
    return counted.flatMap((capture) => {
      if (capture.entryId === null) return [{ id: capture.id, atMs: capture.atMs, bib: null }]
      const lap = (seen.get(capture.entryId) ?? 0) + 1
      seen.set(capture.entryId, lap)
      const bib = store.entry(capture.entryId)?.bib ?? null
      return lap === laps && stamps.value.has(capture.entryId) ? [{ id: capture.id, atMs: capture.atMs, bib }] : []
    })
  })
  const placed = computed(() =>
    settled.value.flatMap((capture) =>
      capture.kind === 'placed' && capture.entryId !== null && stamps.value.has(capture.entryId)
        ? [{ id: capture.id, atMs: capture.atMs, bib: store.entry(capture.entryId)?.bib ?? null }]
        : [],
    ),
  )
  const aligned = computed<readonly AlignedRow[]>(() =>
    placed.value.length === 0 ? [] : alignLogs(finishTimes.value, placed.value),
  )
  const differences = computed(() => aligned.value.filter((row) => row.kind !== 'pair' || row.differs).length)
  /** Times without a bib for which the order of the finish names one. */
  const assignable = computed(() =>
    aligned.value.flatMap((row) =>
      row.kind === 'pair' && row.time.bib === null && row.finisher.bib !== null
        ? [{ captureId: row.time.id, bib: row.finisher.bib }]
        : [],
    ),
  )

  return { faults, dismiss, repair, placed, aligned, differences, assignable }
}
