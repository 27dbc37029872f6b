/** Checks banded scorings: every person of a valid age has exactly one band, and age does not make a cut harder. */
import { printAges } from '../quantity/printAges.ts'
import { factsOf } from '../kinds/facts.ts'
import { kindOf } from '../kinds/kinds.ts'
import { printQuantity } from '../quantity/unit.ts'
import type { Band } from './band.ts'
import type { PlacedScoring } from './placed.ts'
import type { Remark, Remedy } from '../document/remark.ts'
import { bandListName, bandsOf, type Scoring } from './scoring.ts'
import type { ScoringCategory, Standard, StandardEvent } from './standard.ts'

interface PlacedRow {
  readonly row: Band
  readonly place: string
  /** The one value asked in this row, where a row asks for one. */
  readonly asked: { readonly value: number; readonly place: string } | null
}

const OLDEST = 120

export const checkBands = (
  standard: Standard,
  { event, scoring, scoringPlace, categories: only }: PlacedScoring,
): Remark[] => {
  const concerned = standard.categories.filter(({ id }) => only === undefined || only.includes(id))
  const list = `${scoringPlace}.${bandListName(scoring.kind)}`
  const rows = placedRows(event, scoring, list)
  if (rows.length === 0) return []
  const youngest = Math.min(...rows.map(({ row }) => row.ageFrom))
  // a row for one role competes with rows for the same role only; without roles there is one round
  const roles = [...new Set(rows.map(({ row }) => row.role))]
  const withRows = roles.flatMap((role) =>
    concerned.flatMap((category) => {
      const own = rows
        .filter(({ row }) => row.category === undefined || row.category === category.id)
        .filter(({ row }) => row.role === undefined || row.role === role)
        .sort((a, b) => a.row.ageFrom - b.row.ageFrom)
      if (own.length === 0) return [withoutBand(event, category, list)]
      return [
        ...holes(event, category, own, youngest),
        ...overlaps(event, category, own),
        ...harderWithAge(event, category, own),
      ]
    }),
  )
  // where rows ask for roles, every role that is declared needs one, or a row for all roles
  const isForAll = roles.includes(undefined)
  const left = isForAll ? [] : (standard.roles ?? []).filter(({ id }) => !roles.includes(id))
  return [...withRows, ...left.map((role) => withoutRole(event, role, list))]
}

const placedRows = (event: StandardEvent, scoring: Scoring, list: string): PlacedRow[] => {
  const { sense } = factsOf(event.protocol)
  if (scoring.kind === 'cutByBand') {
    return scoring.rows.map((row, index) => placedRow(row, `${list}[${index}]`, row[sense], sense))
  }
  if (scoring.kind === 'pointsByRule') {
    return scoring.bands.map((row, index) => placedRow(row, `${list}[${index}]`, row.anchor, 'anchor'))
  }
  return bandsOf(scoring).map((row, index) => ({ row, place: `${list}[${index}]`, asked: null }))
}

const placedRow = (row: Band, place: string, value: number | undefined, name: string): PlacedRow => ({
  row,
  place,
  asked: value === undefined ? null : { value, place: `${place}.${name}` },
})

const withoutRole = (event: StandardEvent, { id, name }: ScoringCategory, place: string): Remark => ({
  place,
  code: 'roleWithoutBand',
  severity: 'error',
  what: `${event.name} has no row for the role ${name}.`,
  example: `Nobody entered with the role ${id} could be judged.`,
  mend: 'Add rows for the role, or one for all roles, or take the role away.',
})

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
  let before: PlacedRow | null = null
  for (const { row, place } of own) {
    if (row.ageFrom > nextAge) {
      const remedy = closed(before, { row, place, asked: null }, nextAge)
      remarks.push({ ...hole(event, category, place, nextAge, row.ageFrom - 1), remedy })
    }
    if ((row.ageTo ?? OLDEST) + 1 > nextAge) before = { row, place, asked: null }
    nextAge = Math.max(nextAge, (row.ageTo ?? OLDEST) + 1)
  }
  const last = own.at(-1)
  if (last && nextAge <= OLDEST) {
    const oldest = before ?? last
    const remedy = { label: `Let ${agesOf(oldest.row)} have no end`, edits: [{ place: `${oldest.place}.ageTo` }] }
    remarks.push({ ...hole(event, category, last.place, nextAge, null), remedy })
  }
  return remarks
}

const agesOf = ({ ageFrom, ageTo }: Band): string => printAges(ageFrom, ageTo ?? null)

/** A hole closes by the band before it lasting longer; before the youngest, by that one beginning sooner. */
const closed = (before: PlacedRow | null, { row, place }: PlacedRow, nextAge: number): Remedy =>
  before
    ? {
        label: `Let ${agesOf(before.row)} last until ${row.ageFrom - 1}`,
        edits: [{ place: `${before.place}.ageTo`, value: row.ageFrom - 1 }],
      }
    : { label: `Let ${agesOf(row)} begin at ${nextAge}`, edits: [{ place: `${place}.ageFrom`, value: nextAge }] }

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
  what: `${event.name}, ${name}: no row for ${from === to ? 'age' : 'ages'} ${printAges(from, to)}.`,
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
        ...(before.row.ageFrom < row.ageFrom
          ? {
              remedy: {
                label: `End ${both} at ${row.ageFrom - 1}`,
                edits: [{ place: `${before.place}.ageTo`, value: row.ageFrom - 1 }],
              },
            }
          : {}),
      },
    ]
  })

const harderWithAge = (event: StandardEvent, { name }: ScoringCategory, own: readonly PlacedRow[]): Remark[] => {
  const { sense, unit } = factsOf(event.protocol)
  if (kindOf(event.protocol).isAgeless) return []
  return own.flatMap(({ row, asked }, index) => {
    const younger = own[index - 1]?.asked
    if (!younger || !asked) return []
    if (sense === 'atLeast' ? asked.value <= younger.value : asked.value >= younger.value) return []
    return [
      {
        place: asked.place,
        code: 'harderWithAge',
        severity: 'warning',
        what: `${event.name}, ${name}: the band ${printAges(row.ageFrom, row.ageTo ?? null)} is asked more than the younger one before it.`,
        example: `At ${row.ageFrom - 1} ${printQuantity(younger.value, unit)} is enough, at ${row.ageFrom} it takes ${printQuantity(asked.value, unit)}.`,
        mend: 'Look for two rows that were swapped.',
        remedy: {
          label: `Swap ${printQuantity(younger.value, unit)} and ${printQuantity(asked.value, unit)}`,
          edits: [
            { place: asked.place, value: younger.value },
            { place: younger.place, value: asked.value },
          ],
        },
      },
    ]
  })
}
