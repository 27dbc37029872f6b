import { toTenth, type Estimate } from '../../estimate/estimate.ts'
import { MOST_REPETITIONS, oneRepetitionMaximum, type LiftFormula } from '../../estimate/oneRepetitionMaximum.ts'
import { nearestWhole } from '../../quantity/fraction.ts'
import { readingStep, type Reading } from '../measure.ts'

const SOURCES: Readonly<Record<LiftFormula, string>> = {
  epley: 'w·(1 + r/30), Epley 1985',
  brzycki: 'w·36/(37 − r), Brzycki 1993',
}

/** The one-repetition maximum by every published formula, where several repetitions were lifted. */
export const liftEstimates = (reading: Reading): Estimate[] => {
  const step = readingStep(reading, 'estimated')
  if (!step) return []
  return (['epley', 'brzycki'] as const).flatMap((formula) => {
    const estimatedG = oneRepetitionMaximum(step.loadG, step.repetitions, formula)
    return estimatedG === null
      ? []
      : [
          {
            name: 'One-repetition maximum',
            value: toTenth(nearestWhole(estimatedG) / 1000),
            unit: 'kg' as const,
            source: SOURCES[formula],
            range: `1 to ${MOST_REPETITIONS[formula]} repetitions`,
            isWithin: true,
          },
        ]
  })
}
