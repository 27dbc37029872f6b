/** Every value a scoring compares with, and where it stands. */
import { printAges } from '../quantity/printAges.ts'
import { factsOf } from '../kinds/facts.ts'
import type { Band } from './band.ts'
import type { Scoring } from './scoring.ts'
import type { StandardEvent } from './standard.ts'

export interface PlacedValue {
  readonly value: number
  readonly place: string
  /** Whose value it is, to begin a sentence with. */
  readonly who: string
  /** Whether a result has to be able to equal it. */
  readonly isCut: boolean
  /** Hundredths of a point it earns, in a table. */
  readonly centipoints?: number
}

export const placedValues = (event: StandardEvent, scoring: Scoring, place: string): PlacedValue[] => {
  const { sense } = factsOf(event.protocol)
  switch (scoring.kind) {
    case 'singleCut':
      return valueAt(scoring[sense], `${place}.${sense}`, 'Everybody', true)
    case 'cutByBand':
      return scoring.rows.flatMap((row, index) =>
        valueAt(row[sense], `${place}.rows[${index}].${sense}`, whoIn(row), true),
      )
    case 'relativeCut':
      return scoring.rows.flatMap((row, index) =>
        valueAt(row.constant, `${place}.rows[${index}].constant`, whoIn(row), true),
      )
    case 'pointsTable':
      return scoring.bands.flatMap((band, at) =>
        band.rows.flatMap(({ value, centipoints }, index) =>
          valueAt(value, `${place}.bands[${at}].rows[${index}].value`, whoIn(band), scoring.between === 'lowerRow').map(
            (placed) => ({ ...placed, centipoints }),
          ),
        ),
      )
    case 'pointsByRule':
      return scoring.bands.flatMap((band, index) =>
        valueAt(band.anchor, `${place}.bands[${index}].anchor`, whoIn(band), true),
      )
    case 'normClasses':
      return scoring.bands.flatMap((band, at) =>
        band.from.flatMap((value, index) => valueAt(value, `${place}.bands[${at}].from[${index}]`, whoIn(band), true)),
      )
    case 'completion':
      return valueAt(scoring.atMost, `${place}.atMost`, 'Everybody', true)
    case 'effort':
      return []
  }
}

const valueAt = (value: number | undefined, place: string, who: string, isCut: boolean): PlacedValue[] =>
  value === undefined ? [] : [{ value, place, who, isCut }]

/** "Somebody of 30–39, male," */
export const whoIn = ({ ageFrom, ageTo, category }: Band): string =>
  `Somebody of ${printAges(ageFrom, ageTo ?? null)}${category === undefined ? '' : `, ${category}`},`
