/** Looks at every value a scoring compares with: can it be meant, and can a result be equal to it. */
import { factsOf } from '../kinds/facts.ts'
import { printQuantity, type Unit } from '../quantity/unit.ts'
import { COARSEST } from './checkRounding.ts'
import type { PlacedScoring } from './placed.ts'
import { placedValues, type PlacedValue } from './placedValues.ts'
import type { Remark } from '../document/remark.ts'
import type { Range } from '../kinds/kind.ts'
import { sensibleRange, UNIT_SLIPS } from '../kinds/sensibleRange.ts'
import type { StandardEvent } from './standard.ts'

export const checkCuts = ({ event, scoring, scoringPlace }: PlacedScoring): Remark[] => {
  const range = sensibleRange(event.protocol)
  // nothing done, nothing earned: a table may say so
  const isNothing = ({ value, centipoints }: PlacedValue): boolean => value === 0 && centipoints === 0
  const values = placedValues(event, scoring, scoringPlace).filter((placed) => !isNothing(placed))
  return values.flatMap((placed) => {
    const outside = outOfRange(event, placed, range)
    return outside ? [outside] : offStep(event, placed)
  })
}

const outOfRange = (
  event: StandardEvent,
  { value, place, who }: PlacedValue,
  { least, most }: Range,
): Remark | null => {
  if (value >= least && value <= most) return null
  const { unit, sense, name } = factsOf(event.protocol)
  const print = printerFor(unit)
  const slip = UNIT_SLIPS[unit]?.find(({ factor }) => value * factor >= least && value * factor <= most)
  const remark = { place, severity: 'error' as const }
  if (slip && value < least) {
    return {
      ...remark,
      code: 'unitLooksWrong',
      what: `${value} ${unit} looks like a value in ${slip.writtenIn}: ${name.toLowerCase()} can mean ${print(least)} to ${print(most)} here.`,
      example: `${who} would have to ${sense === 'atLeast' ? 'reach' : 'stay within'} ${print(value)}.`,
      mend: `If ${print(value * slip.factor)} is meant, write ${value * slip.factor}.`,
      remedy: { label: `Write ${print(value * slip.factor)}`, edits: [{ place, value: value * slip.factor }] },
    }
  }
  return {
    ...remark,
    code: 'cutOutOfRange',
    what: `A cut of ${print(value)} is outside what ${name.toLowerCase()} can mean here (${print(least)} to ${print(most)}).`,
    example: `${who} would have to ${sense === 'atLeast' ? 'reach' : 'stay within'} ${print(value)}.`,
    mend: 'Look for a wrong unit or a slipped digit.',
  }
}

/** Times below zero have no printed form. */
const printerFor = (unit: Unit) => (value: number) =>
  unit === 'ms' && value < 0 ? `${value} ms` : printQuantity(value, unit)

const offStep = (event: StandardEvent, { value, place, who, isCut }: PlacedValue): Remark[] => {
  const { unit } = factsOf(event.protocol)
  const { step } = event.rounding
  const over = ((value % step) + step) % step
  // a rounding that is itself too coarse is told about at its own place
  if (!isCut || over === 0 || step > COARSEST[unit]) return []
  const print = (shown: number): string => printQuantity(shown, unit)
  return [
    {
      place,
      code: 'cutOffStep',
      severity: event.publishedIn === undefined ? 'error' : 'warning',
      what: `The cut ${print(value)} is no multiple of the rounding step, so no result can equal it.`,
      example: `${who} could reach ${print(value - over)} or ${print(value - over + step)}, never ${print(value)}.`,
      mend: 'Put the cut on a step, or round more finely.',
    },
  ]
}
