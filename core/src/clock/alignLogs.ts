/**
 * Aligns a timer's log of finishes with the order somebody wrote the bibs down in.
 * The cheapest way to lay one list along the other is found over all of both (Needleman and Wunsch 1970), so that a time
 * too many or a bib left out shifts nobody else.
 */
export interface LoggedTime {
  readonly id: string
  readonly atMs: number
  /** The bib, when the timer knew it. */
  readonly bib: number | null
}

export interface LoggedFinisher {
  readonly id: string
  /** Null for somebody whose bib could not be read. */
  readonly bib: number | null
  /** When it was written down, which is a little after the finish; null when only the order is known. */
  readonly atMs: number | null
}

export type AlignedRow =
  /** `differs`: both lists name a bib, and not the same. */
  | { readonly kind: 'pair'; readonly time: LoggedTime; readonly finisher: LoggedFinisher; readonly differs: boolean }
  | { readonly kind: 'timeOnly'; readonly time: LoggedTime }
  | { readonly kind: 'finisherOnly'; readonly finisher: LoggedFinisher }

const SAME_BIB = 0
const UNKNOWN_BIB = 0.5
const OTHER_BIB = 8
/** Leaving an entry of one list alone. */
const ALONE = 3
/** How uneven a writer is taken to be before that is known, and never less than. */
const [FIRST_STRAY_MS, LEAST_STRAY_MS] = [1_500, 150]
const MOST_FOR_STRAY = 5

/** How long after a finish its bib is written down, and how unevenly: a pair that strays by that much costs one. */
interface Writer {
  readonly delayMs: number
  readonly strayMs: number
}

/**
 * @param times in the order they were stamped
 * @param finishers in the order they were written down
 * @returns every entry of both lists once, in order
 */
export const alignLogs = (times: readonly LoggedTime[], finishers: readonly LoggedFinisher[]): AlignedRow[] => {
  const writers = likelyDelays(times, finishers).map((delayMs): Writer => ({ delayMs, strayMs: FIRST_STRAY_MS }))
  let best = cheapest(writers.map((writer) => layOut(times, finishers, writer)))
  // the writer is known better once the lists are laid along each other
  for (let pass = 0; pass < 2; pass++) best = layOut(times, finishers, writerIn(best.rows))
  return best.rows
}

interface Alignment {
  readonly rows: AlignedRow[]
  readonly cost: number
}

const cheapest = (alignments: readonly Alignment[]): Alignment =>
  alignments.reduce((best, alignment) => (alignment.cost < best.cost ? alignment : best))

/** How many entries one list may be ahead of the other when the delay is first guessed. */
const MOST_AHEAD = 3

/** From bibs both lists know, and from entries of the same rank or a few ranks apart. */
const likelyDelays = (times: readonly LoggedTime[], finishers: readonly LoggedFinisher[]): number[] => {
  const byBib = new Map(times.flatMap(({ bib, atMs }) => (bib === null ? [] : [[bib, atMs] as const])))
  const delaysBy = (stampedAt: (finisher: LoggedFinisher, rank: number) => number | undefined): number[] =>
    finishers.flatMap((finisher, rank) => {
      const stampedMs = stampedAt(finisher, rank)
      return stampedMs === undefined || finisher.atMs === null ? [] : [finisher.atMs - stampedMs]
    })
  const known = delaysBy(({ bib }) => (bib === null ? undefined : byBib.get(bib)))
  const ahead = Array.from({ length: 2 * MOST_AHEAD + 1 }, (_, index) => index - MOST_AHEAD)
  const ranked = ahead.map((shift) => middle(delaysBy((_, rank) => times[rank + shift]?.atMs)))
  return known.length > 0 ? [middle(known), ...ranked] : ranked
}

const writerIn = (rows: readonly AlignedRow[]): Writer => {
  const delays = rows.flatMap((row) =>
    row.kind === 'pair' && row.finisher.atMs !== null ? [row.finisher.atMs - row.time.atMs] : [],
  )
  const delayMs = middle(delays)
  const usualStrayMs = middle(delays.map((delay) => Math.abs(delay - delayMs)))
  return { delayMs, strayMs: Math.max(LEAST_STRAY_MS, 2 * usualStrayMs) }
}

const layOut = (times: readonly LoggedTime[], finishers: readonly LoggedFinisher[], writer: Writer): Alignment => {
  const width = finishers.length + 1
  const cost = new Float64Array((times.length + 1) * width)
  for (let row = 0; row <= times.length; row++) {
    for (let column = 0; column <= finishers.length; column++) {
      if (row === 0 && column === 0) continue
      const [time, finisher] = [times[row - 1], finishers[column - 1]]
      const at = (r: number, c: number): number => cost[r * width + c] ?? Infinity
      cost[row * width + column] = Math.min(
        time && finisher ? at(row - 1, column - 1) + pairCost(time, finisher, writer) : Infinity,
        time ? at(row - 1, column) + ALONE : Infinity,
        finisher ? at(row, column - 1) + ALONE : Infinity,
      )
    }
  }
  return { rows: walkBack(times, finishers, writer, cost), cost: cost.at(-1) ?? 0 }
}

const walkBack = (
  times: readonly LoggedTime[],
  finishers: readonly LoggedFinisher[],
  writer: Writer,
  cost: Float64Array,
): AlignedRow[] => {
  const width = finishers.length + 1
  const rows: AlignedRow[] = []
  let [row, column] = [times.length, finishers.length]
  while (row > 0 || column > 0) {
    const [time, finisher] = [times[row - 1], finishers[column - 1]]
    const here = cost[row * width + column] ?? 0
    if (
      time &&
      finisher &&
      isSame(here, (cost[(row - 1) * width + column - 1] ?? 0) + pairCost(time, finisher, writer))
    ) {
      const differs = time.bib !== null && finisher.bib !== null && time.bib !== finisher.bib
      rows.push({ kind: 'pair', time, finisher, differs })
      row -= 1
      column -= 1
    } else if (time && isSame(here, (cost[(row - 1) * width + column] ?? 0) + ALONE)) {
      rows.push({ kind: 'timeOnly', time })
      row -= 1
    } else if (finisher) {
      rows.push({ kind: 'finisherOnly', finisher })
      column -= 1
    }
  }
  return rows.reverse()
}

const isSame = (a: number, b: number): boolean => Math.abs(a - b) < 1e-9

const pairCost = (time: LoggedTime, finisher: LoggedFinisher, { delayMs, strayMs }: Writer): number => {
  const bibs =
    time.bib === null || finisher.bib === null ? UNKNOWN_BIB : time.bib === finisher.bib ? SAME_BIB : OTHER_BIB
  if (finisher.atMs === null) return bibs
  const stray = (finisher.atMs - time.atMs - delayMs) / strayMs
  return bibs + Math.min(MOST_FOR_STRAY, stray ** 2)
}

const middle = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor((values.length - 1) / 2)] ?? 0
