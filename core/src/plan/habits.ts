/** What an organisation's own past days say of how long a start really takes, and who is there. */

import { NestedList, Slug, Whole } from '../document/rules.ts'

/** How one event's starts follow each other. */
export class SlotHabit {
  @Slug() readonly eventId!: string
  /** The usual distance of two starts at one station. */
  @Whole(1) readonly usualMs!: number
  /** Standard deviation of its logarithm, in hundredths: about so many percent a start takes more or less. */
  @Whole(0, 1_000) readonly spreadPercent!: number
  /** Distances it was learnt from. */
  @Whole(0) readonly from!: number
}

export class Habits {
  /** Events that are not here take what is planned, give or take `ASSUMED_SPREAD_PERCENT`. */
  @NestedList(() => SlotHabit, 0, 100) readonly slots!: readonly SlotHabit[]
  /** Of those entered, who does not come. */
  @Whole(0, 100) readonly absentPercent!: number
  /** Of those who come, who comes late; and how late at most. */
  @Whole(0, 100) readonly latePercent!: number
  @Whole(0) readonly latestMs!: number
  /** Of those at an event, who stops there and goes on no more. */
  @Whole(0, 100) readonly stoppedPercent!: number
}

/** Said of an organisation with no past days: a start takes what is planned, give or take a sixth. */
export const ASSUMED_SPREAD_PERCENT = 16
export const ASSUMED_HABITS: Habits = {
  slots: [],
  absentPercent: 3,
  latePercent: 3,
  latestMs: 20 * 60_000,
  stoppedPercent: 1,
}

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

/** Learns from the starts of past days. */
export const learnHabits = (starts: readonly PastStart[], { entered, came }: PastPeople): Habits => {
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
  const slots = [...distances].flatMap(([eventId, all]): SlotHabit[] => {
    const usual = middleOf(all)
    const own = all.filter((ms) => ms <= BREAK * usual)
    if (own.length < ENOUGH) return []
    const logs = own.map((ms) => Math.log(ms))
    const mean = logs.reduce((sum, one) => sum + one, 0) / logs.length
    const spread = Math.sqrt(logs.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (logs.length - 1))
    return [{ eventId, usualMs: Math.round(Math.exp(mean)), spreadPercent: Math.round(spread * 100), from: own.length }]
  })
  return {
    ...ASSUMED_HABITS,
    slots,
    ...(entered >= ENOUGH ? { absentPercent: Math.round(100 * (1 - Math.min(came, entered) / entered)) } : {}),
  }
}

const middleOf = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0
