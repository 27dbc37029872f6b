/** A printed table that was read -> the part of a scoring it fills. What could not be read stands there as text, and the check names its place. */
import type { Sense } from '../kinds/kind.ts'
import type { Named } from './printedLabel.ts'
import { namesShare, type TableContext, type TableFigure, type TableReading } from './printedTable.ts'
import type { PrintedValue } from './printedValue.ts'

/** Rows or bands, and the classes where the table names them; a draft takes it over as it is. */
export interface TableScoring {
  readonly rows?: readonly object[]
  readonly bands?: readonly object[]
  readonly classes?: readonly Named[]
}

/** @param idOf makes an id of a name, for categories and classes that are new */
export const scoringFromTable = (
  reading: TableReading,
  { school, sense }: TableContext,
  idOf: (name: string) => string,
): TableScoring => {
  const groups = grouped(reading, idOf)
  switch (school) {
    case 'cutByBand':
      // two figures for the same people are two rows: the check tells that they overlap
      return { rows: eachIn(groups).map(({ band, figure }) => ({ ...band, [sense]: figure })) }
    case 'pointsByRule':
      return { bands: eachIn(groups).map(({ band, figure }) => ({ ...band, anchor: figure })) }
    case 'relativeCut':
      return { rows: groups.map(({ band, figures }) => ({ ...band, ...shareRow(figures) })) }
    case 'pointsTable':
      return {
        bands: groups.map(({ band, figures }) => ({ ...band, rows: pointRows(figures, reading.inside, sense) })),
      }
    case 'normClasses': {
      const [, ...reached] = reading.classes
      return {
        classes: reading.classes.map((name) => ({ id: idOf(name), name })),
        bands: groups.map(({ band, figures }) => ({
          ...band,
          from: reached.map((name) => {
            const found = figures.find(({ words }) => words.includes(name))
            return found ? written(found.figure, found.text) : ''
          }),
        })),
      }
    }
  }
}

interface Group {
  readonly band: object
  readonly figures: readonly TableFigure[]
}

/** By the people the headings name, in the order of the table. */
const grouped = ({ figures, newCategories }: TableReading, idOf: (name: string) => string): Group[] => {
  const groups = new Map<string, { band: object; figures: TableFigure[] }>()
  for (const figure of figures) {
    const { ages, role } = figure.people
    const word = figure.words.find((one) => newCategories.includes(one))
    const category = figure.people.category ?? (word === undefined ? undefined : idOf(word))
    const band = {
      ageFrom: ages?.from ?? 0,
      ...(ages && ages.to !== null ? { ageTo: ages.to } : {}),
      ...(category === undefined ? {} : { category }),
      ...(role === undefined ? {} : { role }),
    }
    const key = JSON.stringify(band)
    const group = groups.get(key) ?? { band, figures: [] }
    group.figures.push(figure)
    groups.set(key, group)
  }
  return [...groups.values()]
}

const written = (read: PrintedValue, text: string): number | string => (read.as === 'value' ? read.value : text)

const eachIn = (groups: readonly Group[]) =>
  groups.flatMap(({ band, figures }) => figures.map(({ figure, text }) => ({ band, figure: written(figure, text) })))

/** From the fewest points to the most; with equal points from the worse value to the better. */
const pointRows = (figures: readonly TableFigure[], inside: 'values' | 'points', sense: Sense): object[] => {
  const rows = figures.map(({ axis, axisText, figure, text }) => {
    const named = axis === null ? '' : written(axis, axisText)
    const own = written(figure, text)
    return inside === 'values' ? { value: own, centipoints: named } : { value: named, centipoints: own }
  })
  const order = (value: number | string): number => (typeof value === 'number' ? value : Number.POSITIVE_INFINITY)
  const worse = sense === 'atLeast' ? 1 : -1
  return rows.sort(
    (a, b) => order(a.centipoints) - order(b.centipoints) || worse * (order(a.value) - order(b.value)) || 0,
  )
}

const shareRow = (figures: readonly TableFigure[]): object => {
  const share = figures.find(({ words, text }) => words.some(namesShare) || text.includes('%'))
  const constant = figures.find((figure) => figure !== share)
  return {
    ...(constant ? { constant: written(constant.figure, constant.text) } : {}),
    shareOfBodyMassPermille: share ? written(share.figure, share.text) : '',
  }
}
