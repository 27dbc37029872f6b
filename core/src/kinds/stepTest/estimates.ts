import type { Estimate } from '../../estimate/estimate.ts'
import {
  capacityFromStepping,
  capacityFromThreeMinutes,
  MCARDLE_HEIGHT_MM,
  mcArdleCycles,
  steppingCost,
  type FormulaSex,
} from '../../estimate/stepCapacity.ts'
import type { EstimatedPerson } from '../kind.ts'
import { stepHeightMm, type StepTest } from './protocol.ts'

const THREE_MINUTES_MS = 180_000
/** How far from the published height a formula is still used. */
const NEARLY_MM = 20

/** Aerobic capacity from a pulse in beats a minute, by every published formula that fits the step and the person. */
export const stepEstimates = (
  protocol: StepTest,
  pulse: number,
  { ageYears, category }: EstimatedPerson,
): Estimate[] => {
  const { beatsPerMinute, beatsPerCycle, durationMs } = protocol
  const heightMm = stepHeightMm(protocol, category)
  const cycles = beatsPerMinute / beatsPerCycle
  return formulasFor(category).flatMap((sex) => {
    const isThreeMinutes =
      durationMs === THREE_MINUTES_MS &&
      Math.abs(heightMm - MCARDLE_HEIGHT_MM) <= NEARLY_MM &&
      cycles === mcArdleCycles(sex)
    return [
      ...(isThreeMinutes ? [capacityFromThreeMinutes(pulse, sex)] : []),
      capacityFromStepping(steppingCost(cycles, heightMm), pulse, ageYears, sex),
    ]
  })
}

/** A formula made for one sex is not printed for the other; where the category tells nothing, both are. */
const formulasFor = (category: string): readonly FormulaSex[] => {
  if (/^(female|women|woman)$/.test(category)) return ['women']
  return /^(male|men|man)$/.test(category) ? ['men'] : ['women', 'men']
}
