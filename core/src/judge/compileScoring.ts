/**
 * A scoring prepared once, so that judging a value is a look-up. The judge that explains itself and the comparison of
 * a hundred thousand results both go through what is made here; there is no other place where a value is scored.
 */
import { factsOf } from '../kinds/facts.ts'
import type { Sense } from '../kinds/kind.ts'
import { kindOf } from '../kinds/kinds.ts'
import { roundTo } from '../quantity/rounding.ts'
import type { Unit } from '../quantity/unit.ts'
import { centipointsBeyond } from '../standard/pointsByRule.ts'
import {
  bandsOf,
  type NormClasses,
  type PointsByRule,
  type PointsTable,
  type RelativeCut,
  type Scoring,
} from '../standard/scoring.ts'
import type { StandardEvent } from '../standard/standard.ts'
import { indexBands, type BandPerson } from './bandIndex.ts'
import { ownUnitOf } from './ownUnit.ts'
import { denseLookup, tableLookup } from './scoreTable.ts'

/** What a score is: distance to the good side of a cut, points, place among the classes, or nothing. */
type ScoreKind = 'margin' | 'centipoints' | 'class' | 'nothing'

export interface CompiledScoring {
  readonly scoring: Scoring
  readonly unit: Unit
  readonly sense: Sense
  readonly scoreKind: ScoreKind
  /** Index of the person's row, NO_BAND or SEVERAL_BANDS; 0 where everybody is treated alike. */
  readonly bandFor: (person: BandPerson) => number
  /** Whether the score depends on body mass. */
  readonly needsBodyMass: boolean
  /** The rounded share of body mass, in g, where the cut is one. */
  readonly share: (row: number, bodyMassG: number) => number
  /** How far one value lies above another: in the unit of the event, shuttles where level and shuttle are counted. */
  readonly distance: (from: number, to: number) => number
  /** Scores a rounded value. */
  readonly score: (band: number, rounded: number, bodyMassG: number) => number
  /**
   * The value, on a step of the rounding, that just earns a score: a margin of 0, so many centipoints, a class.
   * @returns null when it cannot be earned, or every value earns it
   */
  readonly valueFor: (band: number, score: number, bodyMassG: number) => number | null
  /** The most a value can earn in this band. */
  readonly best: (band: number) => number
}

/**
 * Prepares a scoring of an event; done once for each and remembered as long as the standard is.
 * @param scoring the event's own, or a variant's
 */
export const compileScoring = (event: StandardEvent, scoring: Scoring = event.scoring): CompiledScoring => {
  const known = compiled.get(scoring)
  if (known) return known
  const made = compile(event, scoring)
  compiled.set(scoring, made)
  return made
}

const compiled = new WeakMap<Scoring, CompiledScoring>()

type Scorer = Pick<CompiledScoring, 'scoreKind' | 'score' | 'valueFor' | 'best'>
type Scored = Scorer & Pick<CompiledScoring, 'distance'> & Partial<Pick<CompiledScoring, 'share'>>

const compile = (event: StandardEvent, scoring: Scoring): CompiledScoring => {
  const { unit, sense } = factsOf(event.protocol)
  const bands = bandsOf(scoring)
  const scorer = (what: Scoring, step = event.rounding.step): Scorer =>
    scorerOf(what, sense === 'atLeast' ? 1 : -1, step, sense, lowestOf(unit))
  return {
    scoring,
    unit,
    sense,
    bandFor: bands.length === 0 ? () => 0 : indexBands(bands),
    needsBodyMass: scoring.kind === 'relativeCut',
    share: (row, bodyMassG) => (scoring.kind === 'relativeCut' ? relativeCut(scoring, row, bodyMassG).shareG : 0),
    ...scaled(event, scoring, scorer),
  }
}

const scaled = (event: StandardEvent, scoring: Scoring, scorer: (what: Scoring, step?: number) => Scorer): Scored => {
  const scale = kindOf(event.protocol).scale?.(event.protocol)
  if (scale) {
    return {
      ...onScale(scorer(mapped(scoring, scale.to)), scale.to, scale.from),
      distance: (from, to) => scale.to(to) - scale.to(from),
    }
  }
  const own = ownUnitOf(event)
  if (!own) return { ...scorer(scoring), distance }
  const { partsOf, baseOf } = own
  const inParts = mapped(scoring, partsOf, partsOf)
  return {
    ...onScale(scorer(inParts, partsOf(event.rounding.step)), partsOf, baseOf),
    distance,
    ...(inParts.kind === 'relativeCut'
      ? { share: (row, bodyMassG) => baseOf(relativeCut(inParts, row, partsOf(bodyMassG)).shareG) }
      : {}),
  }
}

