/** Level and shuttle as one count: how many shuttles were run since the start, by the schedule. */
import type { ProgressiveShuttle } from './protocol.ts'
import { scheduleOf } from './shuttleSchedule.ts'

/** Level × 100 + shuttle, as a value of the unit `levelShuttle` holds it. */
const HUNDRED = 100

export interface ShuttleScale {
  /** Shuttles completed by somebody who reached level and shuttle; beyond the schedule its last level goes on. */
  readonly shuttlesAt: (levelShuttle: number) => number
  /** Level and shuttle after so many shuttles; level 0, shuttle 0 after none. */
  readonly reachedAfter: (shuttles: number) => number
}

type Scheduled = Pick<ProgressiveShuttle, 'lineDistanceMm' | 'speeds' | 'levels'>

/** @example shuttleScale(protocol).shuttlesAt(801) // one more than shuttlesAt(710), where level 7 has 10 shuttles */
export const shuttleScale = (protocol: Scheduled): ShuttleScale => {
  const known = scales.get(protocol)
  if (known) return known
  const made = makeScale(scheduleOf(protocol).map(({ shuttles }) => shuttles))
  scales.set(protocol, made)
  return made
}

const scales = new WeakMap<Scheduled, ShuttleScale>()

const makeScale = (shuttles: readonly number[]): ShuttleScale => {
  const before = shuttles.reduce<number[]>((sums, count) => [...sums, (sums.at(-1) ?? 0) + count], [0])
  const inLevel = (level: number): number => shuttles[level - 1] ?? shuttles.at(-1) ?? 1
  const beforeLevel = (level: number): number =>
    level <= shuttles.length + 1
      ? (before[Math.max(0, level - 1)] ?? 0)
      : (before.at(-1) ?? 0) + (level - 1 - shuttles.length) * inLevel(level)
  return {
    shuttlesAt: (value) => {
      const [level, shuttle] = [Math.floor(value / HUNDRED), value % HUNDRED]
      return level < 1 ? 0 : beforeLevel(level) + Math.min(shuttle, inLevel(level))
    },
    reachedAfter: (count) => {
      if (count < 1) return 0
      let level = 1
      while (count > beforeLevel(level) + inLevel(level)) level++
      return level * HUNDRED + count - beforeLevel(level)
    },
  }
}
