/** The worked examples of the literature, typed in by hand, to their printed digits. */
import fc from 'fast-check'
import { expect, test } from 'vitest'
import {
  agreementOfDecisions,
  compareGroups,
  evenTrials,
  fisherExact,
  holm,
  kappa,
  limitsOfAgreement,
  passReport,
  repeatabilityOf,
  sameDecisions,
  sayGroup,
  uncertaintyOf,
  wilson,
  type TwoByTwo,
} from './statistics.ts'

// Shrout and Fleiss 1979, table 2
const SIX_TARGETS = [
  [9, 2, 5, 8],
  [6, 1, 3, 2],
  [8, 4, 6, 8],
  [7, 1, 2, 6],
  [10, 5, 6, 9],
  [6, 2, 4, 7],
]

test('six targets and four judges: mean squares, the three coefficients, limits, error and change', () => {
  const found = repeatabilityOf(SIX_TARGETS)
  expect(found?.meanSquares.subjects).toBeCloseTo(11.2417, 4)
  expect(found?.meanSquares.judges).toBeCloseTo(32.4861, 4)
  expect(found?.meanSquares.residual).toBeCloseTo(1.0194, 4)
  expect(found?.meanSquares.within).toBeCloseTo(6.2639, 4)
  expect(found?.icc11).toBeCloseTo(0.1657, 4)
  expect(found?.icc21).toBeCloseTo(0.2898, 4)
  expect(found?.icc31).toBeCloseTo(0.7148, 4)
  expect(found?.icc2k).toBeCloseTo(0.6201, 4)
  // McGraw and Wong 1996
  expect(found?.limits.low).toBeCloseTo(0.02, 2)
  expect(found?.limits.high).toBeCloseTo(0.76, 2)
  // Weir 2005
  expect(found?.standardError).toBeCloseTo(1.0097, 4)
  expect(found?.smallestRealChange).toBeCloseTo(2.7987, 4)
})

test('a constant shift of one judge counts in absolute agreement and not in the error of measurement', () => {
  const shifted = SIX_TARGETS.map(([first = 0, ...others]) => [first + 10, ...others])
  const [plain, moved] = [repeatabilityOf(SIX_TARGETS), repeatabilityOf(shifted)]
  expect(moved?.standardError).toBeCloseTo(plain?.standardError ?? 0, 10)
  expect(moved?.icc31).toBeCloseTo(plain?.icc31 ?? 0, 10)
  expect(moved?.icc21).toBeLessThan(plain?.icc21 ?? 0)
})

test('too few say nothing, and all alike says nothing', () => {
  expect(repeatabilityOf([[1, 2]])).toBeNull()
  expect(repeatabilityOf([[1], [2]])).toBeNull()
  expect(
    repeatabilityOf([
      [3, 3],
      [3, 3],
    ]),
  ).toBeNull()
  expect(
    repeatabilityOf([
      [3, 3],
      [4, 4],
    ]),
  ).toMatchObject({ icc21: 1, standardError: 0, limits: { low: 1, high: 1 } })
})

// Bland and Altman 1986
const FIRST = [494, 395, 516, 434, 476, 557, 413, 442, 650, 433, 417, 656, 267, 478, 178, 423, 427]
const SECOND = [512, 430, 520, 428, 500, 600, 364, 380, 658, 445, 432, 626, 260, 477, 259, 350, 451]

test('two peak flow meters: mean difference, deviation and limits of agreement', () => {
  const found = limitsOfAgreement(FIRST.map((one, at) => [one, SECOND[at] ?? 0] as const))
  expect(found?.meanDifference).toBeCloseTo(-2.118, 3)
  expect(found?.deviation).toBeCloseTo(38.765, 3)
  expect(found?.limits.low).toBeCloseTo(-78.1, 2)
  expect(found?.limits.high).toBeCloseTo(73.86, 2)
  expect(limitsOfAgreement([[1, 2]])).toBeNull()
})

// Wilson 1927
test.each([
  [8, 10, 0.4902, 0.9433],
  [0, 10, 0, 0.2775],
  [15, 20, 0.5313, 0.8881],
  [81, 263, 0.2553, 0.3662],
])('%s of %s: from %s to %s', (met, of, low, high) => {
  expect(wilson(met, of).low).toBeCloseTo(low, 4)
  expect(wilson(met, of).high).toBeCloseTo(high, 4)
})

