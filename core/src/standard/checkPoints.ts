/** Checks points tables and rules: rows in order, a better value never worth fewer points, points that can be had. */
import { factsOf } from '../kinds/facts.ts'
import { printPoints, printQuantity } from '../quantity/unit.ts'
import type { PlacedScoring } from './placed.ts'
import { whoIn } from './placedValues.ts'
import { centipointsBeyond } from './pointsByRule.ts'
import type { Remark, Remedy } from '../document/remark.ts'
import type { PointsBand } from './scoring.ts'
import type { Standard } from './standard.ts'

export const checkPoints = (standard: Standard, placed: PlacedScoring): Remark[] => {
  const { event, scoring, scoringPlace } = placed
  if (scoring.kind !== 'pointsTable' && scoring.kind !== 'pointsByRule') return []
  const own =
    scoring.kind === 'pointsTable'
      ? scoring.bands.flatMap((band, index) => checkRows(placed, band, `${scoringPlace}.bands[${index}]`))
      : checkRule(scoring, scoringPlace)
  const minimum =
    event.minimumCentipoints ??
    (standard.combination.kind === 'pointsTotal' ? standard.combination.minimumEachCentipoints : undefined)
  return minimum === undefined ? own : [...own, ...checkMinimum(placed, minimum)]
}

const checkRows = ({ event }: PlacedScoring, band: PointsBand, place: string): Remark[] => {
  const { unit, sense } = factsOf(event.protocol)
  const print = (value: number): string => printQuantity(value, unit)
  const isBetter = (a: number, b: number): boolean => (sense === 'atLeast' ? a > b : a < b)
  // many tables are printed from full points down, which is an order too
  const isFromTheTop = band.rows.every(
    ({ value }, index) => index === 0 || !isBetter(value, band.rows[index - 1]?.value ?? value),
  )
  let isToldOfOrder = isFromTheTop
  return band.rows.flatMap((row, index): Remark[] => {
    const before = band.rows[index - 1]
    if (!before) return []
    const at = `${place}.rows[${index}]`
    if (row.value === before.value) {
      return [
        {
          place: `${at}.value`,
          code: 'rowRepeated',
          severity: 'error',
          what: `${print(row.value)} stands in two rows, worth ${printPoints(before.centipoints)} and ${printPoints(row.centipoints)} points.`,
          example: `${whoIn(band)} with ${print(row.value)} could get either.`,
          mend: 'Keep one of the two rows.',
          ...(row.centipoints === before.centipoints ? { remedy: { label: 'Keep one', edits: [{ place: at }] } } : {}),
        },
      ]
    }
    const [better, worse] = isBetter(row.value, before.value) ? [row, before] : [before, row]
    if (worse.centipoints > better.centipoints) {
      return [
        {
          place: `${at}.centipoints`,
          code: 'worseEarnsMore',
          severity: 'error',
          what: `${print(worse.value)} earns more than ${print(better.value)}, which is better: ${printPoints(worse.centipoints)} against ${printPoints(better.centipoints)} points.`,
          example: `${whoIn(band)} would do better to ${sense === 'atLeast' ? 'stop early' : 'slow down'}.`,
          mend: 'Look for a slipped digit in the points or the value.',
        },
      ]
    }
    // one row out of place puts others out of place, which is told once
    if (better === row || isToldOfOrder) return []
    isToldOfOrder = true
    return [{ ...outOfOrder(at, print(before.value), print(row.value)), remedy: inOrder(band.rows, place, isBetter) }]
  })
}

/** From the worst value to the best. */
const inOrder = (rows: PointsBand['rows'], place: string, isBetter: (a: number, b: number) => boolean): Remedy => ({
  label: 'Put the rows in order',
  edits: [{ place: `${place}.rows`, value: [...rows].sort((a, b) => (isBetter(a.value, b.value) ? 1 : -1)) }],
})

