/** What an organisation's own past days say of how long a start really takes, and who is there. */

/** How one event's starts follow each other. */
export interface SlotHabit {
  /** The usual distance of two starts at one station, in slots of the plan. */
  readonly factor: number
  /** Standard deviation of its logarithm. */
  readonly spread: number
  /** Distances it was learnt from; 0 for what is assumed. */
  readonly from: number
}

export interface Habits {
  readonly slots: Readonly<Record<string, SlotHabit>>
  /** Share of those entered who do not come. */
  readonly absent: number
  /** Share of those who come who come late, and how late they come at most. */
  readonly late: number
  readonly latestMs: number
  /** Share of those at an event who stop there and go on no more. */
  readonly stopped: number
}

/** Said of a new organisation: a start takes what is planned, give or take a sixth; one in thirty is late. */
export const ASSUMED_SLOT: SlotHabit = { factor: 1, spread: 0.16, from: 0 }
export const ASSUMED_HABITS: Habits = { slots: {}, absent: 0.03, late: 0.03, latestMs: 20 * 60_000, stopped: 0.01 }

/** One start on record. */
export interface PastStart {
  readonly occasionId: string
  readonly eventId: string
  /** The device that stood at the station. */
  readonly deviceId: string
  readonly atMs: number
}

/** Who was entered on past days, and how many of them were captured at all. */
export interface PastPeople {
  readonly entered: number
  readonly came: number
}

/** Starts nearer to each other are one start of several people. */
const ONE_START_MS = 15_000
/** Further apart than so many usual distances nobody was waiting, or the day had a break. */
const BREAK = 2.5
const ENOUGH = 8

/**
 * Learns from the starts of past days.
 * @param slotMs what is planned for one start now, by event
 */
export const learnHabits = (
  starts: readonly PastStart[],
  { entered, came }: PastPeople,
  slotMs: Readonly<Record<string, number>>,
): Habits => {
  const distances = new Map<string, number[]>()
  const stations = new Map<string, number[]>()
  for (const { occasionId, eventId, deviceId, atMs } of starts) {
    const key = `${eventId} ${occasionId} ${deviceId}`
    stations.set(key, [...(stations.get(key) ?? []), atMs])
  }
  for (const [key, times] of stations) {
    const eventId = key.split(' ')[0] ?? ''
    times.sort((a, b) => a - b)
    const own = times.slice(1).map((atMs, index) => atMs - (times[index] ?? atMs))
    distances.set(eventId, [...(distances.get(eventId) ?? []), ...own.filter((ms) => ms > ONE_START_MS)])
  }
  const slots = [...distances].flatMap(([eventId, all]) => {
    const planned = slotMs[eventId]
    const usual = middleOf(all)
    const own = all.filter((ms) => ms <= BREAK * usual)
    if (planned === undefined || own.length < ENOUGH) return []
    const logs = own.map((ms) => Math.log(ms / planned))
    const mean = logs.reduce((sum, one) => sum + one, 0) / logs.length
    const spread = Math.sqrt(logs.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (logs.length - 1))
    return [[eventId, { factor: Math.exp(mean), spread, from: own.length }] as const]
  })
  return {
    ...ASSUMED_HABITS,
    slots: Object.fromEntries(slots),
    ...(entered >= ENOUGH ? { absent: 1 - Math.min(came, entered) / entered } : {}),
  }
}

const middleOf = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0
