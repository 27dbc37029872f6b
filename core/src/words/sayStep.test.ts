import { expect, test } from 'vitest'
import type { ReadingStep } from '../kinds/measure.ts'
import { printReading, readingsWords, readingStepWords } from './sayReading.ts'
import { combinedWords } from './sayVerdict.ts'
import { sayStep } from './sayStep.ts'
import type { Step } from '../judge/trace.ts'

const COMBINED = {
  code: 'combined',
  outcome: 'short',
  deciding: ['Run'],
  settled: true,
  eventsToGo: 0,
  because: 'marks',
  combination: 'everyEventMet',
} as const
const POINTS = {
  centipoints: 16_000,
  asked: 16_500,
  full: 30_000,
  className: null,
  nextClass: { name: 'Harbour', fromCentipoints: 16_500 },
}

test.each([
  [
    { ...COMBINED, eventsToGo: 2 },
    'Every event has to be met. Short in: Run. It can no longer be met, with 2 events to go.',
  ],
  [{ ...COMBINED, because: 'breach' }, 'A breach of safety overrides all figures: Run.'],
  [{ ...COMBINED, because: 'total', combination: 'pointsTotal', points: POINTS }, '160 points, at least 165 asked.'],
  [
    { ...COMBINED, because: 'cannotReachTotal', combination: 'pointsTotal', points: POINTS, eventsToGo: 1 },
    '160 points so far; 165 can no longer be reached. It can no longer be met, with 1 event to go.',
  ],
  [{ ...COMBINED, because: 'cannotReachEnough', combination: 'bestOf' }, 'Too many events are lost: Run.'],
  [
    { ...COMBINED, outcome: 'met', combination: 'bestOf', eventsToGo: 1 },
    'Enough events are met: Run. The rest can no longer change it.',
  ],
  [
    {
      ...COMBINED,
      outcome: 'met',
      combination: 'pointsTotal',
      points: {
        ...POINTS,
        centipoints: 17_000,
        className: 'Harbour',
        nextClass: { name: 'Ridge', fromCentipoints: 21_000 },
      },
    },
    '170 points of 300, at least 165 asked. Ridge begins at 210.',
  ],
  [{ ...COMBINED, outcome: 'met', combination: 'tookPart' }, 'Every event is done. Nothing is judged.'],
  [{ ...COMBINED, outcome: 'open', eventsToGo: 0 }, 'To decide: Run.'],
  [{ ...COMBINED, outcome: 'notFinished' }, 'Did not finish: Run.'],
  [{ ...COMBINED, outcome: 'notFinished', settled: false, eventsToGo: 3 }, 'Nothing short so far, 3 events to go.'],
] as const)('%j', (step, sentence) => {
  expect(combinedWords(step).sentence).toBe(sentence)
})

const READING_STEPS: readonly (readonly [ReadingStep, string])[] = [
  [{ code: 'watches', count: 3, by: 'middle', elapsedMs: 29_200 }, 'The middle watch counts: 0:29.2'],
  [{ code: 'selected', select: 'mean', of: 3 }, 'The mean of 3 tries'],
  [{ code: 'sides', ofSides: 'lesser', left: 41_000, right: 44_000 }, 'The weaker side counts'],
  [{ code: 'zero', offset: 200 }, 'Less 0.2 kg at the zero line'],
  [{ code: 'standingReach', reachMm: 2_150 }, 'Less a standing reach of 2.15 m'],
  [{ code: 'capped', cap: 240_000 }, 'Held at 240 kg'],
  [{ code: 'lastMark', markEveryMm: 10_000 }, 'To the last mark passed'],
  [{ code: 'handCorrection', correctionMs: 240 }, '0.24 s added for hand timing'],
  [{ code: 'pulse', beats: 33, windowMs: 15_000 }, '33 beats in 15 s'],
  [{ code: 'shuttle', level: 7, shuttle: 4, completedLevels: 6, counts: 'lastShuttle' }, 'Level 7, shuttle 4'],
  [{ code: 'shuttle', level: 2, shuttle: 3, completedLevels: 1, counts: 'lastCompletedLevel' }, '1 level completed'],
  [{ code: 'estimated', formula: 'epley', loadG: 90_000, repetitions: 5 }, 'Computed from 5 at 90 kg'],
  [{ code: 'estimated', formula: 'brzycki', loadG: 90_000, repetitions: 5 }, 'Computed from 5 at 90 kg'],
]

test.each(READING_STEPS)('%j is told as "%s"', (step, title) => {
  const words = readingStepWords(step, 'g')
  expect(words.title).toBe(title)
  expect(words.sentence).toMatch(/^[A-Z\d].*\.$/)
})

