/** What a scoring asks of people of an age and category, as values that can be laid side by side. */
import { NO_BAND, SEVERAL_BANDS } from '../judge/bandIndex.ts'
import { compileScoring, type CompiledScoring } from '../judge/compileScoring.ts'
import { minimumOf } from '../judge/basis.ts'
import { printDecimal } from '../quantity/digits.ts'
import { printMass } from '../quantity/mass.ts'
import { printPoints, printQuantity, type Unit } from '../quantity/unit.ts'
import { bandsOf, type Scoring } from '../standard/scoring.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'

/** One thing that is asked, or one step that can be reached. */
export interface Asked {
  /** Such as "Cut", "45 points", "Good". */
  readonly label: string
  /** Null where it depends on the person's body mass. */
  readonly value: number | null
  readonly unit: Unit
  readonly text: string
}

/** The people a line of a table is for. */
export interface AskedOf {
  readonly ageYears: number
  readonly category: string
  readonly role?: string
}

/** Ages at which a row of the scoring begins or the one before has ended, in order. */
export const ageEdges = (scorings: readonly Scoring[]): number[] => {
  const edges = new Set<number>()
  for (const scoring of scorings) {
    for (const { ageFrom, ageTo } of bandsOf(scoring)) {
      edges.add(ageFrom)
      if (ageTo !== undefined) edges.add(ageTo + 1)
    }
  }
  return [...edges].sort((a, b) => a - b)
}

/** @returns nothing where no row is for these people, or more than one */
export const whatIsAsked = (
  standard: Standard,
  event: StandardEvent,
  person: AskedOf,
  scoring = event.scoring,
): Asked[] => {
  const compiled = compileScoring(event, scoring)
  const band = compiled.bandFor(person)
  if (band === NO_BAND || band === SEVERAL_BANDS) return []
  switch (scoring.kind) {
    case 'relativeCut':
      return [relativeAsked(scoring, band)]
    case 'pointsTable':
    case 'pointsByRule':
      return pointsAsked(event, compiled, band, minimumOf(standard, event))
    case 'normClasses':
      return scoring.classes.slice(1).flatMap(({ name }, index) => at(event, compiled, band, index + 1, name))
    case 'effort':
      return []
    default:
      return at(event, compiled, band, 0, 'Cut')
  }
}

const at = (event: StandardEvent, compiled: CompiledScoring, band: number, score: number, label: string): Asked[] => {
  const value = compiled.valueFor(band, score, 0)
  if (value === null) return compiled.unit === 'done' ? [{ label, value: 1, unit: 'done', text: 'done' }] : []
  const { unit } = compiled
  return [{ label, value, unit, text: printQuantity(value, unit, event.publishedIn) }]
}

const pointsAsked = (
  event: StandardEvent,
  compiled: CompiledScoring,
  band: number,
  minimum: number | null,
): Asked[] => {
  const full = compiled.best(band)
  return [
    ...(minimum === null ? [] : at(event, compiled, band, minimum, `${printPoints(minimum)} points`)),
    ...at(event, compiled, band, full, `${printPoints(full)} points`),
  ]
}

const relativeAsked = ({ of, rows }: Extract<Scoring, { kind: 'relativeCut' }>, band: number): Asked => {
  const { constant, shareOfBodyMassPermille = 0 } = rows[band] ?? {}
  const share = `${printDecimal(shareOfBodyMassPermille, 1)} % of body mass`
  const text = constant === undefined ? share : `the ${of} of ${printMass(constant)} and ${share}`
  return { label: 'Cut', value: null, unit: 'g', text }
}
