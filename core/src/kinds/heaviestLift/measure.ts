import { MOST_REPETITIONS, oneRepetitionMaximum } from '../../estimate/oneRepetitionMaximum.ts'
import type { EndedByFigures, Worked } from '../kind.ts'
import type { Readings } from '../slot.ts'
import { plain } from '../worked.ts'
import type { HeaviestLift } from './protocol.ts'

/** The load in g, or where the protocol says so the load of one repetition computed from several. */
export const measureLift = ({ estimate }: HeaviestLift, readings: Readings): Worked | EndedByFigures => {
  const { load: loadG = 0, repetitions = 0 } = readings
  if (!estimate) return plain(loadG)
  const estimated = oneRepetitionMaximum(loadG, repetitions, estimate)
  if (estimated === null) {
    const most = MOST_REPETITIONS[estimate]
    return {
      reason: 'didNotFinish',
      notes: [{ code: 'outsideFormula', most, repetitions }],
    }
  }
  return { value: estimated, steps: [{ code: 'estimated', formula: estimate, loadG, repetitions }] }
}
