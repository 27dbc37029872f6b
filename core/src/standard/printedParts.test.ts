/** The parts a printed table is read by, each alone: headings, ages, cells, what the rows are named by, and where the figures begin. */
import { expect, test } from 'vitest'
import type { FieldForm } from '../quantity/field.ts'
import { axisOf, guessInside } from './printedAxis.ts'
import { isPlainHeading, readLabel } from './printedLabel.ts'
import { withRanges } from './printedRanges.ts'
import { shapeOf, type TableShape } from './printedShape.ts'
import { readPrintedPoints, readPrintedValue } from './printedValue.ts'
import { wordsOf } from './printedWords.ts'

const CATEGORIES = [
  { id: 'female', name: 'Female' },
  { id: 'male', name: 'Male' },
]
const ROLES = [{ id: 'crew-leader', name: 'Crew leader' }]
const NAMES = { categories: CATEGORIES, roles: ROLES }
const COUNT: FieldForm = { unit: 'count' }
const RUN: FieldForm = { unit: 'ms', secondsFromMs: 60_000 }
const blockOf = (text: string): string[][] =>
  text
    .trim()
    .split('\n')
    .map((line) => line.split('|').map((cell) => cell.trim()))

test.each([
  ['Age', true],
  [' Age group ', true],
  ['CATEGORY', true],
  ['From', true],
  ['Ages of man', false],
  ['Women', false],
])('%j is a heading that names no people: %s', (text, is) => {
  expect(isPlainHeading(text)).toBe(is)
})

test.each([
  ['Women, 17–24', { category: 'female', ages: { from: 17, to: 24 } }],
  ['17-24   (Women)', { category: 'female', ages: { from: 17, to: 24 } }],
  ['30+', { ages: { from: 30, to: null } }],
  ['crew leader', { role: 'crew-leader' }],
  ['CREW-LEADER', { role: 'crew-leader' }],
  ['Crew leader 30+', { role: 'crew-leader', ages: { from: 30, to: null } }],
  ['Women Men', null],
  ['17-24 30+', null],
  ['Excellent', null],
  ['Excellent Women', null],
  ['', null],
])('the heading %j says %j', (text, label) => {
  expect(readLabel(text, CATEGORIES, ROLES)).toEqual(label)
})
test('without roles none is found', () => {
  expect(readLabel('crew leader', CATEGORIES)).toBeNull()
})

test.each([
  // the first year of a band that lasts until the next greater one, in whatever order they stand
  ['Age | Cut\n30 | 20\n18 | 24\n   | 7\n40 | 18', 'Age | Cut\n30-39 | 20\n18-29 | 24\n| 7\n40+ | 18'],
  ['Age group | Cut\n18 | 24', 'Age group | Cut\n18+ | 24'],
  ['Cut | Age\n24 | 18\n20 | 30', 'Cut | Age\n24 | 18-29\n20 | 30+'],
  // years of one digit or three, or ages already written as ranges, are left alone
  ['Age | Cut\n8 | 24\n12 | 20', 'Age | Cut\n8 | 24\n12 | 20'],
  ['Age | Cut\n18-29 | 24\n30 | 20', 'Age | Cut\n18-29 | 24\n30 | 20'],
  ['Years | Cut\n18 | 24\n30 | 20', 'Years | Cut\n18 | 24\n30 | 20'],
  // across, under a corner that names both, or under the word
  ['Pulse \\ Age | 20 | 30 | 40\n120 | 46 | 44 | 41', 'Pulse \\ Age | 20-29 | 30-39 | 40+\n120 | 46 | 44 | 41'],
  [
    '| Age | | \nPulse | 20 | 30 | 40\n120 | 46 | 44 | 41',
    '| Age | |\nPulse | 20-29 | 30-39 | 40+\n120 | 46 | 44 | 41',
  ],
  // what falls is no row of ages, nor is one year alone
  ['Pulse \\ Age | 40 | 30\n120 | 46 | 44', 'Pulse \\ Age | 40 | 30\n120 | 46 | 44'],
  ['Pulse \\ Age | 40\n120 | 46', 'Pulse \\ Age | 40\n120 | 46'],
  ['Points | 20 | 30\n120 | 46 | 44', 'Points | 20 | 30\n120 | 46 | 44'],
  // in two columns of their own
  ['From | To | Cut\n18 | 29 | 24\n30 | | 20\n | | 7', 'Age | Cut\n18-29 | 24\n30+ | 20\n| 7'],
  ['Category | Age from | Up to | Cut\nWomen | 18 | 29 | 24', 'Age | Category | Cut\n18-29 | Women | 24'],
  ['To | From | Cut\n18 | 29 | 24', 'To | From | Cut\n18 | 29 | 24'],
])('%j is read as %j', (text, ranged) => {
  expect(withRanges(blockOf(text))).toEqual(blockOf(ranged))
})
test('nothing at all has no ages', () => {
  expect(withRanges([])).toEqual([])
})

