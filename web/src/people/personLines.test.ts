import type { Mark, PersonTest, Verdict } from '@able-gauge/core'
import { expect, test } from 'vitest'
import { NO_CHOICES } from '@able-gauge/core'
import { personLines } from './personLines.ts'

// a line needs of a mark what is written here
const mark = (rounded: number | null, change: object = {}): Mark =>
  ({
    eventId: 'run',
    kind: 'met',
    unit: 'ms',
    rounded,
    cut: { value: 580_000, sense: 'atMost', unit: 'ms' },
    trace: [],
    ...change,
  }) as unknown as Mark
const tested = (testDate: string, marks: Mark[] | null, version = 3): PersonTest => ({
  occasionId: testDate,
  name: 'Entry test',
  testDate,
  standardId: 'constabulary-entry',
  standardVersion: version,
  standardName: 'Constabulary Entry Standard',
  entryId: testDate,
  choices: NO_CHOICES,
  setUp: {},
  events: [{ id: 'run', name: 'Run 2,000 m' }],
  earliestAfterDays: 14,
  conditions: null,
  estimates: [],
  classes: [],
  verdict: marks ? ({ marks } as unknown as Verdict) : null,
})

test('each event is one line in the order of its dates, each point with the cut of its day', () => {
  const [line, ...others] = personLines({
    tests: [
      tested('2026-11-24', [mark(560_000)]),
      tested('2024-05-21', [mark(590_000, { kind: 'short', cut: { value: 600_000, sense: 'atMost', unit: 'ms' } })], 2),
    ],
    selfTests: [],
  })
  expect(others).toEqual([])
  expect(line?.name).toBe('Run 2,000 m')
  expect(line?.points.map(({ date, value, cut, state }) => [date, value, cut?.value, state])).toEqual([
    ['2024-05-21', 590_000, 600_000, 'short'],
    ['2026-11-24', 560_000, 580_000, 'good'],
  ])
})
test('a variant is a line of its own, a day that is not signed and a mark without a figure are none', () => {
  const lines = personLines({
    tests: [
      tested('2026-01-01', [mark(560_000, { variantId: 'on-a-treadmill' })]),
      tested('2026-02-01', [mark(null)]),
      tested('2026-03-01', null),
    ],
    selfTests: [],
  })
  expect(lines.map(({ name }) => name)).toEqual(['Run 2,000 m (on a treadmill)'])
})
test('self-tests stand on the line of the event and are marked as their own', () => {
  const self = {
    id: 's',
    standardId: 'constabulary-entry',
    standardVersion: 3,
    eventId: 'run',
    eventName: 'Run 2,000 m',
    testDate: '2026-06-01',
    figures: {},
    witness: '',
    note: '',
    read: [],
    hasPicture: false,
    mark: mark(570_000),
  }
  const right = { ...self, id: 'r', replaces: 's' }
  const other = { ...self, id: 'o', mark: mark(600_000, { variantId: 'on-a-treadmill' }) }
  const [line, varied] = personLines({
    tests: [tested('2026-11-24', [mark(560_000)])],
    selfTests: [self, right, other],
  })
  expect([varied?.name, varied?.points.length]).toEqual(['Run 2,000 m (on a treadmill)', 1])
  expect(line?.points.map(({ own, about }) => [own, about])).toEqual([
    [true, 'self-test, nobody witnessed it'],
    [false, 'version 3'],
  ])
})
