/** Two graders beside one candidate, repetition by repetition: what each said of the same one. */
import type { Capture } from '../capture/capture.ts'

/** What one grader said of one repetition: that it counts, or the id of the reason why not. */
export interface Decision {
  readonly atMs: number
  readonly answer: string
}

export const COUNTED = 'counted'
/** What is said of a repetition by whoever pressed nothing. */
export const NOT_SEEN = 'notSeen'

/** What was decided on a device, since the last beginning. @param own captures of one candidate, in order */
export const decisionsOn = (device: string, own: readonly Capture[]): Decision[] => {
  const anew = own.findLastIndex(({ kind }) => kind === 'restarted')
  return own.slice(anew + 1).flatMap((capture): Decision[] => {
    if (capture.deviceId !== device) return []
    if (capture.kind === 'counted') return [{ atMs: capture.atMs, answer: COUNTED }]
    return capture.kind === 'refused' ? [{ atMs: capture.atMs, answer: capture.payload.reason }] : []
  })
}

/** How many repetitions got this answer of the first and that of the second. */
export interface DecisionPair {
  readonly first: string
  readonly second: string
  readonly times: number
}

/** Two people press for one repetition within this time; the quickest repetitions are further apart. */
const TOGETHER_MS = 700

export interface PairedDecisions {
  /** Places in the second list by places in the first. */
  readonly besideOf: ReadonlyMap<number, number>
  /** Places in the second list that have no counterpart. */
  readonly left: readonly number[]
}

/**
 * Puts decisions that lie closest together side by side, each once.
 * @param first in order of time @param second in order of time, on the same clock
 */
export const pairDecisions = (
  first: readonly Decision[],
  second: readonly Decision[],
  withinMs = TOGETHER_MS,
): PairedDecisions => {
  const near = first
    .flatMap((one, at) =>
      second.flatMap((other, beside) => {
        const apartMs = Math.abs(one.atMs - other.atMs)
        return apartMs <= withinMs ? [{ at, beside, apartMs }] : []
      }),
    )
    .sort((a, b) => a.apartMs - b.apartMs)
  const [besideOf, taken] = [new Map<number, number>(), new Set<number>()]
  for (const { at, beside } of near) {
    if (besideOf.has(at) || taken.has(beside)) continue
    besideOf.set(at, beside)
    taken.add(beside)
  }
  return { besideOf, left: second.flatMap((_, beside) => (taken.has(beside) ? [] : [beside])) }
}

/**
 * What two people said of the same repetitions; what has no counterpart was not seen by the other.
 * @param first in order of time @param second in order of time, on the same clock
 * @returns most often first
 */
export const matchDecisions = (first: readonly Decision[], second: readonly Decision[]): DecisionPair[] => {
  const { besideOf, left } = pairDecisions(first, second)
  const counts = new Map<string, DecisionPair>()
  const add = (one: string, other: string): void => {
    const key = `${one} ${other}`
    counts.set(key, { first: one, second: other, times: (counts.get(key)?.times ?? 0) + 1 })
  }
  for (const [at, { answer }] of first.entries()) add(answer, second[besideOf.get(at) ?? -1]?.answer ?? NOT_SEEN)
  for (const beside of left) add(NOT_SEEN, second[beside]?.answer ?? NOT_SEEN)
  return [...counts.values()].sort((a, b) => b.times - a.times || (a.first < b.first ? -1 : 1))
}