const value = (text: string, number: number) => ({ as: 'value', text, value: number })
const UNREAD = expect.objectContaining({ as: 'unread' })
const BEYOND = expect.objectContaining({ as: 'unread', isBeyond: true })

test.each<[string, object, object]>([
  ['24', value('24', 24), value('24', 24)],
  ['24 reps', value('24', 24), value('24', 24)],
  ['24 Repetitions.', value('24', 24), value('24', 24)],
  ['\u00a024\u202f', value('24', 24), value('24', 24)],
  ['–', { as: 'empty' }, { as: 'empty' }],
  ['', { as: 'empty' }, { as: 'empty' }],
  ['n/a', { as: 'empty' }, { as: 'empty' }],
  ['N/A', { as: 'empty' }, { as: 'empty' }],
  ['≥ 24', value('24', 24), UNREAD],
  ['>=24', value('24', 24), UNREAD],
  ['24+', value('24', 24), UNREAD],
  ['24 or more', value('24', 24), UNREAD],
  ['at least 24', value('24', 24), UNREAD],
  ['from 24', value('24', 24), UNREAD],
  ['min. 24', value('24', 24), UNREAD],
  ['≤ 24', UNREAD, value('24', 24)],
  ['<=24', UNREAD, value('24', 24)],
  ['up to 24', UNREAD, value('24', 24)],
  ['max 24', UNREAD, value('24', 24)],
  ['24 or fewer', UNREAD, value('24', 24)],
  ['24 and below', UNREAD, value('24', 24)],
  ['< 24', BEYOND, BEYOND],
  ['more than 24', BEYOND, BEYOND],
  ['under 24', BEYOND, BEYOND],
  ['20–24', value('20', 20), value('24', 24)],
  ['24 - 20', value('20', 20), value('24', 24)],
  ['9 to 24 reps', value('9', 9), value('24', 24)],
  ['1,234', { as: 'asked' }, { as: 'asked' }],
  ['many', UNREAD, UNREAD],
])('the cell %j where at least, and where at most so much is asked', (text, atLeast, atMost) => {
  expect(readPrintedValue(text, { form: COUNT, sense: 'atLeast' })).toEqual(atLeast)
  expect(readPrintedValue(text, { form: COUNT, sense: 'atMost' })).toEqual(atMost)
})

test('what is not read says why', () => {
  const why = (text: string, sense: 'atLeast' | 'atMost') => readPrintedValue(text, { form: COUNT, sense })
  expect(why('≤ 24', 'atLeast')).toEqual({
    as: 'unread',
    why: 'Here at least so much is asked. Write the value to be reached.',
  })
  expect(why('≥ 24', 'atMost')).toMatchObject({ why: 'Here at most so much is asked. Write the value to be reached.' })
  expect(why('> 24', 'atMost')).toMatchObject({
    why: 'Less than and more than say no value that counts. Write the last one that does.',
  })
  expect(why('many', 'atMost')).toMatchObject({ why: '"many" is not a whole number.' })
})

