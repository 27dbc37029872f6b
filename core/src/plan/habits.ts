/** What an organisation's own past days say of how long a start really takes, and who is there. */

import { NestedList, Slug, Whole } from '../document/rules.ts'

/** How one event's starts follow each other. */
export class SlotHabit {
  @Slug() readonly eventId!: string
  /** The usual distance of two starts at one station. */
  @Whole(1) readonly usualMs!: number
  /** Standard deviation of its logarithm, in hundredths: about so many percent a start takes more or less. */
  @Whole(0, 1_000) readonly spreadPercent!: number
  /** From somebody's first capture to their last: so long they are at it themselves, while the station may still be made ready. */
  @Whole(0) readonly ownMs!: number
  /** People in one start, in tenths: starts of one person say nothing of starts of four. */
  @Whole(10) readonly peopleTenths!: number
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
  readonly people: number
  /** From the first capture of this start to its last; null where that is not known. */
  readonly ownMs: number | null
}

/** Who was entered on past days, and how many of them were captured at all. */
export interface PastPeople {
  readonly entered: number
  readonly came: number
}

/** Fewer or more people in a start by more than this are another kind of start. */
const ALIKE = 1.6
/** Whether what was learnt holds for a start of so many people. */
export const holdsFor = ({ peopleTenths }: SlotHabit, people: number): boolean =>
  Math.max(peopleTenths / 10 / people, people / (peopleTenths / 10)) <= ALIKE

/** Starts nearer to each other are one start of several people. */
const ONE_START_MS = 15_000
/** Further apart than so many usual distances nobody was waiting, or the day had a break. */
const BREAK = 2.5
const ENOUGH = 8

/** Learns from the starts of past days. */
export const learnHabits = (starts: readonly PastStart[], { entered, came }: PastPeople): Habits => {
  const distances = new Map<string, number[]>()
  const owns = new Map<string, number[]>()
  const heads = new Map<string, { people: number; starts: number }>()
  const stations = new Map<string, PastStart[]>()
  for (const start of starts) {
    const key = `${start.eventId} ${start.occasionId} ${start.deviceId}`
    stations.set(key, [...(stations.get(key) ?? []), start])
  }
  for (const own of stations.values()) {
    own.sort((a, b) => a.atMs - b.atMs)
    const eventId = own[0]?.eventId ?? ''
    const apart = own.slice(1).map(({ atMs }, index) => atMs - (own[index]?.atMs ?? atMs))
    const farApart = apart.filter((ms) => ms > ONE_START_MS)
    distances.set(eventId, [...(distances.get(eventId) ?? []), ...farApart])
    owns.set(eventId, [...(owns.get(eventId) ?? []), ...own.flatMap(({ ownMs }) => ownMs ?? [])])
    const known = heads.get(eventId) ?? { people: 0, starts: 0 }
    const people = own.reduce((sum, start) => sum + start.people, 0)
    heads.set(eventId, { people: known.people + people, starts: known.starts + farApart.length + 1 })
  }
  const slots = [...distances].flatMap(([eventId, all]): SlotHabit[] => {
    const { people = 1, starts: begun = 1 } = heads.get(eventId) ?? {}
    const usual = middleOf(all)
    const own = all.filter((ms) => ms <= BREAK * usual)
    if (own.length < ENOUGH) return []
    const logs = own.map((ms) => Math.log(ms))
    const mean = logs.reduce((sum, one) => sum + one, 0) / logs.length
    const spread = Math.sqrt(logs.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (logs.length - 1))
    const usualMs = Math.round(Math.exp(mean))
    const spans = owns.get(eventId) ?? []
    return [
      {
        eventId,
        usualMs,
        ownMs: spans.length === 0 ? usualMs : Math.min(usualMs, middleOf(spans)),
        spreadPercent: Math.round(spread * 100),
        peopleTenths: Math.max(10, Math.round((10 * people) / begun)),
        from: own.length,
      },
    ]
  })
  return {
    ...ASSUMED_HABITS,
    slots,
    ...(entered >= ENOUGH ? { absentPercent: Math.round(100 * (1 - Math.min(came, entered) / entered)) } : {}),
  }
}

const middleOf = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0