const outOfOrder = (place: string, before: string, here: string): Remark => ({
  place,
  code: 'rowsOutOfOrder',
  severity: 'warning',
  what: `The row of ${here} stands after the row of ${before}; rows go from the fewest points to the most.`,
  example: `Somebody reading down the table for ${here} would pass its row.`,
  mend: 'Put the rows in order; judging does not depend on it.',
})

const checkRule = (
  {
    fullCentipoints,
    offCentipoints,
    floorCentipoints = 0,
  }: { fullCentipoints: number; offCentipoints: number; floorCentipoints?: number },
  place: string,
): Remark[] =>
  floorCentipoints >= fullCentipoints || offCentipoints > fullCentipoints
    ? [
        {
          place: floorCentipoints >= fullCentipoints ? `${place}.floorCentipoints` : `${place}.offCentipoints`,
          code: 'pointsUnreachable',
          severity: 'error',
          what: `Between ${printPoints(floorCentipoints)} and ${printPoints(fullCentipoints)} points there is nothing the rule can give.`,
          example: `One unit beyond the anchor costs ${printPoints(offCentipoints)} points.`,
          mend: 'Look for a slipped digit in the full points, the points off or the floor.',
        },
      ]
    : []

const checkMinimum = ({ event, place, scoring, scoringPlace }: PlacedScoring, minimum: number): Remark[] => {
  if (scoring.kind !== 'pointsTable' && scoring.kind !== 'pointsByRule') return []
  const floor = scoring.floorCentipoints ?? 0
  const minimumPlace =
    event.minimumCentipoints === undefined ? 'combination.minimumEachCentipoints' : `${place}.minimumCentipoints`
  const always: Remark[] =
    floor >= minimum && minimum > 0
      ? [
          {
            place: `${scoringPlace}.floorCentipoints`,
            code: 'minimumAlwaysReached',
            severity: 'warning',
            what: `Every result in ${event.name} earns at least ${printPoints(floor)} points, so the minimum of ${printPoints(minimum)} cannot be missed.`,
            example: 'Somebody who does nothing would reach it.',
            mend: 'Lower the floor or raise the minimum.',
          },
        ]
      : []
  const { unit, sense } = factsOf(event.protocol)
  // a foot line lets values below zero be read; everywhere else nothing is the least there is
  const atNothing =
    scoring.kind === 'pointsByRule' && unit !== 'mm'
      ? scoring.bands.map((band) => ({
          band,
          earned: centipointsBeyond(scoring, sense === 'atLeast' ? band.anchor : -band.anchor),
        }))
      : []
  const neverMissed = atNothing.find(({ earned }) => sense === 'atLeast' && earned >= minimum && minimum > floor)
  if (neverMissed) {
    always.push({
      place: minimumPlace,
      code: 'minimumAlwaysReached',
      severity: 'warning',
      what: `Even nothing at all in ${event.name} earns ${printPoints(neverMissed.earned)} points, so the minimum of ${printPoints(minimum)} cannot be missed.`,
      example: `${whoIn(neverMissed.band)} who does nothing would reach it.`,
      mend: 'Raise the minimum, or look for a slipped digit in the anchor or the points off.',
    })
  }
  const bands = scoring.kind === 'pointsTable' ? scoring.bands : []
  const fullOf = (band: PointsBand): number => Math.max(...band.rows.map(({ centipoints }) => centipoints))
  const short =
    scoring.kind === 'pointsByRule'
      ? scoring.fullCentipoints < minimum
        ? [scoring.bands[0]]
        : atNothing.filter(({ earned }) => sense === 'atMost' && earned < minimum).map(({ band }) => band)
      : bands.filter((band) => fullOf(band) < minimum)
  const [first] = short
  if (!first) return always
  return [
    ...always,
    {
      place: minimumPlace,
      code: 'minimumUnreachable',
      severity: 'error',
      what: `${event.name} asks for at least ${printPoints(minimum)} points, more than its table gives.`,
      example: `${whoIn(first)} could never reach them.`,
      mend: 'Lower the minimum, or look for missing rows at the top of the table.',
    },
  ]
}
