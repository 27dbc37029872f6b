import { compareExact, meanOf, nearestWhole, plus, type Exact } from '../../quantity/fraction.ts'
import type { Worked } from '../kind.ts'
import type { ReadingStep } from '../measure.ts'
import { numbered, type Readings } from '../slot.ts'
import { selectOf } from '../worked.ts'
import type { Attempts } from './protocol.ts'

/** Raw readings of the tries -> the value that counts: less zero and standing reach, selected, both sides put together. */
export const measureAttempts = (protocol: Attempts, readings: Readings): Worked => {
  const offset = (protocol.zero ?? 0) + (protocol.lessStandingReach ? (readings['standing'] ?? 0) : 0)
  const steps: ReadingStep[] = []
  if (protocol.zero !== undefined) steps.push({ code: 'zero', offset: protocol.zero })
  if (protocol.lessStandingReach) steps.push({ code: 'standingReach', reachMm: readings['standing'] ?? 0 })
  const side = (prefix: string): Exact | undefined => {
    const tries = numbered(protocol.attemptsAllowed).flatMap((attempt) => readings[`${prefix}${attempt}`] ?? [])
    if (tries.length === 0) return undefined
    if (tries.length > 1) steps.push({ code: 'selected', select: protocol.select, of: tries.length })
    // an offset is taken off each try, so a sum loses it once for each
    const lessOffset = tries.map((value) => value - offset)
    return selectOf(lessOffset, protocol.select, 'atLeast')
  }
  if (protocol.sides !== 'each') return { value: side('try-') ?? 0, steps }
  const [onlyLeft, onlyRight] = [side('left-'), side('right-')]
  if (onlyLeft === undefined || onlyRight === undefined) {
    // one raw reading for both: it is the weaker, the better, the mean and the sum of itself
    return { value: onlyLeft ?? onlyRight ?? 0, steps }
  }
  const [left, right] = [onlyLeft, onlyRight]
  const ofSides = protocol.ofSides ?? 'greater'
  const [lesser, greater] = compareExact(left, right) <= 0 ? [left, right] : [right, left]
  const value = { lesser, greater, mean: meanOf([left, right]), sum: plus(left, right) }[ofSides]
  const sides: ReadingStep = { code: 'sides', ofSides, left: nearestWhole(left), right: nearestWhole(right) }
  return { value, steps: [...withoutRepeats(steps), sides] }
}

/** Both sides are selected by the same rule, which is told once. */
const withoutRepeats = (steps: readonly ReadingStep[]): ReadingStep[] =>
  steps.filter(
    (step, index) => step.code !== 'selected' || steps.findIndex(({ code }) => code === 'selected') === index,
  )
