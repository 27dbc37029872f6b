import { expect, test } from 'vitest'
import { compareVenues } from './compareVenues.ts'

const at = (people: number, meanLog: number, deviationLog: number) => ({
  eventId: 'run',
  venue: 'Square',
  people,
  meanLog,
  deviationLog,
})

test('one in a hundred less, beyond chance, is told with its range', () => {
  // by hand: t of 24 degrees 2.0639, so half the range is 2.0639 · 0.02 / 5
  const [compared] = compareVenues([at(25, Math.log(0.99), 0.02)])
  expect(compared?.ratio).toBeCloseTo(0.99, 10)
  expect(compared?.interval.low).toBeCloseTo(0.99 * Math.exp(-2.0639 * 0.004), 5)
  expect(compared?.reading).toBe('differs')
})

test.each([
  ['within chance', at(25, -0.01, 0.05), 'alike'],
  ['beyond chance, and too little to matter', at(2_500, -0.004, 0.02), 'alike'],
  ['nineteen people', at(19, -0.05, 0.01), 'tooFew'],
  ['slower', at(60, 0.02, 0.02), 'differs'],
])('%s', (_, tally, reading) => {
  expect(compareVenues([tally])[0]?.reading).toBe(reading)
})