test('an interval lies within 0 and 1 and holds its share; of nobody anything is possible', () => {
  expect(wilson(0, 0)).toEqual({ low: 0, high: 1 })
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 2_000 }), fc.nat(), (of, some) => {
      const met = some % (of + 1)
      const { low, high } = wilson(met, of)
      expect(low).toBeGreaterThanOrEqual(0)
      expect(high).toBeLessThanOrEqual(1)
      expect(low).toBeLessThanOrEqual(met / of)
      expect(high).toBeGreaterThanOrEqual(met / of)
    }),
  )
})

// Fisher 1935
test.each([
  [
    [
      [3, 1],
      [1, 3],
    ],
    0.4857,
    4,
  ],
  [
    [
      [8, 2],
      [1, 5],
    ],
    0.03497,
    5,
  ],
  [
    [
      [2, 10],
      [15, 3],
    ],
    0.0005367,
    7,
  ],
] as const)('%j: %s', (table, chance, digits) => {
  expect(fisherExact(table)).toBeCloseTo(chance, digits)
})

test('the test is the same whichever group stands first and whichever answer', () => {
  const count = fc.integer({ min: 0, max: 60 })
  fc.assert(
    fc.property(count, count, count, count, (a, b, c, d) => {
      const chance = fisherExact([
        [a, b],
        [c, d],
      ] as TwoByTwo)
      expect(chance).toBeGreaterThan(0)
      expect(chance).toBeLessThanOrEqual(1)
      expect(
        fisherExact([
          [c, d],
          [a, b],
        ]),
      ).toBeCloseTo(chance, 9)
      expect(
        fisherExact([
          [b, a],
          [d, c],
        ]),
      ).toBeCloseTo(chance, 9)
    }),
  )
})

// Holm 1979
test('four chances are adjusted in the order they were given', () => {
  const adjusted = holm([0.01, 0.04, 0.03, 0.005])
  for (const [at, expected] of [0.03, 0.06, 0.06, 0.02].entries()) expect(adjusted[at]).toBeCloseTo(expected, 10)
  expect(holm([0.9, 0.8])).toEqual([1, 1])
  expect(holm([])).toEqual([])
})

// Cohen 1960 and 1968
const THREE = [
  [22, 3, 1],
  [4, 15, 5],
  [0, 6, 14],
]
test('agreement of two graders beyond chance, plain and weighted', () => {
  expect(
    kappa(
      [
        [20, 5],
        [10, 15],
      ],
      'plain',
    ),
  ).toBeCloseTo(0.4, 4)
  expect(kappa(THREE, 'plain')).toBeCloseTo(0.5905, 4)
  expect(kappa(THREE, 'linear')).toBeCloseTo(0.6735, 4)
  expect(kappa(THREE, 'squared')).toBeCloseTo(0.7582, 4)
  expect(sameDecisions(THREE)).toBeCloseTo(51 / 70, 10)
  expect(
    kappa(
      [
        [0, 0],
        [0, 0],
      ],
      'plain',
    ),
  ).toBeNull()
  expect(
    kappa(
      [
        [5, 0],
        [0, 0],
      ],
      'plain',
    ),
  ).toBeNull()
})

test('what two graders said of a hundred repetitions, with the reasons in the order of the protocol', () => {
  const decisions = [
    { own: 'lock-out', other: 'depth', times: 2 },
    { own: 'counted', other: 'counted', times: 80 },
    { own: 'counted', other: 'depth', times: 5 },
    { own: 'depth', other: 'counted', times: 3 },
    { own: 'depth', other: 'depth', times: 8 },
    { own: 'lock-out', other: 'lock-out', times: 2 },
    // what one of them did not see is no disagreement
    { own: 'depth', other: 'notSeen', times: 7 },
    { own: 'notSeen', other: 'counted', times: 4 },
  ]
  const found = agreementOfDecisions(decisions, ['depth', 'lock-out'])
  expect(found?.same).toBeCloseTo(0.9, 10)
  // by hand: 85 and 83 counted; chance 0.85 · 0.83 + 0.15 · 0.17 = 0.731; (0.92 − 0.731) / 0.269
  expect(found?.counted).toBeCloseTo(0.7026, 4)
  // chance 0.85 · 0.83 + 0.11 · 0.15 + 0.04 · 0.02 = 0.7228; (0.9 − 0.7228) / 0.2772
  expect(found?.byReason).toBeCloseTo(0.6392, 4)
  // neighbours agree by half: seen 0.95, chance 0.7228 + 0.5 · 0.227 = 0.8363; (0.95 − 0.8363) / 0.1637
  expect(found?.weighted).toBeCloseTo(0.6946, 4)
})

