import { RepetitionsInTime } from './repetitionsInTime.ts'
import { TimedDistance } from './timedDistance.ts'
import type { EventKind } from './eventKind.ts'

export type Protocol = RepetitionsInTime | TimedDistance

export const PROTOCOLS: Readonly<Record<EventKind, new () => Protocol>> = {
  repetitionsInTime: RepetitionsInTime,
  timedDistance: TimedDistance,
}