test('one figure is its own title, several are listed in the units they were read in', () => {
  const left = { slot: 'left-1', label: 'Left, try 1', value: 38_500, unit: 'g' as const }
  expect(readingsWords([left])).toEqual({ title: '38.5 kg read', sentence: 'Left, try 1, as it was entered.' })
  const reach = { slot: 'try-1', label: 'Try 1', value: -35, unit: 'mm' as const, shownIn: 'cm' as const }
  expect(readingsWords([left, reach]).sentence).toBe('Left, try 1: 38.5 kg; Try 1: −3.5 cm.')
  expect(printReading({ ...reach, value: 1_778, shownIn: 'ft-in' })).toBe('5 ft 10 in')
  expect(printReading({ slot: 'pulse', label: 'Pulse', value: 61, unit: 'count' })).toBe('61')
})

const STEPS: readonly (readonly [Step, string, string])[] = [
  [
    { code: 'alternate', name: 'Bent-arm hang', inPlaceOf: 'Pull-ups', allowedBy: 'medicalProfile' },
    'Bent-arm hang in place of Pull-ups',
    'An alternate on a medical profile.',
  ],
  [
    { code: 'exempt', name: 'Light duty', fixedCentipoints: 4_500 },
    'Exempt: Light duty',
    'The event counts with 45 points.',
  ],
  [{ code: 'exempt', name: 'Water', fixedCentipoints: null }, 'Exempt: Water', 'The event is left out.'],
  [
    { code: 'relative', bodyMassG: 70_000, permille: 450, shareG: 31_500, constant: 34_000, of: 'lesser' },
    'The lesser of 34 kg and 31.5 kg',
    '45 % of a body mass of 70 kg is 31.5 kg.',
  ],
  [
    { code: 'relative', bodyMassG: 70_000, permille: 450, shareG: 31_500, constant: null, of: 'lesser' },
    '31.5 kg by body mass',
    '45 % of a body mass of 70 kg is 31.5 kg.',
  ],
  [
    {
      code: 'points',
      centipoints: 8_200,
      fullCentipoints: 10_000,
      minimumCentipoints: 4_500,
      how: 'rule',
      pointsName: null,
    },
    '82 of 100 points',
    'By the rule of the standard. At least 45 asked.',
  ],
  [
    {
      code: 'points',
      centipoints: 4_230,
      fullCentipoints: 6_000,
      minimumCentipoints: null,
      how: 'interpolate',
      pointsName: 'ml/kg/min',
    },
    '42.3 ml/kg/min',
    'Between two rows of the table the points are shared in proportion.',
  ],
  [{ code: 'class', name: 'Good', place: 2, of: 5 }, 'Good', 'Class 3 of 5, from the lowest.'],
  [{ code: 'completed', limit: 555_000, unit: 'ms' }, 'All work done', 'Within 9:15 is asked.'],
  [{ code: 'completed', limit: null, unit: 'done' }, 'All work done', 'Done is enough.'],
  [
    {
      code: 'next',
      next: { value: 836_000, unit: 'ms', gives: { kind: 'points', centipoints: 8_400 } },
      sense: 'atMost',
    },
    'Next: 84 points',
    'From at most 13:56.',
  ],
  [
    { code: 'next', next: { value: 25, unit: 'count', gives: { kind: 'class', name: 'High' } }, sense: 'atLeast' },
    'Next: High',
    'From 25.',
  ],
  [{ code: 'short', margin: -8, unit: 'bpm', sense: 'atMost' }, 'Short by 8 beats/min', 'Above the limit.'],
  [{ code: 'short', margin: -8_000, unit: 'ms', sense: 'atMost' }, 'Short by 0:08', 'Slower than the limit.'],
  [
    { code: 'ended', reason: 'failed', note: 'Failed at once on Drums: dropping a drum.' },
    'Failed',
    'Failed at once on Drums: dropping a drum.',
  ],
  [
    { code: 'open', reason: 'noBodyMass' },
    'Body mass is missing',
    'The cut is a share of body mass, which was not recorded.',
  ],
  [
    { code: 'running', soFar: 2, of: null, what: 'readings' },
    '2 readings so far',
    'Under way: the mark follows when all are taken.',
  ],
]

test.each(STEPS)('%j is told in words', (step, title, sentence) => {
  expect(sayStep(step)).toEqual({ title, sentence })
})

test('what was refused is told most often first, in whatever order it was kept', () => {
  const sayOf = (refused: Readonly<Record<string, number>>): string =>
    sayStep({
      code: 'repetitions',
      reading: { kind: 'repetitions', startedAtMs: 0, tally: { counted: 30, refused, cautions: 0 }, endedBy: 'time' },
      refusalLabels: { hips: 'Hips', 'lock-out': 'Lock-out', depth: 'Depth' },
      durationMs: 60_000,
    }).sentence
  const told = 'Counted until the 1:00 ran out. Refused: Depth 2, Hips 1, Lock-out 1.'
  expect(sayOf({ 'lock-out': 1, depth: 2, hips: 1 })).toBe(told)
  expect(sayOf({ hips: 1, depth: 2, 'lock-out': 1 })).toBe(told)
})
