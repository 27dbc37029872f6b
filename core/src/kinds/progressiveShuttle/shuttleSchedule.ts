/** Levels of a progressive shuttle: how fast, and how many shuttles each. */
import type { ProgressiveShuttle } from './protocol.ts'

export interface ScheduledLevel {
  readonly level: number
  readonly metresPerHour: number
  readonly shuttles: number
  /** Time for one shuttle, to the ms. */
  readonly shuttleMs: number
}

type Scheduled = Pick<ProgressiveShuttle, 'lineDistanceMm' | 'speeds' | 'levels'>

const LEVELS_MADE = 25
const MINUTE_MS = 60_000

/**
 * The schedule of a protocol. A level that is not listed has the smallest whole number of shuttles that lasts longer
 * than one minute (Léger et al. 1988).
 * @example scheduleOf(protocol)[0] // 20 m, 8.5 km/h: { level: 1, metresPerHour: 8500, shuttles: 8, shuttleMs: 8471 }
 */
export const scheduleOf = (protocol: Scheduled): readonly ScheduledLevel[] => {
  const known = schedules.get(protocol)
  if (known) return known
  const made = makeSchedule(protocol)
  schedules.set(protocol, made)
  return made
}

const schedules = new WeakMap<Scheduled, readonly ScheduledLevel[]>()

const makeSchedule = ({ lineDistanceMm, speeds, levels }: Scheduled): readonly ScheduledLevel[] => {
  if (levels) {
    return levels.map(({ metresPerHour, shuttles }, index) =>
      levelOf(index + 1, metresPerHour, lineDistanceMm, shuttles),
    )
  }
  if (!speeds) return []
  const { firstMetresPerHour, secondMetresPerHour, stepMetresPerHour } = speeds
  return Array.from({ length: LEVELS_MADE }, (_, index) =>
    levelOf(
      index + 1,
      index === 0 ? firstMetresPerHour : secondMetresPerHour + (index - 1) * stepMetresPerHour,
      lineDistanceMm,
    ),
  )
}

const levelOf = (level: number, metresPerHour: number, lineDistanceMm: number, listed?: number): ScheduledLevel => {
  // mm / (m/h) = mm·h/m = 3600 ms for each mm per metre an hour
  const exactMs = (lineDistanceMm * 3_600) / metresPerHour
  return {
    level,
    metresPerHour,
    shuttles: listed ?? Math.floor((MINUTE_MS * metresPerHour) / (lineDistanceMm * 3_600)) + 1,
    shuttleMs: Math.round(exactMs),
  }
}
