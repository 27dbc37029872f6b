import fc from 'fast-check'
import { expect, test } from 'vitest'
import { gainOf, readChange, tallyChanges, type FirstAndLast } from './change.ts'

test.each([
  ['faster by more than noise', 600_000, 590_000, 'atMost', 8_000, 'better'],
  ['slower by more than noise', 590_000, 600_000, 'atMost', 8_000, 'worse'],
  ['more repetitions', 24, 30, 'atLeast', 5, 'better'],
  ['fewer repetitions', 30, 24, 'atLeast', 5, 'worse'],
  ['exactly as much as noise', 24, 29, 'atLeast', 5, 'noise'],
  ['no change at all where nothing is noise', 24, 24, 'atLeast', 0, 'noise'],
  ['nobody knows how much is noise', 24, 60, 'atLeast', null, 'noise'],
] as const)('%s', (_, first, last, sense, real, reading) => {
  expect(readChange({ first, last }, sense, real)).toBe(reading)
})

const changes = fc.array(fc.record({ first: fc.integer({ min: 0, max: 1e6 }), last: fc.integer({ min: 0, max: 1e6 }) }))
const senses = fc.constantFrom('atLeast' as const, 'atMost' as const)
const turned = ({ first, last }: FirstAndLast): FirstAndLast => ({ first: last, last: first })

test('everybody is counted once, and who goes back the way is worse by as much', () => {
  fc.assert(
    fc.property(changes, senses, fc.nat(1e6), (all, sense, real) => {
      const counts = tallyChanges(all, sense, real)
      expect(counts.better + counts.worse + counts.noise).toBe(all.length)
      const back = tallyChanges(all.map(turned), sense, real)
      expect(back).toEqual({ better: counts.worse, worse: counts.better, noise: counts.noise })
      for (const change of all) expect(gainOf(turned(change), sense) + gainOf(change, sense)).toBe(0)
    }),
  )
})