test('times and their ranges, masses with their unit, and three digits once somebody has said what they part', () => {
  const time = (text: string, sense: 'atLeast' | 'atMost' = 'atMost') => readPrintedValue(text, { form: RUN, sense })
  expect(time('9:40–10:05')).toEqual(value('10:05', 605_000))
  expect(time('9:40–10:05', 'atLeast')).toEqual(value('9:40', 580_000))
  expect(time(`9'40"`)).toEqual(value('9:40', 580_000))
  expect(time('9.40')).toEqual(value('9:40', 580_000))
  const load = (text: string, threeDigits?: 'thousands' | 'decimals') =>
    readPrintedValue(text, { form: { unit: 'g' }, sense: 'atLeast', ...(threeDigits ? { threeDigits } : {}) })
  expect(load('34.5 kg')).toEqual(value('34.5', 34_500))
  expect(load('1.234')).toEqual({ as: 'asked' })
  expect(load('1.234', 'decimals')).toEqual(value('1.2340', 1_234))
  expect(load('1.234', 'thousands')).toEqual(value('1234', 1_234_000))
  expect(load('1,234.5', 'thousands')).toEqual(value('1234.5', 1_234_500))
})

test.each([
  ['40', 4_000],
  ['40.5', 4_050],
  ['40,25 pts', 4_025],
  ['40 points', 4_000],
  ['0', 0],
])('%j is %i hundredths of a point', (text, points) => {
  expect(readPrintedPoints(text)).toMatchObject({ as: 'value', value: points })
})
test('points that are none are told, and an empty cell is empty', () => {
  expect(readPrintedPoints(' – ')).toEqual({ as: 'empty' })
  for (const text of ['many', '1.234', '-5', '40x', 'x40', '1234567'])
    expect(readPrintedPoints(` ${text} `)).toEqual({ as: 'unread', why: `"${text}" is no number of points.` })
})

const shape = (change: Partial<TableShape>): TableShape => ({
  firstRow: 1,
  firstColumn: 0,
  top: [],
  left: [],
  captions: [],
  ...change,
})

test('rows are named by the first column of figures, or by the first row where bands run down', () => {
  expect(axisOf(shape({ firstRow: 2, firstColumn: 1 }))).toEqual({ isRow: false, at: 1, firstRow: 2, firstColumn: 2 })
  const bands = { at: 0, labels: [null, { category: 'female' }], words: [] }
  expect(axisOf(shape({ firstRow: 1, firstColumn: 1, left: [bands] }))).toEqual({
    isRow: true,
    at: 1,
    firstRow: 2,
    firstColumn: 1,
  })
  const full = { ...bands, labels: [{ category: 'female' }] }
  expect(axisOf(shape({ left: [full] })).isRow).toBe(false)
  expect(axisOf(shape({ left: [{ ...bands, labels: [null] }] })).isRow).toBe(false)
})

const DOWN = { isRow: false, at: 0, firstRow: 1, firstColumn: 1 }
const ACROSS = { isRow: true, at: 0, firstRow: 1, firstColumn: 1 }
test.each([
  // a heading says it
  ['Points | A\n100 | 40', DOWN, COUNT, [], 'values'],
  ['Reps | A\n40 | 100', DOWN, COUNT, [], 'points'],
  ['Score | 100 | 80\nWomen | 40 | 30', ACROSS, COUNT, [], 'values'],
  ['Time | 9 | 10\nWomen | 100 | 80', ACROSS, COUNT, [], 'points'],
  // else a colon does: beside the rows, or inside
  ['Row | A\n9:40 | 100\n10:00 | 80', DOWN, RUN, [], 'points'],
  ['Row | A\n9:40 | 100\n- | 80', DOWN, RUN, [], 'points'],
  ['Row | A\n100 | 9:40\n80 | -', DOWN, RUN, ['Time'], 'values'],
  [`Row | A\n100 | 9'40\n80 | -`, DOWN, RUN, ['Time'], 'values'],
  ['9:40 | 10:00\n100 | 80', { ...ACROSS, firstColumn: 0 }, RUN, [], 'points'],
  // a colon says nothing of what is no time
  ['Row | A\n9:40 | 100', DOWN, COUNT, [], 'values'],
  ['Row | A\n100 | 9:40', DOWN, COUNT, ['Reps'], 'points'],
  // a pulse beside the rows is no points: nobody lives at 30
  ['Row | A\n120 | 46\n124 | 45', DOWN, { unit: 'bpm' }, [], 'points'],
  ['Row | A\n120 | 46\n30 | 45', DOWN, { unit: 'bpm' }, [], 'values'],
  ['Row | A\n120 | 46', DOWN, COUNT, [], 'values'],
  // a caption says what is named
  ['Row | A\n24 | 80', DOWN, COUNT, ['Repetitions'], 'points'],
  ['Row | A\n24 | 80', DOWN, COUNT, ['Repetitions and points'], 'values'],
  ['Row | A\n24 | 80', DOWN, COUNT, ['Women'], 'values'],
] as const)('%j by %j of %j with the captions %j holds %s', (text, axis, form, captions, inside) => {
  expect(guessInside(blockOf(text), shape({ captions }), axis, form as FieldForm)).toBe(inside)
})

