/** Whether graders refuse alike: of each the share refused, held against all the others, candidate by candidate. */
import jstat from 'jstat'
import { LEAST_IN_GROUP } from './compareGroups.ts'
import { holm, NORMAL_95, type Interval } from './rate.ts'

/** What one grader decided, as sums over the candidates they graded; an attempt is a repetition that was counted or refused. */
export interface GraderTally {
  readonly id: string
  readonly candidates: number
  readonly attempts: number
  readonly refused: number
  /** Sums of squares and products over candidates, which tell how far single candidates lie apart. */
  readonly attemptsSquared: number
  readonly refusedSquared: number
  readonly refusedTimesAttempts: number
}

type GraderReading = 'tooFew' | 'alike' | 'stricter' | 'milder'

export interface ComparedGrader {
  readonly id: string
  readonly candidates: number
  /** Of the attempts; null where there are none. */
  readonly share: number | null
  /** To the share of all the others together, with its 95 % interval; null where that says nothing. */
  readonly ratio: number | null
  readonly interval: Interval | null
  /** That they refuse alike, adjusted for as many comparisons. */
  readonly chance: number | null
  readonly reading: GraderReading
}

const CHANCE = 0.05
/** A difference that matters on a day, and not only in figures. */
const MATTERS = 1.5

/**
 * Repetitions of one candidate are alike, so that they are no independent decisions: the share is a ratio of two sums over candidates,
 * and its error comes from how far candidates lie apart (Cochran 1977, ratio estimators; the ratio of two shares on its logarithm).
 * Whoever stands apart most is set aside before the others are compared, so that one strict grader makes nobody else mild.
 * @returns in the order given
 */
export const compareGraders = (tallies: readonly GraderTally[]): ComparedGrader[] => {
  const found = new Map<string, ComparedGrader>()
  let rest = tallies
  for (;;) {
    const compared = compareAmong(rest)
    const apart = compared.filter(({ reading }) => reading === 'stricter' || reading === 'milder')
    const [most] = apart.sort((a, b) => Math.abs(Math.log(b.ratio ?? 1)) - Math.abs(Math.log(a.ratio ?? 1)))
    if (!most || rest.length <= 2) {
      for (const one of compared) found.set(one.id, one)
      break
    }
    found.set(most.id, most)
    rest = rest.filter(({ id }) => id !== most.id)
  }
  return tallies.flatMap(({ id }) => found.get(id) ?? [])
}

const compareAmong = (tallies: readonly GraderTally[]): ComparedGrader[] => {
  const raw = tallies.map((own) => {
    const others = tallies.filter((other) => other !== own).reduce(added, NOBODY)
    return { own, compared: own.candidates < LEAST_IN_GROUP ? null : ratioOf(own, others) }
  })
  const chances = holm(raw.flatMap(({ compared }) => (compared ? [compared.chance] : [])))
  let next = 0
  return raw.map(({ own, compared }): ComparedGrader => {
    const share = own.attempts === 0 ? null : own.refused / own.attempts
    const { id, candidates } = own
    if (!compared) return { id, candidates, share, ratio: null, interval: null, chance: null, reading: 'tooFew' }
    const chance = chances[next++] ?? 1
    const { ratio, interval } = compared
    return { id, candidates, share, ratio, interval, chance, reading: readingOf(ratio, chance) }
  })
}

const readingOf = (ratio: number, chance: number): GraderReading => {
  if (chance >= CHANCE) return 'alike'
  if (ratio >= MATTERS) return 'stricter'
  return ratio <= 1 / MATTERS ? 'milder' : 'alike'
}

/** A plain sentence for each. @param name as it is shown */
export const sayGrader = (name: string, { share, ratio, interval, reading, candidates }: ComparedGrader): string => {
  const figures = share === null ? '' : `${(100 * share).toFixed(1)} % refused`
  if (reading === 'tooFew' || ratio === null || interval === null)
    return `${name}: ${candidates} candidates, too few to say.`
  const range = `${ratio.toFixed(2)} times the share of the others, 95 % between ${interval.low.toFixed(2)} and ${interval.high.toFixed(2)}`
  if (reading === 'alike')
    return `${name}: ${figures}, ${range}: no difference that matters and that chance does not explain.`
  const word = reading === 'stricter' ? 'more' : 'less'
  return `${name}: ${figures}, ${range}: refuses ${word} than chance explains. Let two grade side by side before anything is decided.`
}

type Sums = Omit<GraderTally, 'id'>
const NOBODY: Sums = {
  candidates: 0,
  attempts: 0,
  refused: 0,
  attemptsSquared: 0,
  refusedSquared: 0,
  refusedTimesAttempts: 0,
}

const added = (one: Sums, other: Sums): Sums => ({
  candidates: one.candidates + other.candidates,
  attempts: one.attempts + other.attempts,
  refused: one.refused + other.refused,
  attemptsSquared: one.attemptsSquared + other.attemptsSquared,
  refusedSquared: one.refusedSquared + other.refusedSquared,
  refusedTimesAttempts: one.refusedTimesAttempts + other.refusedTimesAttempts,
})

const ratioOf = (own: Sums, others: Sums): { ratio: number; interval: Interval; chance: number } | null => {
  // a share of nought has no logarithm; then there is too little to compare
  if (others.candidates < LEAST_IN_GROUP || own.refused === 0 || others.refused === 0) return null
  const [share, usual] = [own.refused / own.attempts, others.refused / others.attempts]
  const ratio = share / usual
  const deviation = Math.sqrt(varianceOf(own) / share ** 2 + varianceOf(others) / usual ** 2)
  const logarithm = Math.log(ratio)
  const apart = deviation === 0 ? Number.POSITIVE_INFINITY : Math.abs(logarithm) / deviation
  return {
    ratio,
    interval: {
      low: Math.exp(logarithm - NORMAL_95 * deviation),
      high: Math.exp(logarithm + NORMAL_95 * deviation),
    },
    chance: ratio === 1 ? 1 : 2 * (1 - jstat.normal.cdf(apart, 0, 1)),
  }
}

const varianceOf = (sums: Sums): number => {
  const { candidates, attempts, refused, refusedSquared, attemptsSquared, refusedTimesAttempts } = sums
  if (candidates < 2 || attempts === 0) return 0
  const share = refused / attempts
  const squares = refusedSquared - 2 * share * refusedTimesAttempts + share ** 2 * attemptsSquared
  // what the arithmetic leaves below zero is nothing
  return ((candidates / (candidates - 1)) * Math.max(0, squares)) / attempts ** 2
}