const distance = (from: number, to: number): number => to - from

/**
 * A scorer whose figures are on another scale than the values it is asked about: shuttles by the schedule, so that one lies between
 * 7/10 and 8/1 and not ninety-one, or parts of a pound.
 */
const onScale = (scorer: Scorer, to: (value: number) => number, from: (onScale: number) => number): Scorer => ({
  ...scorer,
  score: (band, rounded, bodyMassG) => scorer.score(band, to(rounded), to(bodyMassG)),
  valueFor: (band, score, bodyMassG) => {
    const value = scorer.valueFor(band, score, to(bodyMassG))
    return value === null ? null : from(value)
  },
})

/** The scoring with its values on another scale. @param size for steps and units, where they change with it */
const mapped = (
  scoring: Scoring,
  to: (value: number) => number,
  size: (step: number) => number = (step) => step,
): Scoring => {
  const cut = <Cut extends { atLeast?: number; atMost?: number }>(one: Cut): Cut => ({
    ...one,
    ...(one.atLeast === undefined ? {} : { atLeast: to(one.atLeast) }),
    ...(one.atMost === undefined ? {} : { atMost: to(one.atMost) }),
  })
  switch (scoring.kind) {
    case 'singleCut':
    case 'completion':
      return cut(scoring)
    case 'cutByBand':
      return { ...scoring, rows: scoring.rows.map(cut) }
    case 'relativeCut':
      return {
        ...scoring,
        shareRounding: { ...scoring.shareRounding, step: size(scoring.shareRounding.step) },
        rows: scoring.rows.map((row) => (row.constant === undefined ? row : { ...row, constant: to(row.constant) })),
      }
    case 'pointsTable':
      return {
        ...scoring,
        bands: scoring.bands.map((band) => ({
          ...band,
          rows: band.rows.map((row) => ({ ...row, value: to(row.value) })),
        })),
      }
    case 'pointsByRule':
      return {
        ...scoring,
        perUnit: size(scoring.perUnit),
        bands: scoring.bands.map((band) => ({ ...band, anchor: to(band.anchor) })),
      }
    case 'normClasses':
      return { ...scoring, bands: scoring.bands.map((band) => ({ ...band, from: band.from.map(to) })) }
    case 'effort':
      return scoring
  }
}

const scorerOf = (scoring: Scoring, direction: 1 | -1, step: number, sense: Sense, lowest: number): Scorer => {
  switch (scoring.kind) {
    case 'singleCut':
      return cutScorer([scoring[sense] ?? 0], direction)
    case 'cutByBand':
      return cutScorer(
        scoring.rows.map((row) => row[sense] ?? 0),
        direction,
      )
    case 'relativeCut':
      return relativeScorer(scoring)
    case 'pointsTable':
      return tableScorer(scoring, direction, step)
    case 'pointsByRule':
      return ruleScorer(scoring, direction, step, lowest)
    case 'normClasses':
      return classScorer(scoring, direction)
    case 'completion':
      return completionScorer(scoring.atMost)
    case 'effort':
      return { scoreKind: 'nothing', score: () => 0, valueFor: () => null, best: () => 0 }
  }
}

/** Values below zero exist for readings from a foot line only. */
export const lowestOf = (unit: Unit): number => (unit === 'mm' ? Number.MIN_SAFE_INTEGER : 0)

const cutScorer = (cuts: readonly number[], direction: 1 | -1): Scorer => {
  const values = Float64Array.from(cuts)
  return {
    scoreKind: 'margin',
    score:
      direction === 1
        ? (band, rounded) => rounded - (values[band] ?? 0)
        : (band, rounded) => (values[band] ?? 0) - rounded,
    valueFor: (band, margin) => (values[band] ?? 0) + direction * margin,
    best: () => Number.MAX_SAFE_INTEGER,
  }
}

const relativeScorer = (scoring: RelativeCut): Scorer => {
  const cutFor = (band: number, bodyMassG: number): number => relativeCut(scoring, band, bodyMassG).cutG
  return {
    scoreKind: 'margin',
    score: (band, rounded, bodyMassG) => rounded - cutFor(band, bodyMassG),
    valueFor: (band, margin, bodyMassG) => cutFor(band, bodyMassG) + margin,
    best: () => Number.MAX_SAFE_INTEGER,
  }
}

