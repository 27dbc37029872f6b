import fc from 'fast-check'
import { expect, test } from 'vitest'
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
