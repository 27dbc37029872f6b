import { expect, test } from 'vitest'
import { seededRandom, type Random } from '../random/random.ts'
import { alignLogs, type LoggedFinisher, type LoggedTime } from './alignLogs.ts'

const time = (id: string, atMs: number, bib: number | null = null): LoggedTime => ({ id, atMs, bib })
const finisher = (bib: number, atMs: number | null): LoggedFinisher => ({ id: `f${bib}`, bib, atMs })
const shown = (rows: ReturnType<typeof alignLogs>): string[] =>
  rows.map((row) =>
    row.kind === 'pair'
      ? `${row.time.id}=${row.finisher.bib ?? '?'}${row.differs ? '!' : ''}`
      : row.kind === 'timeOnly'
        ? `${row.time.id}=`
        : `=${row.finisher.bib ?? '?'}`,
  )

test('lists that agree are paired by rank', () => {
  const times = [time('a', 1_000), time('b', 5_000), time('c', 9_000)]
  expect(shown(alignLogs(times, [finisher(1, 2_000), finisher(2, 6_000), finisher(3, 10_000)]))).toEqual([
    'a=1',
    'b=2',
    'c=3',
  ])
})
test('a time too many shifts nobody else', () => {
  const times = [time('a', 1_000), time('extra', 3_200), time('b', 5_000), time('c', 9_000)]
  expect(shown(alignLogs(times, [finisher(1, 2_000), finisher(2, 6_000), finisher(3, 10_000)]))).toEqual([
    'a=1',
    'extra=',
    'b=2',
    'c=3',
  ])
})
test('a bib left out shifts nobody else', () => {
  const times = [time('a', 1_000), time('b', 5_000), time('c', 9_000)]
  expect(shown(alignLogs(times, [finisher(1, 2_000), finisher(3, 10_000)]))).toEqual(['a=1', 'b=', 'c=3'])
})
test('known bibs decide where only the order was written', () => {
  const times = [time('a', 1_000, 1), time('extra', 3_000), time('b', 5_000, 2), time('c', 9_000)]
  expect(shown(alignLogs(times, [finisher(1, null), finisher(2, null), finisher(3, null)]))).toEqual([
    'a=1',
    'extra=',
    'b=2',
    'c=3',
  ])
})
test('two lists that name different people at the same time are shown as different', () => {
  const times = [time('a', 1_000, 1), time('b', 5_000, 7), time('c', 9_000, 3)]
  const rows = alignLogs(times, [finisher(1, 2_000), finisher(8, 6_000), finisher(3, 10_000)])
  expect(shown(rows).filter((row) => !row.includes('7') && !row.includes('8'))).toContain('c=3')
  expect(rows.some((row) => row.kind !== 'pair' || row.differs)).toBe(true)
})
test('empty lists align to nothing, and one empty list leaves the other alone', () => {
  expect(alignLogs([], [])).toEqual([])
  expect(shown(alignLogs([time('a', 1)], []))).toEqual(['a='])
})

interface Logs {
  readonly times: LoggedTime[]
  readonly finishers: LoggedFinisher[]
  /** Which bib each time belongs to. */
  readonly truth: ReadonlyMap<string, number>
  /** Bibs that an error touched. */
  readonly touched: ReadonlySet<number>
}

/**
 * Sixty finishers, every tenth of the times with a bib, the writer about a second
 * behind and less uneven than the closest finish: two that are closer than that nobody can tell apart.
 * Then up to three errors.
 */
const logsWith = (random: Random, errors: number): Logs => {
  let atMs = 400_000
  const finishes = Array.from({ length: 60 }, (_, index) => ({
    bib: index + 1,
    atMs: (atMs += random.whole(400, 9_000)),
  }))
  const times = finishes.map(({ bib, atMs: ms }) => time(`t${bib}`, ms, random.next() < 0.1 ? bib : null))
  const finishers = finishes.map(({ bib, atMs: ms }) => finisher(bib, ms + 900 + random.whole(0, 350)))
  const touched = new Set<number>()
  for (let error = 0; error < errors; error++) {
    const bib = random.whole(3, 58)
    touched.add(bib)
    const what = random.whole(1, 3)
    if (what === 1) {
      const at = times.findIndex(({ id }) => id === `t${bib}`)
      const before = times[at]
      if (before) times.splice(at + 1, 0, time(`extra${bib}`, before.atMs + random.whole(100, 1_500)))
    } else if (what === 2)
      times.splice(
        times.findIndex(({ id }) => id === `t${bib}`),
        1,
      )
    else
      finishers.splice(
        finishers.findIndex((one) => one.bib === bib),
        1,
      )
  }
  times.sort((a, b) => a.atMs - b.atMs)
  return { times, finishers, truth: new Map(finishes.map(({ bib }) => [`t${bib}`, bib])), touched }
}

test('with up to three errors in sixty finishers every unaffected runner is right', () => {
  for (let seed = 1; seed <= 200; seed++) {
    const random = seededRandom(seed)
    const { times, finishers, truth, touched } = logsWith(random, random.whole(0, 3))
    for (const row of alignLogs(times, finishers)) {
      if (row.kind !== 'pair' || row.finisher.bib === null || touched.has(row.finisher.bib)) continue
      expect(truth.get(row.time.id), `seed ${seed}`).toBe(row.finisher.bib)
    }
  }
})
