/**
 * Reaches along a ruler, to be read: made up from a seed, and held against what was read. Fingers dart beyond where they stay, and one hand
 * runs ahead of the other.
 */
import type { RulerRead } from '../kinds/kind.ts'
import { seededRandom } from '../random/random.ts'
import type { DrillLevel } from './practised.ts'

export interface ReachSpec {
  readonly level: DrillLevel
  readonly seed: number
}

/** One reach; figures as they stand on the ruler, in mm. */
export interface Reach {
  /** From 1. */
  readonly no: number
  /** Where the fingertips stay, of the hand nearer to whoever looks and of the other. */
  readonly staysMm: readonly [near: number, far: number]
  /** How far beyond it they dart before they settle; nought where they do not. */
  readonly dartsMm: number
  /** How long they stay. */
  readonly staysMs: number
  readonly build: 'female' | 'male'
}

interface ReachLevel {
  /** Share of reaches that dart, and of those with one hand ahead. */
  readonly wrong: number
  /** Of a dart, and of a hand ahead, in steps of the ruler: at least and at most. */
  readonly steps: readonly [least: number, most: number]
  /** Longer than the hold that is asked for, in ms. */
  readonly longerMs: number
}
const LEVELS: Readonly<Record<DrillLevel, ReachLevel>> = {
  1: { wrong: 0.25, steps: [8, 12], longerMs: 2_600 },
  2: { wrong: 0.35, steps: [6, 9], longerMs: 2_000 },
  3: { wrong: 0.45, steps: [4, 7], longerMs: 1_400 },
  4: { wrong: 0.55, steps: [3, 5], longerMs: 900 },
  5: { wrong: 0.65, steps: [2, 4], longerMs: 500 },
}
/** Where people end, from the foot line, in mm. */
const ENDS = { least: -60, most: 170 } as const
const SHORTEST_STAY_MS = 700

export const makeReaches = ({ level, seed }: ReachSpec, ruler: RulerRead): Reach[] => {
  const random = seededRandom(seed * 64 + 62)
  const { wrong, steps, longerMs } = LEVELS[level]
  const some = (): number => random.whole(...steps) * ruler.stepMm
  return Array.from({ length: ruler.tries }, (_, at): Reach => {
    const mm = random.whole(Math.ceil(ENDS.least / ruler.stepMm), Math.floor(ENDS.most / ruler.stepMm)) * ruler.stepMm
    const back = Math.max(0, ruler.zeroMm + mm)
    const ahead = ruler.lesserHand && random.next() < wrong ? back + some() : back
    const isNearBack = random.next() < 0.5
    return {
      no: at + 1,
      staysMm: isNearBack ? [back, ahead] : [ahead, back],
      dartsMm: random.next() < wrong ? some() : 0,
      staysMs: Math.max(SHORTEST_STAY_MS, ruler.holdMs) + longerMs,
      build: random.next() < 0.5 ? 'female' : 'male',
    }
  })
}

/** What there is to read, in mm: the hand further back where one is ahead, which only is where the protocol reads that one. */
export const readingOf = ({ staysMm }: Reach): number => Math.min(...staysMm)

const [OUT_MS, DART_MS, BACK_MS] = [1_700, 550, 1_000] as const

/** How long a reach lasts, in ms. */
export const reachLasts = ({ staysMs }: Reach): number => OUT_MS + DART_MS + staysMs + BACK_MS

export interface ReachPose {
  /** 0 sitting upright, 1 where the fingers stay. */
  readonly share: number
  /** Where the fingertips are on the ruler, in mm; null while they are not on it. */
  readonly tipsMm: readonly [near: number, far: number] | null
}

const smooth = (share: number): number => {
  const within = Math.min(1, Math.max(0, share))
  return within * within * (3 - 2 * within)
}
/** From where on the fingers slide along the ruler, as a share of the way. */
const ON_THE_RULER = 0.55
/** So far behind where they stay the fingers come onto it, in mm. */
const SLIDES_MM = 160

/** @param ms since the reach began */
export const reachAt = (reach: Reach, ms: number): ReachPose => {
  const leavesMs = OUT_MS + DART_MS + reach.staysMs
  const share = ms < leavesMs ? smooth(ms / OUT_MS) : 1 - smooth((ms - leavesMs) / BACK_MS)
  if (share < ON_THE_RULER) return { share, tipsMm: null }
  const dart = reach.dartsMm * Math.sin(Math.PI * Math.min(1, Math.max(0, (ms - OUT_MS) / DART_MS)))
  const behind = (SLIDES_MM * (1 - share)) / (1 - ON_THE_RULER)
  const [near, far] = reach.staysMm
  return { share, tipsMm: [near + dart - behind, far + dart - behind] }
}

export type ReachResult = 'right' | 'dart' | 'handAhead' | 'off' | 'missing'

export interface ScoredReach {
  readonly reach: Reach
  /** In mm, as on the ruler; null for none. */
  readonly readMm: number | null
  readonly result: ReachResult
}

export interface ReachScore {
  readonly reaches: readonly ScoredReach[]
  readonly right: number
  /** How far what was read lies from what was there, on average, in mm; null for none. */
  readonly apartMm: number | null
}

/** What an eye tells on a ruler, in mm. */
export const READ_WITHIN_MM = 5

/** @param readMm of each reach in turn, in mm; null or left out for none */
export const scoreReaches = (reaches: readonly Reach[], readMm: readonly (number | null)[]): ReachScore => {
  const scored = reaches.map((reach, at): ScoredReach => {
    const read = readMm[at] ?? null
    return { reach, readMm: read, result: resultOf(reach, read) }
  })
  const apart = scored.flatMap((one) => (one.readMm === null ? [] : [Math.abs(one.readMm - readingOf(one.reach))]))
  return {
    reaches: scored,
    right: scored.filter(({ result }) => result === 'right').length,
    apartMm: apart.length === 0 ? null : Math.round(apart.reduce((sum, one) => sum + one, 0) / apart.length),
  }
}

const resultOf = (reach: Reach, readMm: number | null): ReachResult => {
  if (readMm === null) return 'missing'
  const isNear = (mm: number): boolean => Math.abs(mm - readMm) <= READ_WITHIN_MM
  const [back, ahead] = [readingOf(reach), Math.max(...reach.staysMm)]
  if (isNear(back)) return 'right'
  if (reach.dartsMm > 0 && (isNear(back + reach.dartsMm) || isNear(ahead + reach.dartsMm))) return 'dart'
  return isNear(ahead) ? 'handAhead' : 'off'
}

/** A reading as it is sent. @param no of the reach, from 1 */
export const readingAnswer = (no: number, mm: number): string => `${no}-${Math.max(0, Math.round(mm))}`

/** Readings as they were sent, one for each reach; of several the latest. @param answers in the order they were made */
export const readingsSent = (
  reaches: readonly Reach[],
  answers: readonly { readonly answer: string }[],
): (number | null)[] => {
  const read = new Map(answers.map(({ answer }) => answer.split('-').map(Number) as [no: number, mm: number]))
  return reaches.map(({ no }) => read.get(no) ?? null)
}
