/** The work a stamp causes on the lap console with 200 runners, as a share of one frame of 60 a second. */
import {
  lapBoard,
  lapsOf,
  markEvent,
  newBook,
  newLapMemory,
  rehearseWave,
  seededRandom,
  settleCaptures,
  type Capture,
  type Standard,
} from '@able-gauge/core'
import { standardNamed } from '@able-gauge/core/testing'
import { median } from './median.ts'

const RUNNERS = 200
const FRAME_MS = 1000 / 60
const RUNS = 60

const standard: Standard = standardNamed('v2')
const event = standard.events.find(({ protocol }) => protocol.kind === 'timedDistance')
if (event?.protocol.kind !== 'timedDistance') throw new Error('The demo standard holds no run.')
const { protocol } = event

const random = seededRandom(1)
const runners = Array.from({ length: RUNNERS }, (_, index) => ({ entryId: `runner-${index}`, wave: 1 }))
const scripts = runners.map(({ entryId }) => ({ entryId, finishMs: random.whole(420_000, 720_000) }))
const captures: Capture[] = rehearseWave(
  { eventId: event.id, deviceId: 'bench', random },
  protocol,
  1,
  1_000_000,
  scripts,
)
const candidates = runners.map((runner) => ({ ...runner, category: 'male', ageYears: 25, ageCountedOn: '2026-11-24' }))

const timed = (work: () => unknown): number => {
  const began = performance.now()
  work()
  return performance.now() - began
}
const report = (name: string, work: () => unknown): void => {
  for (let warm = 0; warm < 20; warm++) work()
  const share = median(Array.from({ length: RUNS }, () => timed(work))) / FRAME_MS
  console.log(`${name.padEnd(48)} ${share.toFixed(2)} of a frame`)
}

console.log(`${RUNNERS} runners, ${lapsOf(protocol)} laps, ${captures.length} captures`)
report('settle all captures', () => settleCaptures(captures))
const settled = settleCaptures(captures)
report('lay out the board, next expected first', () => lapBoard(protocol, 1, runners, settled, 580_000))
report('judge everybody with trace', () => markEvent({ standard, testDate: '2026-11-24' }, event, candidates, settled))

/** What a console and the store behind it do with one capture more: whoever it is not about stays as they are. */
const terms = { standard, testDate: '2026-11-24', asOfMs: null }
const memory = newLapMemory()
const book = newBook()
const FROM = settled.length - 300
const oneMore = (count: number): void => {
  const now = settled.slice(0, count)
  lapBoard(protocol, 1, runners, now, 580_000, memory)
  markEvent(terms, event, candidates, now, book)
}
oneMore(FROM)
const each = Array.from({ length: settled.length - FROM }, (_, index) => timed(() => oneMore(FROM + index + 1)))
// the first hundred warm it up
console.log(
  `${'board and marks, one capture more'.padEnd(48)} ${(median(each.slice(100)) / FRAME_MS).toFixed(3)} of a frame`,
)
