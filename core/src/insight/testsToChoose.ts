/** Events of a library side by side, for whoever puts a battery together: what each tells, what it takes, how it repeats. */
import { estimatesFor } from '../kinds/estimatesFor.ts'
import { KIND_NAMES, kindOf, type Protocol } from '../kinds/kinds.ts'
import { measureReadings } from '../kinds/measureReadings.ts'
import { slotsOf } from '../kinds/slots.ts'
import type { ProtocolNotes } from '../kinds/protocolBase.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import { conductOf } from '../words/describeProtocol.ts'

export interface TestToChoose {
  /** Of the standard it stands in. */
  readonly standard: string
  readonly standardId: string
  readonly version: number
  readonly eventId: string
  readonly name: string
  readonly kind: string
  readonly conduct: string
  /** Null where the standard says nothing of it. */
  readonly measures: string | null
  readonly effort: ProtocolNotes['effort'] | null
  /** What a formula makes of the result, with its source; none for what is measured directly. */
  readonly estimates: readonly string[]
  readonly peopleAtOnce: number | null
  /** Time a head with the change-over, in seconds. */
  readonly secondsEach: number | null
  /** Wall time for sixty people at one station, in minutes; null where one of the two is not known. */
  readonly minutesForSixty: number | null
  readonly kit: readonly string[]
  readonly repeatability: string | null
  readonly cautions: readonly string[]
}

const SIXTY = 60

/** Every event of the standards, alternates as well, in their order. */
export const testsToChoose = (standards: readonly Standard[]): TestToChoose[] =>
  standards.flatMap((standard) =>
    [...standard.events, ...(standard.alternateEvents ?? [])].map((event) => testOf(standard, event)),
  )

const testOf = ({ id, name, version }: Standard, event: StandardEvent): TestToChoose => {
  const { protocol, publishedIn, kit = [], cautions = [] } = event
  const { notes } = protocol
  return {
    standard: name,
    standardId: id,
    version,
    eventId: event.id,
    name: event.name,
    kind: KIND_NAMES[protocol.kind],
    conduct: conductOf(protocol, publishedIn),
    measures: notes?.measures ?? null,
    effort: notes?.effort ?? null,
    estimates: [...estimatesOf(protocol), ...tableOf(event)],
    peopleAtOnce: notes?.peopleAtOnce ?? null,
    secondsEach: notes?.secondsEach ?? null,
    minutesForSixty: notes ? Math.ceil((SIXTY * notes.secondsEach) / 60) : null,
    kit,
    repeatability: notes?.repeatability ? `${notes.repeatability.figure} (${notes.repeatability.source})` : null,
    cautions: [...(protocol.clearBefore ?? []), ...cautions],
  }
}

/** Somebody for whom formulas are asked what they are; no figure of theirs is shown. */
const ANYBODY = { ageYears: 30, category: '', bodyMassG: 75_000 }

/** The formulas that are used at all, found by what such people usually reach. */
const estimatesOf = (protocol: Protocol): string[] => {
  const usual = kindOf(protocol).usual(protocol)
  const readings = Object.fromEntries(slotsOf(protocol).map(({ id }) => [id, usual]))
  const measure = measureReadings(protocol, readings)
  if (measure.kind !== 'complete') return []
  const found = estimatesFor(protocol, usual, measure.reading, ANYBODY)
  return [...new Set(found.map(({ name, source }) => `${name} (${source})`))]
}

/** A publisher's own table, from a pulse to a capacity. */
const tableOf = ({ scoring }: StandardEvent): string[] =>
  scoring.kind === 'pointsTable' && scoring.pointsName !== undefined
    ? [`${scoring.pointsName} (a table of the standard)`]
    : []

export const CHOOSING = [
  'name',
  'measures',
  'effort',
  'directness',
  'peopleAtOnce',
  'secondsEach',
  'repeatability',
] as const
/** By what tests are put in order. */
export type ChoosingColumn = (typeof CHOOSING)[number]

const EFFORTS: Readonly<Record<ProtocolNotes['effort'], number>> = { skill: 0, submaximal: 1, maximal: 2 }

/** In order of a column; what says nothing of it comes last either way. */
export const inOrderOf = (tests: readonly TestToChoose[], column: ChoosingColumn, isDown: boolean): TestToChoose[] => {
  const keyOf = (test: TestToChoose): string | number | null => {
    switch (column) {
      case 'effort':
        return test.effort === null ? null : EFFORTS[test.effort]
      case 'directness':
        return test.estimates.length
      default:
        return test[column]
    }
  }
  const sign = isDown ? -1 : 1
  return [...tests].sort((one, other) => {
    const [a, b] = [keyOf(one), keyOf(other)]
    if (a === null || b === null) return Number(a === null) - Number(b === null)
    const order = typeof a === 'number' && typeof b === 'number' ? a - b : String(a).localeCompare(String(b), 'en')
    return sign * order || one.name.localeCompare(other.name, 'en')
  })
}
