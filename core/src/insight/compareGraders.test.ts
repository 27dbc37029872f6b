import { expect, test } from 'vitest'
import { compareGraders, sayGrader, type GraderTally } from './compareGraders.ts'

/** From what each grader decided of each candidate: attempts and how many of them were refused. */
const tallyOf = (id: string, candidates: readonly (readonly [attempts: number, refused: number])[]): GraderTally => {
  const sum = (of: (attempts: number, refused: number) => number): number =>
    candidates.reduce((all, [attempts, refused]) => all + of(attempts, refused), 0)
  return {
    id,
    candidates: candidates.length,
    attempts: sum((attempts) => attempts),
    refused: sum((_, refused) => refused),
    attemptsSquared: sum((attempts) => attempts ** 2),
    refusedSquared: sum((_, refused) => refused ** 2),
    refusedTimesAttempts: sum((attempts, refused) => attempts * refused),
  }
}
const repeated = (count: number, ...some: readonly (readonly [number, number])[]) =>
  Array.from({ length: count }, (_, at) => some[at % some.length] ?? ([0, 0] as const))

test('whoever refuses three times as many is stricter, with the range chance allows; the others are alike', () => {
  const [strict, one, other] = compareGraders([
    tallyOf('strict', repeated(40, [30, 5], [30, 7])),
    tallyOf('one', repeated(40, [30, 1], [30, 3])),
    tallyOf('other', repeated(40, [30, 1], [30, 3])),
  ])
  // 240 of 1,200 against 160 of 2,400
  expect(strict).toMatchObject({ share: 0.2, reading: 'stricter' })
  expect(strict?.ratio).toBeCloseTo(3, 10)
  // by hand: of each candidate 30 attempts; residuals ±1, so the variance of the share is (40/39)·40/1200² of the one, (80/79)·80/2400² of the rest
  const deviation = Math.sqrt(((40 / 39) * 40) / 1200 ** 2 / 0.2 ** 2 + ((80 / 79) * 80) / 2400 ** 2 / (1 / 15) ** 2)
  expect(strict?.interval?.low).toBeCloseTo(3 * Math.exp(-1.959963984540054 * deviation), 10)
  expect(strict?.chance).toBeLessThan(0.001)
  // once the strict one is set aside
  expect([one?.reading, other?.reading]).toEqual(['alike', 'alike'])
  expect(one?.ratio).toBeCloseTo(1, 10)
})

test('a few candidates who were refused often make nobody strict', () => {
  // the same share, but of two candidates out of forty
  const [uneven] = compareGraders([
    tallyOf('uneven', [...repeated(38, [30, 2]), [30, 30], [30, 28]]),
    tallyOf('even', repeated(40, [30, 2])),
  ])
  expect(uneven?.ratio).toBeGreaterThan(1.5)
  expect(uneven?.reading).toBe('alike')
})

test.each([
  ['too few candidates', tallyOf('own', repeated(19, [30, 9])), tallyOf('others', repeated(40, [30, 2]))],
  ['nobody to compare with', tallyOf('own', repeated(40, [30, 9])), tallyOf('others', repeated(19, [30, 2]))],
  ['nothing refused', tallyOf('own', repeated(40, [30, 0])), tallyOf('others', repeated(40, [30, 2]))],
])('%s: nothing is said', (_, own, others) => {
  const [compared] = compareGraders([own, others])
  expect(compared).toMatchObject({ ratio: null, interval: null, chance: null, reading: 'tooFew' })
})

test('each reading is a sentence with its figures; where there is too little to say, none are given', () => {
  const tallies = [
    tallyOf('Strict', repeated(40, [30, 5], [30, 7])),
    tallyOf('Usual', repeated(40, [30, 1], [30, 3])),
    tallyOf('Mild', repeated(40, [30, 0], [30, 1])),
    tallyOf('Other', repeated(40, [30, 1], [30, 3])),
    tallyOf('New', repeated(3, [30, 9])),
  ]
  const [strict, usual, mild, other, newcomer] = compareGraders(tallies).map((one) => sayGrader(one.id, one))
  // 240 of 1,200 against 187 of 2,490, once the mild one is set aside
  expect(strict).toContain('Strict: 20.0 % refused, 2.66 times the share of the others, 95 % between')
  expect(strict).toMatch(
    /: refuses more than chance explains\. Let two grade side by side before anything is decided\.$/,
  )
  // 20 of 1,200 against 427 of 3,690
  expect(mild).toContain('Mild: 1.7 % refused, 0.14 times the share of the others')
  expect(mild).toContain(': refuses less than chance explains.')
  for (const words of [usual, other])
    expect(words).toMatch(/: 6\.7 % refused, .*: no difference that matters and that chance does not explain\.$/)
  expect(newcomer).toBe('New: 3 candidates, too few to say.')
})
