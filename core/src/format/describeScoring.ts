/** What a scoring asks, as a line and as the table it is printed in. */
import { indexBands, NO_BAND, type BandPerson } from '../judge/bandIndex.ts'
import { factsOf } from '../kinds/facts.ts'
import { printDecimal } from '../quantity/digits.ts'
import { printMass } from '../quantity/mass.ts'
import { printPoints, printQuantity } from '../quantity/unit.ts'
import type { Band } from '../standard/band.ts'
import { SCORING_NAMES, type Scoring } from '../standard/scoring.ts'
import type { ScoringCategory, StandardEvent } from '../standard/standard.ts'
import { conductOf } from '../words/describeProtocol.ts'
import { printAges } from '../quantity/printAges.ts'

/** "As many as possible in 1:30, at least 24" */
export const askedIn = (event: StandardEvent): string =>
  `${conductOf(event.protocol, event.publishedIn)}, ${cutsOf(event)}`

/** One line: what is asked. */
export const cutsOf = (event: StandardEvent, scoring: Scoring = event.scoring): string => {
  const { sense, unit } = factsOf(event.protocol)
  const print = (value: number): string => printQuantity(value, unit, event.publishedIn)
  const bound = sense === 'atLeast' ? 'at least' : 'at most'
  switch (scoring.kind) {
    case 'singleCut':
      return `${bound} ${print(scoring[sense] ?? 0)}`
    case 'cutByBand':
      return 'by age and scoring category'
    case 'relativeCut': {
      const [row, another] = scoring.rows
      return row && !another ? `at least ${shareWords(scoring, row)}` : 'by age, category and body mass'
    }
    case 'pointsTable':
      return 'for points by table'
    case 'pointsByRule':
      return `for points, ${printPoints(scoring.offCentipoints)} off for each ${scoring.units} ${print(scoring.perUnit)} beyond the anchor`
    case 'normClasses':
      return `in ${scoring.classes.length} classes`
    case 'completion':
      return scoring.atMost === undefined ? 'done' : `done within ${print(scoring.atMost)}`
    case 'effort':
      return 'taking part'
  }
}

/** A table as it is read: a heading, and rows with a head of their own. */
export interface PrintedTable {
  readonly title: string
  readonly heading: readonly string[]
  readonly rows: readonly { readonly head: string; readonly cells: readonly string[] }[]
  /** Where the person looks, if the table was asked for one: a row, a column after the head, or both. */
  readonly own?: { readonly row: number | null; readonly column: number | null }
}

const NO_CELL = '–'

/**
 * @param person whose place in it is told
 * @returns null where everybody is treated alike, so that a line says it all
 */
export const scoringTable = (
  event: StandardEvent,
  categories: readonly ScoringCategory[],
  scoring: Scoring = event.scoring,
  person?: BandPerson,
): PrintedTable | null => {
  const { sense, unit } = factsOf(event.protocol)
  const print = (value: number): string => printQuantity(value, unit, event.publishedIn)
  const title = SCORING_NAMES[scoring.kind]
  const bound = sense === 'atLeast' ? 'at least' : 'at most'
  const bandName = (band: Band): string =>
    [
      printBand(band),
      ...(band.category === undefined
        ? []
        : [categories.find(({ id }) => id === band.category)?.name ?? band.category]),
      ...(band.role === undefined ? [] : [band.role]),
    ].join(', ')
  switch (scoring.kind) {
    case 'cutByBand':
      return byAgeAndCategory(title, `Age, ${bound}`, categories, scoring.rows, (row) => print(row[sense] ?? 0), person)
    case 'relativeCut':
      return scoring.rows.length === 1
        ? null
        : byAgeAndCategory(title, 'Age, at least', categories, scoring.rows, (row) => shareWords(scoring, row), person)
    case 'pointsByRule':
      return byAgeAndCategory(
        title,
        `Age, ${printPoints(scoring.fullCentipoints)} points ${sense === 'atLeast' ? 'from' : 'up to'}`,
        categories,
        scoring.bands,
        ({ anchor }) => print(anchor),
        person,
      )
    case 'pointsTable': {
      const points = [...new Set(scoring.bands.flatMap(({ rows }) => rows.map(({ centipoints }) => centipoints)))]
      return {
        title,
        heading: [scoring.pointsName ?? 'Points', ...scoring.bands.map(bandName)],
        rows: points
          .sort((a, b) => b - a)
          .map((centipoints) => ({
            head: printPoints(centipoints),
            cells: scoring.bands.map(({ rows }) => {
              const row = rows.find((one) => one.centipoints === centipoints)
              return row ? print(row.value) : ''
            }),
          })),
        ...ownIn(scoring.bands, person, (column) => ({ row: null, column })),
      }
    }
    case 'normClasses':
      return {
        title,
        heading: [
          `Band, ${sense === 'atLeast' ? 'from' : 'up to'}`,
          ...scoring.classes.slice(1).map(({ name }) => name),
        ],
        rows: scoring.bands.map((band) => ({ head: bandName(band), cells: band.from.map(print) })),
        ...ownIn(scoring.bands, person, (row) => ({ row, column: null })),
      }
    default:
      return null
  }
}

/** The ages of a band: "18 to 29", "40 and over", "all ages". */
const printBand = ({ ageFrom, ageTo }: Pick<Band, 'ageFrom' | 'ageTo'>): string =>
  ageFrom === 0 && ageTo === undefined ? 'all ages' : printAges(ageFrom, ageTo ?? null)

const byAgeAndCategory = <Row extends Band>(
  title: string,
  corner: string,
  categories: readonly ScoringCategory[],
  rows: readonly Row[],
  print: (row: Row) => string,
  person?: BandPerson,
): PrintedTable => {
  // rows for every category have a column of their own
  const columns: readonly (ScoringCategory | null)[] = rows.some(({ category }) => category === undefined)
    ? [null, ...categories.filter(({ id }) => rows.some(({ category }) => category === id))]
    : categories
  const roleOf = ({ role }: Band): string => (role === undefined ? '' : `, ${role}`)
  const heads = [...new Set(rows.map((row) => `${printBand(row)}${roleOf(row)}`))]
  return {
    title,
    heading: [corner, ...columns.map((category) => category?.name ?? 'Everybody')],
    rows: heads.map((head) => ({
      head,
      cells: columns.map((category) => {
        const row = rows.find((one) => one.category === category?.id && `${printBand(one)}${roleOf(one)}` === head)
        return row ? print(row) : NO_CELL
      }),
    })),
    ...ownIn(rows, person, (at) => {
      const own = rows[at]
      return {
        row: own ? heads.indexOf(`${printBand(own)}${roleOf(own)}`) : null,
        column: columns.findIndex((category) => category?.id === own?.category),
      }
    }),
  }
}

/** Nothing for somebody no band, or more than one, is for. */
const ownIn = (
  bands: readonly Band[],
  person: BandPerson | undefined,
  placed: (at: number) => NonNullable<PrintedTable['own']>,
): Pick<PrintedTable, 'own'> => {
  const at = person ? indexBands(bands)(person) : NO_BAND
  return at < 0 ? {} : { own: placed(at) }
}

const shareWords = (
  { of }: Pick<Extract<Scoring, { kind: 'relativeCut' }>, 'of'>,
  { constant, shareOfBodyMassPermille }: { constant?: number; shareOfBodyMassPermille: number },
): string => {
  const share = `${printDecimal(shareOfBodyMassPermille, 1)} % of body mass`
  return constant === undefined ? share : `the ${of} of ${printMass(constant)} and ${share}`
}