test('who saw nothing together cannot agree; who counted everything agrees without telling more than chance', () => {
  expect(agreementOfDecisions([], ['depth'])).toBeNull()
  expect(agreementOfDecisions([{ own: 'counted', other: 'notSeen', times: 9 }], ['depth'])).toBeNull()
  expect(agreementOfDecisions([{ own: 'counted', other: 'counted', times: 30 }], ['depth'])).toEqual({
    same: 1,
    counted: null,
    byReason: null,
    weighted: null,
  })
})

test.each([
  [1.0097, 20, 2],
  [1.0204, 20, 2],
  [1.0205, 20, 3],
  [0, 40, 0],
  [1.0097, 19, null],
])('a standard error of %d from %i pairs leaves ± %s open', (standardError, pairs, expected) => {
  expect(uncertaintyOf({ standardError }, pairs)).toBe(expected)
})

test('uneven repeats: the first two of each, and how many had one alone', () => {
  expect(
    evenTrials([
      [1, 2],
      [3, 4],
    ]),
  ).toEqual({
    trials: [
      [1, 2],
      [3, 4],
    ],
    leftOut: 0,
    isCut: false,
  })
  expect(
    evenTrials([
      [1, 2, 3],
      [4, null, 5],
      [6, null, null],
    ]),
  ).toEqual({
    trials: [
      [1, 2],
      [4, 5],
    ],
    leftOut: 1,
    isCut: true,
  })
})

test.each([
  // 40 of 50 against 30 of 50 is three quarters; by Fisher 0.049
  [
    [
      ['A', 40, 50],
      ['B', 30, 50],
    ],
    ['highest', 'lower'],
  ],
  // exactly four fifths is not below them
  [
    [
      ['A', 40, 50],
      ['B', 32, 50],
    ],
    ['highest', 'alike'],
  ],
  [
    [
      ['A', 20, 25],
      ['B', 15, 25],
    ],
    ['highest', 'lowerPerhaps'],
  ],
  [
    [
      ['A', 980, 1_000],
      ['B', 900, 1_000],
    ],
    ['highest', 'lowerSlightly'],
  ],
  // a small group is neither held against the others nor the others against it
  [
    [
      ['A', 19, 19],
      ['B', 30, 50],
      ['C', 40, 50],
    ],
    ['tooFew', 'lower', 'highest'],
  ],
  [
    [
      ['A', 0, 30],
      ['B', 0, 30],
    ],
    ['highest', 'alike'],
  ],
] as const)('groups %j are read as %j', (groups, readings) => {
  const compared = compareGroups(groups.map(([name, met, of]) => ({ name, met, of })))
  expect(compared.map(({ reading }) => reading)).toEqual(readings)
  for (const one of compared) expect(sayGroup(one)).toMatch(/^[ABC]: \d+ /)
})

const person = (outcome: string, events: Record<string, 'met' | 'short'>, category = 'female', ageYears = 25) => ({
  outcome,
  events,
  category,
  ageYears,
})

test('a report counts who met it, which event decides alone and together, and whom it says nothing of', () => {
  const report = passReport(
    [
      person('met', { run: 'met', grip: 'met' }),
      person('short', { run: 'short', grip: 'met' }),
      person('short', { run: 'short', grip: 'short' }, 'male', 45),
      person('withdrawn', { run: 'met' }),
    ],
    ['run', 'grip'],
    [
      { id: 'female', name: 'Female' },
      { id: 'male', name: 'Male' },
    ],
  )
  expect(report).toMatchObject({ people: 4, judged: 3, met: 1, others: { withdrawn: 1 } })
  expect(
    report.events.map(({ eventId, met, of, decides, decidesAlone }) => [eventId, met, of, decides, decidesAlone]),
  ).toEqual([
    ['run', 2, 4, 2, 1],
    ['grip', 2, 3, 1, 0],
  ])
  expect(report.combinations).toEqual([
    { eventIds: ['run'], people: 1 },
    { eventIds: ['run', 'grip'], people: 1 },
  ])
  expect(report.byCategory.map(({ name, of, reading }) => [name, of, reading])).toEqual([
    ['Female', 2, 'tooFew'],
    ['Male', 1, 'tooFew'],
  ])
  expect(report.byAge.map(({ name }) => name)).toEqual(['under 30', '40 to 49'])
})
