import fc from 'fast-check'
import { expect, test } from 'vitest'
import { seededRandom } from '../random/random.ts'
import { agree } from './agreement.ts'

test('without a round trip there is no agreement', () => {
  expect(agree([], 0)).toBeNull()
})

test('a symmetrical round trip of 10 ms tells the offset exactly, good to half of it and a millisecond', () => {
  expect(agree([{ sentMs: 100, serverMs: 5_105, receivedMs: 110 }], 110)).toEqual({ offsetMs: 5_000, uncertaintyMs: 6 })
})

test('the shortest round trip is kept, until drift has made it worse than a newer one', () => {
  const short = { sentMs: 0, serverMs: 1_002, receivedMs: 4 }
  const newer = { sentMs: 600_000, serverMs: 601_015, receivedMs: 600_030 }
  expect(agree([short, newer], 60_000)?.offsetMs).toBe(1_000)
  expect(agree([short, newer], 600_030)?.offsetMs).toBe(1_000)
  const latest = { sentMs: 900_000, serverMs: 901_030, receivedMs: 900_060 }
  expect(agree([short, latest], 900_060)?.uncertaintyMs).toBe(31)
})

test('whatever the delays in each direction, the true offset lies within the uncertainty', () => {
  const delay = fc.double({ min: 0, max: 200, noNaN: true })
  fc.assert(
    fc.property(
      fc.integer({ min: -1e6, max: 1e6 }),
      fc.array(fc.tuple(delay, delay), { minLength: 1, maxLength: 8 }),
      (offset, delays) => {
        const roundTrips = delays.map(([out, back], index) => ({
          sentMs: index * 1_000,
          serverMs: Math.round(index * 1_000 + out + offset),
          receivedMs: index * 1_000 + out + back,
        }))
        const agreement = agree(roundTrips, delays.length * 1_000)
        expect(Math.abs((agreement?.offsetMs ?? NaN) - offset)).toBeLessThanOrEqual(agreement?.uncertaintyMs ?? 0)
      },
    ),
  )
})

test('a device whose clock stood still while it slept believes its newest answer alone', () => {
  const before = { sentMs: 0, serverMs: 100_001, receivedMs: 2 }
  const after = { sentMs: 5_000, serverMs: 165_015, receivedMs: 5_030 }
  expect(agree([before], 5_030)?.offsetMs).toBe(100_000)
  expect(agree([before, after], 5_030)?.offsetMs).toBe(160_000)
})

test('in 1,000 sessions with uneven delays of 5 to 200 ms the true error is within what is stated, and small when an answer is quick', () => {
  const random = seededRandom(2026)
  let [within, quick, quickAndSmall] = [0, 0, 0]
  for (let session = 0; session < 1_000; session++) {
    const offset = random.whole(-1_000_000_000, 1_000_000_000) + random.next()
    const drift = (random.next() - 0.5) * 40e-6
    const base = random.whole(2, 90)
    const roundTrips = Array.from({ length: 12 }, (_, index) => {
      const sentMs = index * 2_000 + random.next()
      // most of the delay may lie in one direction, and now and then the network stalls
      const out = base * (0.5 + random.next()) + (random.next() < 0.2 ? random.whole(20, 110) : 0)
      const back = base * (0.5 + random.next()) + (random.next() < 0.2 ? random.whole(20, 110) : 0)
      const serverMs = Math.floor((sentMs + out) * (1 + drift) + offset)
      return { sentMs, serverMs, receivedMs: sentMs + out + back }
    })
    const nowMs = 30_000
    const agreement = agree(roundTrips, nowMs)
    const error = Math.abs(nowMs + (agreement?.offsetMs ?? NaN) - (nowMs * (1 + drift) + offset))
    if (error <= (agreement?.uncertaintyMs ?? 0)) within += 1
    if (Math.min(...roundTrips.map(({ sentMs, receivedMs }) => receivedMs - sentMs)) >= 10) continue
    quick += 1
    if (error < 5) quickAndSmall += 1
  }
  expect(within).toBeGreaterThanOrEqual(990)
  expect(quick).toBeGreaterThan(30)
  expect(quickAndSmall).toBe(quick)
})
