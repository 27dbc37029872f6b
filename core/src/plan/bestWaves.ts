/** People put into waves in each of the ways that make sense, and the timetable that ends soonest. */
import { improveTimetable, type ImprovedTimetable } from './improveTimetable.ts'
import { lengthOf, makeTimetable, type TimetableTask, type TimetableWave } from './timetable.ts'

/** Somebody to be put into a wave; those of one group stand together. */
export interface WavePerson {
  readonly entryId: string
  readonly group?: string
}

/** Where nobody starts together a wave is as many as one person calls up by voice. */
export const LARGEST_WAVE = 24
const SMALLEST_WAVE = 4
const MOST_COUNTS = 12
/** Sizes of wave that are looked at more closely. */
const CLOSER = 3
/** As many turns are laid for one search: about a second. */
const WORK = 60_000

/** People in so many waves, as even as can be; whoever belongs together stays together where that keeps them even. */
export const evenWaves = (people: readonly WavePerson[], count: number): TimetableWave[] => {
  const groups = new Map<string, string[]>()
  for (const { entryId, group = '' } of people) groups.set(group, [...(groups.get(group) ?? []), entryId])
  const ordered = [...groups.values()].flat()
  return Array.from({ length: count }, (_, index) => ({
    wave: index + 1,
    entryIds: ordered.slice(
      Math.round((index * ordered.length) / count),
      Math.round(((index + 1) * ordered.length) / count),
    ),
  })).filter(({ entryIds }) => entryIds.length > 0)
}

/** How many waves are tried. @param largest people that start at once where people start together */
const waveCounts = (heads: number, largest: number): number[] => {
  const most = Math.max(SMALLEST_WAVE, Math.min(LARGEST_WAVE, largest))
  const fewest = Math.ceil(heads / most)
  const last = Math.max(fewest, Math.floor(heads / SMALLEST_WAVE))
  return Array.from({ length: Math.min(last - fewest + 1, MOST_COUNTS) }, (_, index) => fewest + index)
}

/** So often something can be tried within the time a person waits. */
export const roundsFor = ({ events, waves }: TimetableTask): number => {
  const people = waves.reduce((sum, { entryIds }) => sum + entryIds.length, 0)
  return Math.max(8, Math.min(400, Math.round(WORK / (events.length * (waves.length + people)))))
}

/**
 * @param taskOf the task with these waves
 * @param closer so many sizes are searched, those that end soonest as they are laid
 * @throws Error when there is nobody to put into a wave
 */
export const bestWaves = (
  people: readonly WavePerson[],
  largest: number,
  taskOf: (waves: readonly TimetableWave[]) => TimetableTask,
  seed: number,
  closer = CLOSER,
): ImprovedTimetable => {
  const [found] = waveCounts(people.length, largest)
    .map((count) => taskOf(evenWaves(people, count)))
    .map((task) => ({ task, lengthMs: lengthOf(makeTimetable(task)) }))
    .sort((a, b) => a.lengthMs - b.lengthMs || a.task.waves.length - b.task.waves.length)
    .slice(0, closer)
    .map(({ task }) => improveTimetable(task, roundsFor(task), seed))
    .sort((a, b) => a.lengthMs - b.lengthMs)
  if (!found) throw new Error('Nobody is to be put into a wave.')
  return found
}
