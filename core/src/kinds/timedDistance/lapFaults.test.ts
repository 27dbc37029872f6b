import { expect, test } from 'vitest'
import { protocolTemplate } from '../protocolTemplates.ts'
import { distanceAtCrossing, lapsOf, type TimedDistance } from './protocol.ts'
import { seededRandom, type Random } from '../../random/random.ts'
import { lapFaults, type LapFault, type StampedRunner } from './lapFaults.ts'

// the template is a sound protocol of this kind
const run = { ...protocolTemplate('timedDistance'), distanceMm: 2_000_000, lapLengthMm: 400_000 } as TimedDistance
const LATER = 10_000_000

const runner = (entryId: string, atMs: readonly number[]): StampedRunner => ({
  entryId,
  stamps: atMs.map((ms, index) => ({ captureId: `${entryId}-${index + 1}`, atMs: ms })),
})
const EVEN = [110_000, 220_000, 330_000, 440_000, 550_000]
const others = [1, 2, 3].map((n) =>
  runner(
    `even-${n}`,
    EVEN.map((ms) => ms + n * 1_000),
  ),
)
const faultsOf = (atMs: readonly number[], nowMs = LATER) => lapFaults(run, 0, [...others, runner('x', atMs)], nowMs)

test('even laps raise nothing', () => {
  expect(faultsOf(EVEN)).toEqual([])
})
test('a lap about twice as long as the others is a missed stamp, put in the middle', () => {
  expect(faultsOf([110_000, 330_000, 440_000, 550_000])).toEqual([
    { kind: 'missed', entryId: 'x', lap: 2, atMs: 220_000 },
  ])
})
test('a missed first stamp is found', () => {
  expect(faultsOf([220_000, 330_000, 440_000, 550_000])).toEqual([
    { kind: 'missed', entryId: 'x', lap: 1, atMs: 110_000 },
  ])
})
test('a lap far too short is a double touch of the lap before', () => {
  expect(faultsOf([110_000, 111_500, 220_000, 330_000, 440_000, 550_000])).toEqual([
    { kind: 'doubled', entryId: 'x', captureId: 'x-2', lap: 1, atMs: 111_500 },
  ])
})
test('a stamp sooner after the start than anybody runs a lap repeats no lap', () => {
  expect(faultsOf([4_000, 110_000, 220_000, 330_000, 440_000, 550_000])).toEqual([
    { kind: 'doubled', entryId: 'x', captureId: 'x-1', lap: 0, atMs: 4_000 },
  ])
})
test('with nothing else to go by, two touches within a second are one crossing', () => {
  expect(lapFaults(run, 0, [runner('x', [110_000, 110_900])], 115_000)).toEqual([
    { kind: 'doubled', entryId: 'x', captureId: 'x-2', lap: 1, atMs: 110_900 },
  ])
})
test('a finish that is long overdue is missed, and no time is made up for it', () => {
  expect(faultsOf(EVEN.slice(0, 4), 600_000)).toEqual([])
  expect(faultsOf(EVEN.slice(0, 4), 640_000)).toEqual([{ kind: 'missed', entryId: 'x', lap: 5, atMs: null }])
})
test('a part lap at the beginning is not a double touch', () => {
  const offset = { ...run, distanceMm: 2_100_000 } as TimedDistance
  const stamps = [27_500, 137_500, 247_500, 357_500, 467_500, 577_500]
  expect(lapFaults(offset, 0, [runner('a', stamps), runner('b', stamps)], LATER)).toEqual([])
  expect(lapFaults(offset, 0, [runner('a', stamps), runner('b', stamps.slice(1))], LATER)).toEqual([
    { kind: 'missed', entryId: 'b', lap: 1, atMs: 27_500 },
  ])
})

/** Laps of people as they run: a fast first lap, slower ones in the middle, a hurried last one, all a little uneven. */
const people = (random: Random, count: number): number[][] =>
  Array.from({ length: count }, () => {
    const finishMs = random.whole(420_000, 780_000)
    const fade = (random.next() - 0.3) * 0.12
    const shares = Array.from({ length: lapsOf(run) }, (_, lap) => {
      const drift = 1 + fade * (lap / 4 - 0.5) - (lap === 4 ? 0.03 : 0)
      return drift * (1 + (random.next() + random.next() - 1) * 0.06)
    })
    const total = shares.reduce((sum, share) => sum + share, 0)
    let done = 0
    return shares.map((share) => Math.round(((done += share) * finishMs) / total))
  })

interface Spoilt {
  readonly stamps: StampedRunner
  /** What was done, as "missed 2" or "doubled 3". */
  readonly done: readonly string[]
}

const spoil = (random: Random, entryId: string, laps: readonly number[]): Spoilt => {
  const done: string[] = []
  const kept = laps.flatMap((atMs, index) => {
    const chance = random.next()
    if (chance < 0.05) {
      done.push(`missed ${index + 1}`)
      return []
    }
    if (chance > 0.1) return [atMs]
    done.push(`doubled ${index + 1}`)
    return [atMs, atMs + random.whole(150, 6_000)]
  })
  return { stamps: runner(entryId, kept), done }
}
const nameOf = (fault: LapFault): string => `${fault.kind} ${fault.lap}`

test('of one stamp in ten dropped or doubled at least 95 % are offered with the right repair, and under 1 % of clean runners are flagged', () => {
  let [faults, right, clean, flagged] = [0, 0, 0, 0]
  for (let seed = 1; seed <= 25; seed++) {
    const random = seededRandom(seed)
    const spoilt = people(random, 200).map((laps, index) => spoil(random, `r${index}`, laps))
    const stamped = spoilt.filter(({ stamps }) => stamps.stamps.length > 0)
    const found = lapFaults(
      run,
      0,
      stamped.map(({ stamps }) => stamps),
      LATER,
    )
    for (const { stamps, done } of stamped) {
      const offered = found.filter(({ entryId }) => entryId === stamps.entryId).map(nameOf)
      faults += done.length
      right += done.filter((name) => offered.includes(name)).length
      if (done.length === 0) {
        clean += 1
        flagged += offered.length > 0 ? 1 : 0
      }
    }
  }
  expect(right / faults).toBeGreaterThanOrEqual(0.95)
  expect(flagged / clean).toBeLessThanOrEqual(0.01)
})
test('repairs of missed laps lie within a fifth of a lap of where the stamp was', () => {
  const random = seededRandom(99)
  const wave = people(random, 60)
  const dropped = wave.map((laps, index) => ({ lap: 1 + (index % 4), laps }))
  const runners = dropped.map(({ lap, laps }, index) =>
    runner(
      `r${index}`,
      laps.filter((_, at) => at !== lap - 1),
    ),
  )
  const found = lapFaults(run, 0, runners, LATER)
  expect(found).toHaveLength(60)
  for (const [index, fault] of found.entries()) {
    const { lap, laps } = dropped[index] ?? { lap: 0, laps: [] }
    if (fault.kind !== 'missed' || fault.atMs === null) throw new Error('A missed lap was expected.')
    expect(fault.lap).toBe(lap)
    expect(Math.abs(fault.atMs - (laps[lap - 1] ?? 0))).toBeLessThan((laps[4] ?? 0) / 25)
  }
  expect(distanceAtCrossing(run, 1)).toBe(400_000)
})
