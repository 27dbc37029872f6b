/** The cells of one event: the plain column is one raw reading, and what a spreadsheet makes of a figure is not guessed at. */
import { expect, test } from 'vitest'
import { plainStandard, soundStandard } from '../../testing/index.ts'
import { protocolTemplate } from '../kinds/protocolTemplates.ts'
import type { EventKind } from '../kinds/kinds.ts'
import { readEventCells } from './readEventCells.ts'

const read = (kind: EventKind, protocol: object, cells: Readonly<Record<string, string>>, more: object = {}) => {
  const rounding = { mode: 'truncate', step: 1 }
  const plain = {
    id: 'event',
    name: 'Event',
    protocol: { ...protocolTemplate(kind), ...protocol },
    rounding,
    scoring: { kind: 'effort' },
    ...more,
  }
  const [event] = soundStandard(plainStandard([plain])).events
  if (!event) throw new Error('The standard made for the test has no event.')
  const cellsOf = readEventCells('event', event, (column) => cells[column] ?? '')
  if (!cellsOf.ok) return cellsOf.wrong
  const { measure } = cellsOf
  return measure.kind === 'complete' ? (measure.exact ?? measure.value) : measure.kind
}
const plain = (kind: EventKind, protocol: object, text: string, more: object = {}) =>
  read(kind, protocol, { event: text }, more)

test.each([
  // the same with one slot and with several
  ['a foot line', 'attempts', { unit: 'mm', attemptsAllowed: 1, zero: 230 }, '38', 150],
  ['a foot line, best of three', 'attempts', { unit: 'mm', attemptsAllowed: 3, zero: 230 }, '38', 150],
  ['hand timing', 'sprint', { handCorrectionMs: 240 }, '0:14.00', 14_240],
  ['hand timing, two tries', 'sprint', { handCorrectionMs: 240, attemptsAllowed: 2 }, '0:14.00', 14_240],
  ['beats in 15 s', 'stepTest', { pulseWindowMs: 15_000 }, '34', 136],
  ['a mean of three', 'attempts', { unit: 'g', attemptsAllowed: 3, select: 'mean', resolution: 500 }, '41.5', 41_500],
  ['a sum of three', 'attempts', { unit: 'g', attemptsAllowed: 3, select: 'sum', resolution: 500 }, '41.5', 41_500],
  [
    'both hands, the weaker',
    'attempts',
    { unit: 'g', attemptsAllowed: 2, sides: 'each', ofSides: 'lesser', resolution: 500 },
    '41.5',
    41_500,
  ],
  [
    'both hands, their sum',
    'attempts',
    { unit: 'g', attemptsAllowed: 2, sides: 'each', ofSides: 'sum', resolution: 500 },
    '41.5',
    41_500,
  ],
  ['a hold beyond its cap', 'heldPosition', { capMs: 60_000 }, '1:10', 60_000],
  ['a distance between two marks', 'distanceInTime', { markEveryMm: 10_000 }, '2416', 2_410_000],
] as const)('%s: the plain column is a raw reading', (_, kind, protocol, text, expected) => {
  expect(plain(kind, protocol, text)).toBe(expected)
})

test('the plain column is in the unit the event is published in', () => {
  expect(plain('heaviestLift', {}, '75', { publishedIn: 'lb' })).toBe(34_019)
  expect(plain('attempts', { unit: 'mm', attemptsAllowed: 2 }, '100', { publishedIn: 'in' })).toBe(2_540)
})

test('what one reading cannot do without stands beside it', () => {
  const jump = { unit: 'mm', attemptsAllowed: 3, lessStandingReach: true }
  expect(read('attempts', jump, { event: '265', 'event.standing': '215' })).toBe(500)
  expect(read('attempts', jump, { event: '265' })).toMatchObject([{ column: 'event.standing' }])
  expect(read('heaviestLift', { estimate: 'epley' }, { event: '90', 'event.repetitions': '5' })).toBe(105_000)
  expect(read('heaviestLift', { estimate: 'epley' }, { event: '90' })).toMatchObject([{ column: 'event.repetitions' }])
  expect(read('sprint', { attemptsAllowed: 2 }, { event: '0:14', 'event.try-1': '0:15' })).toMatchObject([
    { column: 'event' },
  ])
})

test.each([
  [{ event: '7/10' }, 710],
  [{ event: 'level 7, shuttle 10' }, 710],
  [{ 'event.level': '7', 'event.shuttle': '10' }, 710],
  [{ 'event.reached': '7/4' }, 704],
  // a spreadsheet saves 7.10 as 7.1; level 7 has ten shuttles, and there are 25 levels
  [{ event: '7.1' }, 'event'],
  [{ event: '7.10' }, 'event'],
  [{ 'event.reached': '7.4' }, 'event.reached'],
  [{ event: '7/99' }, 'event'],
  [{ event: '7/11' }, 'event'],
  [{ event: '30/5' }, 'event'],
  [{ 'event.level': '7', 'event.shuttle': '11' }, 'event.reached'],
  [{ 'event.level': '7' }, 'event.reached'],
] as const)('level and shuttle written as %j: %s', (cells, expected) => {
  const found = read('progressiveShuttle', {}, cells)
  if (typeof expected === 'number') expect(found).toBe(expected)
  else expect(found).toMatchObject([{ column: expected, expected: expect.stringContaining('such as 7/4') }])
})

test('three parts are hours only where an event can last more than one', () => {
  // a hold typed as 0:40 and saved by a spreadsheet; a march of 40 minutes and one of 9 hours 40
  expect(plain('heldPosition', {}, '0:40:00')).toMatchObject([{ column: 'event' }])
  expect(plain('heldPosition', {}, '0:40')).toBe(40_000)
  const march = { by: 'march', distanceMm: 5_000_000, lapLengthMm: 5_000_000 }
  expect(plain('timedDistance', march, '0:40:00')).toBe(2_400_000)
  expect(plain('timedDistance', march, '9:40:00')).toMatchObject([{ column: 'event' }])
})
