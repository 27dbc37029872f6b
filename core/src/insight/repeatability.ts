/** How closely repeated measurements of the same people agree: of two days, two tries, two watches, two graders. */
import jstat from 'jstat'
import type { Interval } from './rate.ts'

/** A row for each subject, a column for each trial or judge; every row as long as the first. */
export type Trials = readonly (readonly number[])[]

interface MeanSquares {
  readonly subjects: number
  readonly judges: number
  readonly residual: number
  /** Within subjects, whoever judged. */
  readonly within: number
}

export interface Repeatability {
  readonly subjects: number
  readonly trials: number
  readonly meanSquares: MeanSquares
  /** Two-way random effects, absolute agreement, of a single trial (Shrout and Fleiss 1979). */
  readonly icc21: number
  /** 95 % limits of it (McGraw and Wong 1996). */
  readonly limits: Interval
  /** One-way, of a single trial: nothing is known of who judged. */
  readonly icc11: number
  /** Two-way, consistency: a constant shift between judges does not count. */
  readonly icc31: number
  /** As the first, of the mean of all trials. */
  readonly icc2k: number
  /** Standard error of measurement: the root of the residual mean square, so that a constant shift is not in it (Weir 2005). */
  readonly standardError: number
  /** 1.96·√2·SEM: a smaller change of one person may be noise (Weir 2005). */
  readonly smallestRealChange: number
}

/** Fewer subjects say nothing. */
const LEAST_SUBJECTS = 2
const SURE = 0.975

/**
 * @returns null for fewer than two subjects or two trials, or where nobody differs from anybody
 * @example repeatabilityOf(sixTargetsFourJudges).icc21 // 0.2898
 */
export const repeatabilityOf = (trials: Trials): Repeatability | null => {
  const [n, k] = [trials.length, trials[0]?.length ?? 0]
  if (n < LEAST_SUBJECTS || k < 2) return null
  const meanSquares = meanSquaresOf(trials, n, k)
  const { subjects: msr, judges: msc, residual: mse, within: msw } = meanSquares
  if (msr === 0 && msc === 0 && mse === 0) return null
  const icc21 = (msr - mse) / (msr + (k - 1) * mse + (k * (msc - mse)) / n)
  const standardError = Math.sqrt(mse)
  return {
    subjects: n,
    trials: k,
    meanSquares,
    icc21,
    limits: limitsOf(meanSquares, icc21, n, k),
    icc11: (msr - msw) / (msr + (k - 1) * msw),
    icc31: (msr - mse) / (msr + (k - 1) * mse),
    icc2k: (msr - mse) / (msr + (msc - mse) / n),
    standardError,
    smallestRealChange: 1.96 * Math.SQRT2 * standardError,
  }
}

/** Fewer pairs are too few to set an uncertainty by. */
const LEAST_PAIRS_TO_SET = 20

/**
 * What a method leaves open near the cut, 95 times in a hundred: 1.96 standard errors of measurement, to the next whole unit.
 * @param pairs how many were measured twice
 * @returns in the base unit of the event; null for too few
 */
export const uncertaintyOf = ({ standardError }: Pick<Repeatability, 'standardError'>, pairs: number): number | null =>
  pairs < LEAST_PAIRS_TO_SET ? null : Math.ceil(1.96 * standardError)

const mean = (values: readonly number[]): number => values.reduce((sum, one) => sum + one, 0) / values.length

const meanSquaresOf = (trials: Trials, n: number, k: number): MeanSquares => {
  const all = mean(trials.flat())
  const ofSubjects = trials.map(mean)
  const ofJudges = Array.from({ length: k }, (_, at) => mean(trials.map((row) => row[at] ?? 0)))
  const squares = (values: readonly number[], middle: number): number =>
    values.reduce((sum, one) => sum + (one - middle) ** 2, 0)
  const [between, judges, total] = [
    k * squares(ofSubjects, all),
    n * squares(ofJudges, all),
    squares(trials.flat(), all),
  ]
  return {
    subjects: between / (n - 1),
    judges: judges / (k - 1),
    // what the arithmetic leaves below zero is nothing
    residual: Math.max(0, total - between - judges) / ((n - 1) * (k - 1)),
    within: Math.max(0, total - between) / (n * (k - 1)),
  }
}

const limitsOf = (
  { subjects: msr, judges: msc, residual: mse }: MeanSquares,
  icc: number,
  n: number,
  k: number,
): Interval => {
  // without any residual all agree but for shifts: there is nothing to be unsure of
  if (mse === 0) return { low: icc, high: icc }
  const a = (k * icc) / (n * (1 - icc))
  const b = 1 + (k * icc * (n - 1)) / (n * (1 - icc))
  const freedom = (a * msc + b * mse) ** 2 / ((a * msc) ** 2 / (k - 1) + (b * mse) ** 2 / ((n - 1) * (k - 1)))
  const [lower, upper] = [jstat.centralF.inv(SURE, n - 1, freedom), jstat.centralF.inv(SURE, freedom, n - 1)]
  const rest = k * msc + (k * n - k - n) * mse
  return {
    low: (n * (msr - lower * mse)) / (lower * rest + n * msr),
    high: (n * (upper * msr - mse)) / (rest + n * upper * msr),
  }
}

export interface AgreementLimits {
  readonly pairs: number
  /** Of first less second. */
  readonly meanDifference: number
  readonly deviation: number
  /** Mean ± 1.96 deviations (Bland and Altman 1986). */
  readonly limits: Interval
}

/** @returns null for fewer than two pairs */
export const limitsOfAgreement = (pairs: readonly (readonly [number, number])[]): AgreementLimits | null => {
  if (pairs.length < LEAST_SUBJECTS) return null
  const differences = pairs.map(([first, second]) => first - second)
  const middle = mean(differences)
  const deviation = Math.sqrt(differences.reduce((sum, one) => sum + (one - middle) ** 2, 0) / (differences.length - 1))
  return {
    pairs: pairs.length,
    meanDifference: middle,
    deviation,
    limits: { low: middle - 1.96 * deviation, high: middle + 1.96 * deviation },
  }
}

export interface EvenTrials {
  readonly trials: Trials
  /** Subjects with a single trial, who tell nothing of repeating. */
  readonly leftOut: number
  /** Whether further trials of some were not used, since not everybody has them. */
  readonly isCut: boolean
}

/** Where not everybody has every trial, the first two of each stand for all; who has one alone is left out. */
export const evenTrials = (rows: readonly (readonly (number | null)[])[]): EvenTrials => {
  const filled = rows.map((row) => row.filter((value): value is number => value !== null))
  const width = Math.max(...filled.map((row) => row.length), 0)
  if (filled.every((row) => row.length === width)) return { trials: filled, leftOut: 0, isCut: false }
  const kept = filled.filter((row) => row.length >= 2)
  return { trials: kept.map((row) => row.slice(0, 2)), leftOut: filled.length - kept.length, isCut: width > 2 }
}
