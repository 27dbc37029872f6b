import { formOf } from '../kinds/facts.ts'
import { fitsForm } from '../quantity/field.ts'
import { numbered } from '../quantity/numbered.ts'
import { printQuantity } from '../quantity/unit.ts'
import type { PlacedScoring } from './placed.ts'
import { placedValues } from './placedValues.ts'
import type { Remark } from '../document/remark.ts'

/** A shuttle its level does not have can be reached by nobody: 7.99 is a slip, not nearly level 8. */
export const checkSchedule = ({ event, scoring, scoringPlace }: PlacedScoring): Remark[] => {
  const { protocol } = event
  const { unit, shuttles } = formOf(protocol)
  if (!shuttles) return []
  return placedValues(event, scoring, scoringPlace)
    .filter(({ value }) => !fitsForm(value, { unit, shuttles }))
    .map(({ value, place, who }): Remark => {
      const inLevel = shuttles[Math.floor(value / 100) - 1]
      return {
        place,
        code: 'offSchedule',
        severity: 'error',
        what: `${printQuantity(value, unit)} is not in the schedule: ${
          inLevel === undefined
            ? `it has ${numbered(shuttles.length, 'level')}`
            : `that level has ${numbered(inLevel, 'shuttle')}`
        }.`,
        example: `${who} could not be measured at it.`,
        mend: 'Look for a slipped digit, or correct the schedule.',
      }
    })
}
