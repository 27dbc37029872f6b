/** A station course: stations in order under one clock, faults where they are counted, splits. */
import type { Station, StationCourse } from './protocol.ts'
import type { Capture } from '../../capture/capture.ts'
import { outOfOrderNotes } from '../outOfOrder.ts'
import { clockDoubt } from '../../capture/clockDoubt.ts'
import { NOTHING_LIVE, type LiveWork } from '../liveFigures.ts'

export interface Course {
  readonly started: Capture | null
  /** Completed stations in order, with the time from the start. */
  readonly splits: readonly { readonly part: string; readonly elapsedMs: number }[]
  /** The station the candidate is on; null before the start and after the last. */
  readonly current: Station | null
  readonly faults: Readonly<Record<string, number | undefined>>
  /** The stamp of the last station. */
  readonly finish: Capture | null
  /** The station whose faults went over what is allowed. */
  readonly failedAt: Station | null
  /** Stations stamped before their turn, which did not count. */
  readonly outOfOrder: readonly string[]
}

/**
 * Follows one candidate. A station stamped before the one in front of it is complete does not count; a fault belongs to
 * the station it names, at any time before the finish.
 * @param captures settled captures of this candidate in this event, in order
 */
export const followCourse = ({ stations }: StationCourse, captures: readonly Capture[]): Course => {
  let started: Capture | null = null
  let finish: Capture | null = null
  let failedAt: Station | null = null
  const splits: { part: string; elapsedMs: number }[] = []
  const faults: Record<string, number | undefined> = {}
  const outOfOrder: string[] = []
  for (const capture of captures) {
    if (capture.kind === 'started') started ??= capture
    if (!started || finish || failedAt) continue
    if (capture.kind === 'faulted') {
      const { part } = capture.payload
      const count = (faults[part] ?? 0) + 1
      faults[part] = count
      const station = stations.find(({ id }) => id === part)
      if (station?.faultsAllowed !== undefined && count > station.faultsAllowed) failedAt = station
    } else if (capture.kind === 'passed') {
      const { part } = capture.payload
      if (stations[splits.length]?.id !== part) outOfOrder.push(part)
      else splits.push({ part, elapsedMs: capture.atMs - started.atMs })
      if (splits.length === stations.length) finish = capture
    }
  }
  const current = started && !finish && !failedAt ? (stations[splits.length] ?? null) : null
  return { started, splits, current, faults, finish, failedAt, outOfOrder }
}

export const courseWork = (protocol: StationCourse, captures: readonly Capture[]): LiveWork => {
  const { started, splits, faults, finish, failedAt, outOfOrder } = followCourse(protocol, captures)
  if (!started) return NOTHING_LIVE
  const counted = Object.entries(faults).map(([part, count]) => [`${part}-faults`, count] as const)
  return {
    begun: true,
    soFar: splits.length,
    readings: finish ? { time: finish.atMs - started.atMs, ...Object.fromEntries(counted) } : {},
    ...(failedAt
      ? {
          end: {
            reason: 'failed',
            note: `${faults[failedAt.id] ?? 0} faults on ${failedAt.name}, ${failedAt.faultsAllowed ?? 0} allowed.`,
          },
        }
      : {}),
    clockUncertaintyMs: finish ? clockDoubt(started, finish) : 0,
    notes: outOfOrderNotes(outOfOrder),
  }
}
