/** Checks a banded table: every person of a valid age has exactly one band, and age does not make a cut harder. */
import { printAges } from '../format/printAges.ts'
import { EVENT_KIND_FACTS } from '../protocol/eventKind.ts'
import { printQuantity } from '../quantity/unit.ts'
import type { Remark } from './remark.ts'
import type { BandRow, CutByBand } from './scoring.ts'
import type { ScoringCategory, Standard, StandardEvent } from './standard.ts'

interface PlacedRow {
  readonly row: BandRow
  readonly place: string
}

const OLDEST = 120

export const checkBands = (standard: Standard, event: StandardEvent, { rows }: CutByBand, place: string): Remark[] => {
  const youngest = Math.min(...rows.map(({ ageFrom }) => ageFrom))
  return standard.categories.flatMap((category) => {
    const own = rows
      .map((row, index) => ({ row, place: `${place}.rows[${index}]` }))
      .filter(({ row }) => row.category === category.id)
      .sort((a, b) => a.row.ageFrom - b.row.ageFrom)
    if (own.length === 0) return [withoutBand(event, category, `${place}.rows`)]
    return [
      ...holes(event, category, own, youngest),
      ...overlaps(event, category, own),
      ...harderWithAge(event, category, own),
    ]
  })
}

const withoutBand = (event: StandardEvent, { id, name }: ScoringCategory, place: string): Remark => ({
  place,
  code: 'categoryWithoutBand',
  severity: 'error',
  what: `${event.name} has no row for the category ${name}.`,
  example: `Nobody entered as ${id} could be judged.`,
  mend: 'Add a row for each age, or take the category away.',
})

/** Ages from the youngest of the table up that no row of this category holds. */
const holes = (
  event: StandardEvent,
  category: ScoringCategory,
  own: readonly PlacedRow[],
  youngest: number,
): Remark[] => {
  const remarks: Remark[] = []
  let nextAge = youngest
  for (const { row, place } of own) {
    if (row.ageFrom > nextAge) remarks.push(hole(event, category, place, nextAge, row.ageFrom - 1))
    nextAge = Math.max(nextAge, (row.ageTo ?? OLDEST) + 1)
  }
  const last = own.at(-1)
  if (last && nextAge <= OLDEST) remarks.push(hole(event, category, last.place, nextAge, null))
  return remarks
}

const hole = (
  event: StandardEvent,
  { name }: ScoringCategory,
  place: string,
  from: number,
  to: number | null,
): Remark => ({
  place,
  code: 'ageWithoutBand',
  severity: 'error',
  what: `${event.name}, ${name}: no row for ages ${printAges(from, to)}.`,
  example: `Somebody of ${from} would have no cut.`,
  mend:
    to === null
      ? 'Leave out the last age of the oldest band, if it is meant for all who are older.'
      : 'Let the bands follow each other without a gap.',
})

const overlaps = (event: StandardEvent, { name }: ScoringCategory, own: readonly PlacedRow[]): Remark[] =>
  own.flatMap(({ row, place }, index) => {
    const before = own.slice(0, index).find((other) => (other.row.ageTo ?? OLDEST) >= row.ageFrom)
    if (!before) return []
    const both = printAges(before.row.ageFrom, before.row.ageTo ?? null)
    return [
      {
        place: `${place}.ageFrom`,
        code: 'bandsOverlap',
        severity: 'error',
        what: `${event.name}, ${name}: the bands ${both} and ${printAges(row.ageFrom, row.ageTo ?? null)} overlap.`,
        example: `Somebody of ${row.ageFrom} would have two cuts.`,
        mend: 'Let each band begin one year after the one before ends.',
      },
    ]
  })

const harderWithAge = (event: StandardEvent, { name }: ScoringCategory, own: readonly PlacedRow[]): Remark[] => {
  const { sense, unit } = EVENT_KIND_FACTS[event.protocol.kind]
  return own.flatMap(({ row, place }, index) => {
    const [younger, older] = [own[index - 1]?.row[sense], row[sense]]
    if (younger === undefined || older === undefined) return []
    if (sense === 'atLeast' ? older <= younger : older >= younger) return []
    return [
      {
        place: `${place}.${sense}`,
        code: 'harderWithAge',
        severity: 'warning',
        what: `${event.name}, ${name}: the band ${printAges(row.ageFrom, row.ageTo ?? null)} is asked more than the younger one before it.`,
        example: `At ${row.ageFrom - 1} ${printQuantity(younger, unit)} is enough, at ${row.ageFrom} it takes ${printQuantity(older, unit)}.`,
        mend: 'Look for two rows that were swapped.',
      },
    ]
  })
}
