/** A finish in bunches, to be stamped and put in order: made up from a seed, and held against what was stamped. */
import { seededRandom, shuffled } from '../random/random.ts'
import type { DrillLevel } from './practised.ts'

export interface FinishRunner {
  readonly bib: number
  /** From the start of the wave, in ms. */
  readonly crossesAtMs: number
  /** Which part of the bib cannot be read, as a share from its left; nought and nought for none. */
  readonly hidden: readonly [from: number, to: number]
  /** Across the track, from 0 to 1. */
  readonly across: number
  readonly build: 'female' | 'male'
}

export interface FinishSpec {
  readonly level: DrillLevel
  readonly seed: number
  readonly runners: number
}

interface FinishLevel {
  /** Share of bibs of which a part is hidden. */
  readonly hidden: number
  /** Between runners of one bunch, at most, in ms. */
  readonly apartMs: number
  readonly bunch: number
}
const LEVELS: Readonly<Record<DrillLevel, FinishLevel>> = {
  1: { hidden: 0.1, apartMs: 1_500, bunch: 2 },
  2: { hidden: 0.2, apartMs: 1_100, bunch: 3 },
  3: { hidden: 0.35, apartMs: 800, bunch: 4 },
  4: { hidden: 0.5, apartMs: 550, bunch: 5 },
  5: { hidden: 0.65, apartMs: 380, bunch: 6 },
}
const FIRST_MS = 12_000

/** @returns runners in the order they finish */
export const makeFinish = ({ level, seed, runners }: FinishSpec): FinishRunner[] => {
  const random = seededRandom(seed * 64 + 63)
  const { hidden, apartMs, bunch } = LEVELS[level]
  const bibs = shuffled(
    Array.from({ length: runners }, (_, at) => at + 1),
    random,
  )
  let [atMs, left] = [FIRST_MS, 0]
  return bibs.map((bib): FinishRunner => {
    if (left === 0) {
      left = random.whole(Math.max(1, bunch - 1), bunch + 1)
      atMs += 2_200 + Math.round(random.next() * 3_000)
    } else atMs += 120 + Math.round(random.next() * apartMs)
    left -= 1
    const isHidden = random.next() < hidden
    const isLeft = random.next() < 0.5
    return {
      bib,
      crossesAtMs: atMs,
      hidden: isHidden ? (isLeft ? [0, 0.5] : [0.5, 1]) : [0, 0],
      across: random.next(),
      build: random.next() < 0.5 ? 'female' : 'male',
    }
  })
}

export type FinishResult = 'right' | 'wrongBib' | 'late' | 'missing'

interface ScoredRunner {
  readonly runner: FinishRunner
  readonly place: number
  /** From the start; null for none. */
  readonly stampedAtMs: number | null
  readonly result: FinishResult
}

export interface FinishScore {
  readonly runners: readonly ScoredRunner[]
  readonly right: number
  /** Stamps that have no bib. */
  readonly unnamed: number
  /** Runners who are at their place in the order of the stamps. */
  readonly inPlace: number
  /** How far the right stamps lie from the line, on average, in ms; null for none. */
  readonly apartMs: number | null
}

export interface FinishStamp {
  /** Null while nobody has put a bib to it. */
  readonly bib: number | null
  readonly atMs: number
}

/** What hand timing tells apart at the line. */
const RIGHT_WITHIN_MS = 400

/** @param stamps that stand, from the start of the wave */
export const scoreFinish = (runners: readonly FinishRunner[], stamps: readonly FinishStamp[]): FinishScore => {
  const stampOf = new Map(stamps.flatMap(({ bib, atMs }) => (bib === null ? [] : [[bib, atMs] as const])))
  const byStamp = [...stampOf].sort((a, b) => a[1] - b[1]).map(([bib]) => bib)
  const scored = runners.map((runner, at): ScoredRunner => {
    const stampedAtMs = stampOf.get(runner.bib) ?? null
    return { runner, place: at + 1, stampedAtMs, result: finishResult(runner, stampedAtMs, runners) }
  })
  const apart = scored.flatMap(({ runner, stampedAtMs, result }) =>
    result === 'right' && stampedAtMs !== null ? [Math.abs(stampedAtMs - runner.crossesAtMs)] : [],
  )
  return {
    runners: scored,
    right: apart.length,
    unnamed: stamps.filter(({ bib }) => bib === null).length,
    inPlace: scored.filter(({ runner }, at) => byStamp[at] === runner.bib).length,
    apartMs: apart.length === 0 ? null : Math.round(apart.reduce((sum, one) => sum + one, 0) / apart.length),
  }
}

const finishResult = (
  runner: FinishRunner,
  stampedAtMs: number | null,
  runners: readonly FinishRunner[],
): FinishResult => {
  if (stampedAtMs === null) return 'missing'
  const apart = (one: FinishRunner): number => Math.abs(one.crossesAtMs - stampedAtMs)
  if (apart(runner) <= RIGHT_WITHIN_MS) return 'right'
  const nearest = runners.reduce((best, one) => (apart(one) < apart(best) ? one : best), runner)
  return apart(nearest) <= RIGHT_WITHIN_MS ? 'wrongBib' : 'late'
}