/**
 * The cut for one body mass: the lesser or greater of the constant and the rounded share.
 * @example 45 % of 70 kg is 31.5 kg; the lesser of that and 34 kg is 31.5 kg
 */
const relativeCut = (
  { of, shareRounding, rows }: RelativeCut,
  band: number,
  bodyMassG: number,
): { readonly cutG: number; readonly shareG: number } => {
  const row = rows[band]
  if (!row) throw new RangeError(`Row ${band} was asked for, but the scoring has ${rows.length} rows.`)
  // rounded from the exact fraction of thousandths
  const exact = { mode: shareRounding.mode, step: shareRounding.step * 1000 }
  const shareG = roundTo(bodyMassG * row.shareOfBodyMassPermille, exact) / 1000
  if (row.constant === undefined) return { cutG: shareG, shareG }
  return { cutG: of === 'lesser' ? Math.min(row.constant, shareG) : Math.max(row.constant, shareG), shareG }
}

const tableScorer = (scoring: PointsTable, direction: 1 | -1, step: number): Scorer => {
  const tables = scoring.bands.map((band) => tableLookup(scoring, band, direction))
  const tableOf = (band: number) => {
    const table = tables[band]
    if (!table) throw new RangeError(`Band ${band} was asked for, but the table has ${tables.length}.`)
    return table
  }
  return {
    scoreKind: 'centipoints',
    score: denseLookup(tables, direction, step) ?? ((band, rounded) => tableOf(band).pointsAt(direction * rounded)),
    best: (band) => tableOf(band).fullCentipoints,
    valueFor: (band, centipoints) => {
      const { pointsAt, worst, best, floorCentipoints, fullCentipoints } = tableOf(band)
      if (centipoints > fullCentipoints || centipoints <= floorCentipoints) return null
      // from the lowest step inside the table up: the first that earns enough, found by halving
      let [low, high] = [Math.ceil(worst / step), Math.ceil(best / step)]
      while (low < high) {
        const middle = Math.floor((low + high) / 2)
        if (pointsAt(middle * step) >= centipoints) high = middle
        else low = middle + 1
      }
      return direction * low * step + 0
    },
  }
}

/** @param lowest value there can be: nobody runs in less than no time */
const ruleScorer = (scoring: PointsByRule, direction: 1 | -1, step: number, lowest: number): Scorer => {
  const { fullCentipoints, offCentipoints, perUnit, units, bands } = scoring
  const anchors = Float64Array.from(bands, ({ anchor }) => anchor)
  const floorCentipoints = scoring.floorCentipoints ?? 0
  return {
    scoreKind: 'centipoints',
    best: () => fullCentipoints,
    score: (band, rounded) => centipointsBeyond(scoring, direction * ((anchors[band] ?? 0) - rounded)),
    valueFor: (band, centipoints) => {
      if (centipoints > fullCentipoints || centipoints <= floorCentipoints) return null
      const unitsOff = Math.floor((fullCentipoints - centipoints) / offCentipoints)
      // as far beyond the anchor as these points reach: that far itself when begun units count, else not quite a unit more
      const good = direction * (anchors[band] ?? 0)
      const steps =
        units === 'started'
          ? Math.ceil((good - unitsOff * perUnit) / step)
          : Math.floor((good - (unitsOff + 1) * perUnit) / step) + 1
      const value = direction * steps * step + 0
      if (value >= lowest) return value
      // where less is worse, whatever can be reached earns as much; where less is better, nobody can
      return direction === 1 ? lowest : null
    },
  }
}

const classScorer = ({ classes, bands }: NormClasses, direction: 1 | -1): Scorer => ({
  scoreKind: 'class',
  best: () => classes.length - 1,
  score: (band, rounded) => {
    const from = bands[band]?.from ?? []
    let reached = 0
    while (reached < from.length && direction * rounded >= direction * (from[reached] ?? 0)) reached++
    return reached
  },
  valueFor: (band, index) => (index < 1 ? null : (bands[band]?.from[index - 1] ?? null)),
})

const completionScorer = (atMost: number | undefined): Scorer => ({
  scoreKind: 'margin',
  score: (_, rounded) => (atMost === undefined ? 0 : atMost - rounded),
  valueFor: () => atMost ?? null,
  best: () => Number.MAX_SAFE_INTEGER,
})