test('figures begin below and beside the headings, whatever stands over them', () => {
  const found = shapeOf(
    blockOf(`Push-ups | Women |       | Men
             Points   | 17–24 | 25+   | 17–24
             100      | 40    | 38    | 50`),
    NAMES,
  )
  expect(found).toMatchObject({ firstRow: 2, firstColumn: 0, captions: ['Push-ups', 'Points'] })
  const women = { category: 'female' }
  expect(found.top[0]?.labels).toEqual([null, women, women, { category: 'male' }])
  expect(found.top[0]?.words).toEqual(['Push-ups', null, null, null])
  expect(found.top[1]?.labels).toEqual([
    null,
    { ages: { from: 17, to: 24 } },
    { ages: { from: 25, to: null } },
    { ages: { from: 17, to: 24 } },
  ])
  const down = shapeOf(
    blockOf(`Age   | Category | Cut
             17–24 | Women    | 24
             17–24 | Men      | 30
                   | Women    | 5`),
    NAMES,
  )
  expect(down).toMatchObject({ firstRow: 1, firstColumn: 2, captions: ['Age', 'Category', 'Cut'] })
  expect(down.left.map(({ labels }) => labels.length)).toEqual([3, 3])
  // merged cells stand over all that follow
  expect(down.left[0]?.labels[2]).toEqual({ ages: { from: 17, to: 24 } })
  // the corner was not copied: nothing but ages over figures
  expect(shapeOf(blockOf('17–24 | 25+\n24 | 20'), NAMES)).toMatchObject({ firstRow: 1, firstColumn: 0 })
  // a column that says what the headings on top say already is no heading
  expect(shapeOf(blockOf('Row | Women\nWomen | 24'), NAMES).firstColumn).toBe(0)
  // a list without a heading begins at once
  expect(shapeOf(blockOf('Women | 24\nMen | 30'), NAMES)).toMatchObject({ firstRow: 0, firstColumn: 1 })
  expect(shapeOf([], NAMES)).toMatchObject({ firstRow: 0, firstColumn: 0 })
})

test('words are classes next to the figures, captions over everything, or people the standard does not know yet', () => {
  const line = (at: number, ...words: (string | null)[]) => ({ at, words, labels: words.map(() => null) })
  const of = (top: TableShape['top'], left: TableShape['left'] = [], hasNames = true, overAxis = false) => {
    const { captions, classes, newCategories } = wordsOf(shape({ top, left }), hasNames, overAxis)
    return [[...captions], classes, newCategories]
  }
  const classes = line(1, 'Good', 'Fair', 'Good', 'Fair')
  const people = line(0, 'Divers', 'Divers', 'Riders', 'Riders')
  expect(of([people, classes])).toEqual([[], ['Good', 'Fair'], ['Divers', 'Riders']])
  expect(of([people, classes], [], false)).toEqual([[], [], ['Divers', 'Riders', 'Good', 'Fair']])
  expect(of([line(0, 'Push-ups', 'Push-ups'), classes])).toEqual([['Push-ups'], ['Good', 'Fair'], []])
  expect(of([line(0, 'Points', 'Good', 'Fair')], [], true, true)).toEqual([['Points'], ['Good', 'Fair'], []])
  expect(of([], [line(0, 'Good', 'Fair')])).toEqual([[], ['Good', 'Fair'], []])
  expect(of([classes], [line(0, 'Divers', 'Riders')])).toEqual([[], ['Good', 'Fair'], ['Divers', 'Riders']])
  expect(of([{ ...line(0, 'Divers', null), labels: [null, { category: 'female' }] }], [], false)).toEqual([
    [],
    [],
    ['Divers'],
  ])
  expect(of([])).toEqual([[], [], []])
})
