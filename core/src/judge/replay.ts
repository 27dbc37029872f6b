/** An event of a day played again from its captures: what was observed when, where everybody stood at any moment, what was doubted. */
import { byCandidate } from '../capture/byCandidate.ts'
import type { Capture } from '../capture/capture.ts'
import { byTimeThenId, settleCaptures, voidedIds } from '../capture/settleCaptures.ts'
import { startsIn, waveStarts } from '../kinds/waveStart.ts'
import type { StandardEvent } from '../standard/standard.ts'
import type { Terms } from './basis.ts'
import { newBook } from './eventBook.ts'
import { markEvent, type DayCandidate } from './judgeDay.ts'
import type { Mark } from './mark.ts'

/** One thing that was observed, as it stands in the end. */
export interface ReplayMoment {
  readonly id: string
  readonly atMs: number
  readonly entryId: string | null
  readonly deviceId: string
  readonly capture: Capture
  /** Undone later: it is seen, and counts for nothing. */
  readonly isVoided: boolean
}

/** A doubt of the verdict, at the moment of the first capture it is about. */
interface ReplayDoubt {
  readonly entryId: string
  readonly code: string
  readonly atMs: number
}

export interface Replay {
  /** From shortly before the first capture to the last moment anything changes. */
  readonly fromMs: number
  readonly toMs: number
  readonly moments: readonly ReplayMoment[]
  readonly doubts: readonly ReplayDoubt[]
  /** What of it counts, in order. */
  readonly settled: readonly Capture[]
}

const LEAD_MS = 5_000

/**
 * @param captures of the event, as recorded, corrections among them
 * @returns null where nothing was captured
 */
export const replayOf = (
  terms: Terms,
  event: StandardEvent,
  candidates: readonly DayCandidate[],
  captures: readonly Capture[],
): Replay | null => {
  const settled = settleCaptures(captures, terms.bounds)
  const voided = voidedIds(captures)
  const counting = new Map(settled.map((capture) => [capture.id, capture]))
  const undone = captures.filter(({ id }) => voided.has(id) && !counting.has(id))
  const moments = [...settled, ...undone].sort(byTimeThenId).map((capture): ReplayMoment => {
    const { id, atMs, entryId, deviceId } = capture
    return { id, atMs, entryId, deviceId, capture, isVoided: !counting.has(id) }
  })
  // a decision comes when the work is long over, and belongs to its end
  const worked = moments.filter(({ capture }) => capture.kind !== 'decided')
  const [first, last] = [worked[0], worked.at(-1)]
  if (!first || !last) return null
  const { marks } = markEvent(terms, event, candidates, settled)
  const ends = [...marks.values()].flatMap(({ span }) => span?.toMs ?? [])
  return {
    fromMs: first.atMs - LEAD_MS,
    toMs: Math.max(last.atMs, ...ends),
    moments,
    settled,
    doubts: [...marks].flatMap(([entryId, { doubts = [] }]) =>
      doubts.flatMap(({ code, captures: ids }): ReplayDoubt[] => {
        const at = ids.flatMap((id) => counting.get(id)?.atMs ?? [])
        return at.length === 0 ? [] : [{ entryId, code, atMs: Math.min(...at) }]
      }),
    ),
  }
}

/** Where everybody stood at a moment, and until when that holds unless something is captured. */
export interface ReplayStanding {
  readonly marks: ReadonlyMap<string, Mark>
  readonly changesAtMs: number | null
}

/**
 * Judges what had been captured by a moment, as of it. From the last moment on it is the very verdict: as of the signature, with all
 * that was captured.
 */
export const standingAt = (
  terms: Terms,
  event: StandardEvent,
  candidates: readonly DayCandidate[],
  { settled, toMs }: Replay,
  atMs: number,
): ReplayStanding => {
  const isOver = atMs >= toMs
  const until = isOver ? settled : settled.filter((capture) => capture.atMs <= atMs)
  return markEvent(isOver ? terms : { ...terms, asOfMs: atMs }, event, candidates, until, newBook())
}

/** A runner on the ground: laps behind them, the fraction of the next among it; null before the start. */
export type LapsAt = (atMs: number) => number | null

/**
 * Where everybody on a lap was at any moment: between two crossings of theirs at an even pace, since both are known.
 * @param laps how many crossings finish it
 */
export const lapsOn = (
  settled: readonly Capture[],
  candidates: readonly Pick<DayCandidate, 'entryId' | 'wave'>[],
  laps: number,
): ReadonlyMap<string, LapsAt> => {
  const { of: ownOf } = byCandidate(settled)
  const startFor = startsIn(waveStarts(settled))
  return new Map(
    candidates.flatMap((candidate): [string, LapsAt][] => {
      const own = ownOf.get(candidate.entryId) ?? []
      const start = startFor(candidate, own)
      if (!start) return []
      const crossings = own.flatMap((capture) =>
        capture.kind === 'crossed' && (capture.payload.watch ?? 1) === 1 ? [capture.atMs] : [],
      )
      const end = own.find(({ kind }) => kind === 'stopped')?.atMs ?? null
      const at = [start.atMs, ...crossings.slice(0, laps)]
      return [[candidate.entryId, (atMs) => lapsBy(at, end, laps, atMs)]]
    }),
  )
}

const lapsBy = (at: readonly number[], endMs: number | null, laps: number, atMs: number): number | null => {
  const [first = 0] = at
  if (atMs < first) return null
  const done = at.findLastIndex((crossed) => crossed <= atMs)
  const [from = first, to] = [at[done], at[done + 1]]
  if (done >= laps) return laps
  if (to !== undefined) return done + (atMs - from) / (to - from)
  // after the last crossing at the pace of the lap before, until somebody says that it ended
  const before = at[done - 1]
  if (before === undefined) return done
  const until = endMs === null ? from : Math.min(atMs, endMs)
  return Math.min(laps, done + Math.max(0, Math.min(0.9, (until - from) / (from - before))))
}
