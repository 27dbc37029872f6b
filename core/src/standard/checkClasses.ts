import { factsOf } from '../kinds/facts.ts'
import { printQuantity } from '../quantity/unit.ts'
import type { PlacedScoring } from './placed.ts'
import { whoIn } from './placedValues.ts'
import type { Remark } from '../document/remark.ts'

/** Norm classes: each begins at a better value than the one below it. */
export const checkClasses = ({ event, scoring, scoringPlace }: PlacedScoring): Remark[] => {
  if (scoring.kind !== 'normClasses') return []
  const { unit, sense } = factsOf(event.protocol)
  return scoring.bands.flatMap((band, at) =>
    band.from.flatMap((value, index): Remark[] => {
      const below = band.from[index - 1]
      if (below === undefined || (sense === 'atLeast' ? value > below : value < below)) return []
      const [lower, upper] = [scoring.classes[index]?.name, scoring.classes[index + 1]?.name]
      const place = `${scoringPlace}.bands[${at}].from[${index}]`
      return [
        value === below
          ? {
              place,
              code: 'classUnreachable',
              severity: 'error',
              what: `${lower} and ${upper} both begin at ${printQuantity(value, unit)}, so nobody can be in ${lower}.`,
              example: `${whoIn(band)} with ${printQuantity(value, unit)} is in ${upper} at once.`,
              mend: 'Give each class a value of its own.',
            }
          : {
              place,
              code: 'classesOutOfOrder',
              severity: 'error',
              what: `${upper} begins at ${printQuantity(value, unit)}, which is worse than ${printQuantity(below, unit)} for ${lower}.`,
              example: `${whoIn(band)} with ${printQuantity(value, unit)} would be in the higher class without being in the lower.`,
              mend: 'List the values from the lowest class up.',
            },
      ]
    }),
  )
}
