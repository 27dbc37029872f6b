/** Words for what was read and what was done with the figures. */
import type { ReadingStep, TakenReading } from '../kinds/measure.ts'
import { printField, suffixOf } from '../quantity/field.ts'
import { printLength } from '../quantity/length.ts'
import { printMass } from '../quantity/mass.ts'
import { printTime, printSeconds } from '../quantity/time.ts'
import { printQuantity, type Unit } from '../quantity/unit.ts'
import type { Words } from './words.ts'

/** One figure alone is its own title; several are listed. */
export const readingsWords = (taken: readonly TakenReading[]): Words => {
  const [only, another] = taken
  if (only && !another) {
    return only.stamped
      ? { title: `${printReading(only)} stamped`, sentence: `${only.label}, from the captures of this event.` }
      : { title: `${printReading(only)} read`, sentence: `${only.label}, as it was entered.` }
  }
  return {
    title: `${taken.length} readings`,
    sentence: `${taken.map((reading) => `${reading.label}: ${printReading(reading)}`).join('; ')}.`,
  }
}

/** A reading in the unit it was read in. */
export const printReading = ({ value, ...form }: TakenReading): string => {
  if (form.unit === 'ms' || form.unit === 'done' || form.unit === 'count') return printQuantity(value, form.unit)
  const suffix = suffixOf(form)
  const printed = printField(value, form)
  // feet and inches name their unit themselves
  return suffix === '' || printed.endsWith(suffix) || form.shownIn === 'ft-in' ? printed : `${printed} ${suffix}`
}

const SELECTED = { best: 'The best of', mean: 'The mean of', last: 'The last of', sum: 'The sum of' } as const
const SIDES = {
  lesser: 'The weaker side counts',
  greater: 'The better side counts',
  mean: 'The mean of both sides counts',
  sum: 'Both sides are added',
} as const
const WATCHES = {
  slower: 'The slower watch counts',
  middle: 'The middle watch counts',
  mean: 'The mean counts',
} as const

const levelsCompleted = (levels: number): string => `${levels} ${levels === 1 ? 'level' : 'levels'} completed`

/** Where the two ways of counting levels part. */
const beforeMiss = ({
  completedLevels,
  levelsBeforeMiss = completedLevels,
}: Extract<ReadingStep, { code: 'shuttle' }>): string =>
  levelsBeforeMiss === completedLevels ? '' : `, before the first miss: ${levelsBeforeMiss}`

/** @param unit of the measure */
export const readingStepWords = (step: ReadingStep, unit: Unit): Words => {
  switch (step.code) {
    case 'watches':
      return {
        title: `${WATCHES[step.by]}: ${printTime(step.elapsedMs)}`,
        sentence: `${step.count} watches were on this person.`,
      }
    case 'selected':
      return { title: `${SELECTED[step.select]} ${step.of} tries`, sentence: 'As the protocol asks.' }
    case 'sides':
      return {
        title: SIDES[step.ofSides],
        sentence: `Left ${printQuantity(step.left, unit)}, right ${printQuantity(step.right, unit)}.`,
      }
    case 'zero':
      return {
        title: `Less ${printQuantity(step.offset, unit)} at the zero line`,
        sentence: 'Taken off every reading.',
      }
    case 'standingReach':
      return {
        title: `Less a standing reach of ${printLength(step.reachMm)}`,
        sentence: 'Jump height is the reach at the top of the jump less the standing reach.',
      }
    case 'capped':
      return { title: `Held at ${printQuantity(step.cap, unit)}`, sentence: 'Nothing is measured beyond the cap.' }
    case 'lastMark':
      return {
        title: 'To the last mark passed',
        sentence: `Part laps are read by marks every ${printLength(step.markEveryMm)}.`,
      }
    case 'handCorrection':
      return {
        title: `${printSeconds(step.correctionMs)} added for hand timing`,
        sentence: 'The correction the standard publishes.',
      }
    case 'stoppedEarly':
      return {
        title: `Stopped after ${printTime(step.heldMs)} of ${printTime(step.ofMs)}`,
        sentence: 'Judged by the time held, as the protocol asks.',
      }
    case 'pulse':
      return {
        title: `${step.beats} beats in ${printSeconds(step.windowMs)}`,
        sentence: `Times ${60_000 / step.windowMs} for a minute.`,
      }
    case 'shuttle':
      return {
        title: {
          lastShuttle: `Level ${step.level}, shuttle ${step.shuttle}`,
          lastCompletedLevel: levelsCompleted(step.completedLevels),
          levelBeforeFirstMiss: `${levelsCompleted(step.levelsBeforeMiss ?? 0)} before the first miss`,
        }[step.counts],
        sentence: {
          lastShuttle: `The last shuttle counts. Levels completed: ${step.completedLevels}${beforeMiss(step)}.`,
          lastCompletedLevel: `The last completed level counts. Reached level ${step.level}, shuttle ${step.shuttle}${beforeMiss(step)}.`,
          levelBeforeFirstMiss: `The last level complete before the first miss counts. Reached level ${step.level}, shuttle ${step.shuttle}; levels completed in all: ${step.completedLevels}.`,
        }[step.counts],
      }
    case 'estimated':
      return {
        title: `Computed from ${step.repetitions} at ${printMass(step.loadG)}`,
        sentence:
          step.formula === 'epley'
            ? 'Epley 1985: load × (1 + repetitions / 30), as the standard asks.'
            : 'Brzycki 1993: load × 36 / (37 − repetitions), as the standard asks.',
      }
  }
}
