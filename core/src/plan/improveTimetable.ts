/** Looks for an order of turns, and for orders of events where they are free, that ends the day sooner. */
import { seededRandom, type Random } from '../random/random.ts'
import { lengthOf, makeTimetable, type Timetable, type TimetableTask, type TimetableWave } from './timetable.ts'
import { timetableBound } from './timetableBound.ts'

export interface ImprovedTimetable {
  /** The task with the turns and orders that were found. */
  readonly task: TimetableTask
  readonly timetable: Timetable
  /** Length of all its days, ms. */
  readonly lengthMs: number
}

/**
 * Starts from the timetable that lays each turn as early as it can and changes one thing at a time, keeping what is no longer.
 * @param rounds how often something is tried; it ends sooner where nothing can be shorter
 * @param seed the same seed gives the same timetable
 */
export const improveTimetable = (task: TimetableTask, rounds: number, seed: number): ImprovedTimetable => {
  const random = seededRandom(seed)
  const boundMs = task.dayStartsMs.reduce((sum, _, day) => sum + timetableBound(task, day), 0)
  const first = makeTimetable(task)
  let best = { task, timetable: first, lengthMs: lengthOf(first) }
  if (task.waves.length === 0) return best
  let current = { ...best, turns: turnsIn(first), cost: costOf(first) }
  for (let round = 0; round < rounds && best.lengthMs > boundMs; round++) {
    const waves = random.next() < 0.35 ? withOtherOrder(current.task, random) : current.task.waves
    const turns = waves === current.task.waves ? moved(current.turns, random) : current.turns
    const tried: TimetableTask = { ...task, waves, turns }
    const timetable = makeTimetable(tried)
    const cost = costOf(timetable)
    // as good as before is taken as well: it may lead on to something better
    if (cost <= current.cost) current = { task: tried, timetable, lengthMs: lengthOf(timetable), turns, cost }
    if (current.lengthMs < best.lengthMs) best = current
  }
  const { task: found, timetable, lengthMs } = best
  return { task: found, timetable, lengthMs }
}

/** The length counts first; between two of one length, the one whose turns end sooner has more room left. */
const costOf = (timetable: Timetable): number =>
  lengthOf(timetable) * 1_000 +
  timetable.sittings.reduce((sum, { endMs }) => sum + endMs, 0) / timetable.sittings.length

/** Waves in the order their turns were laid. */
const turnsIn = ({ sittings }: Timetable): number[] => sittings.map(({ wave }) => wave)

/** One turn put elsewhere in the order. */
const moved = (turns: readonly number[], random: Random): number[] => {
  const next = [...turns]
  const [wave] = next.splice(random.whole(0, next.length - 1), 1)
  if (wave !== undefined) next.splice(random.whole(0, next.length), 0, wave)
  return next
}

/** Two events of one wave the other way round, where the order is free; the same waves where nothing is. */
const withOtherOrder = ({ events, groups = [], waves }: TimetableTask, random: Random): readonly TimetableWave[] => {
  const free = groups.filter((group) => group.length > 1)
  const group = free[random.whole(0, Math.max(0, free.length - 1))]
  const at = random.whole(0, waves.length - 1)
  const wave = waves[at]
  if (!group || !wave) return waves
  const order = wave.order ?? events.map(({ eventId }) => eventId)
  const [one, other] = [group[random.whole(0, group.length - 1)], group[random.whole(0, group.length - 1)]]
  if (one === undefined || other === undefined || one === other) return waves
  const swapped = order.map((id) => (id === one ? other : id === other ? one : id))
  return waves.map((each, index) => (index === at ? { ...wave, order: swapped } : each))
}
