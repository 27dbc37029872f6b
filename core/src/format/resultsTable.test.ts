import { Temporal } from 'temporal-polyfill'
import { expect, test } from 'vitest'
import { plainV3 } from '../../testing/index.ts'
import { parseStandard } from '../standard/parseStandard.ts'
import { decodeText, encodingBySample } from './decodeText.ts'
import { judgeResultRow } from './resultRow.ts'
import { openResultsTable } from './resultsTable.ts'

const parsed = parseStandard(plainV3())
if (!parsed.ok) throw new Error('The demo standard cannot be read.')
const standard = parsed.value
const { inForceFrom } = standard
const dayBefore = Temporal.PlainDate.from(inForceFrom).subtract({ days: 1 }).toString()
const HEADING = ['number', 'birth_date', 'category', 'test_date', 'press-ups', 'run']
const GOOD = ['T-1', '1999-05-04', 'female', '2026-11-24', '24', '9:20.3']

const findingsOn = (heading: readonly string[]) => {
  const opened = openResultsTable(standard, heading)
  return opened.ok ? [] : opened.findings.map(({ line, column, found, expected }) => [line, column, found, expected])
}

test.each([
  [[...HEADING, 'run'], 'run', /twice/, /each column once/],
  [[...HEADING, 'press-upps'], 'press-upps', /unknown/, /perhaps "press-ups"/],
  [[...HEADING, 'run.tmie'], 'run.tmie', /unknown/, /perhaps "run\.time/],
  [[...HEADING, 'shoes'], 'shoes', /unknown/, /column of the standard/],
  [[...HEADING, ''], 'number 7', /no name/, /name above every column/],
  [HEADING.slice(0, 5), 'run', /no such column/, /"run"/],
] as const)('the heading %j is told by its column', (heading, column, found, expected) => {
  const [finding] = findingsOn(heading)
  expect(finding?.slice(0, 2)).toEqual([1, column])
  expect(finding?.[2]).toMatch(found)
  expect(finding?.[3]).toMatch(expected)
})

test('columns in any order, with names, roles and readings, are known', () => {
  expect(findingsOn([...HEADING].reverse())).toEqual([])
  expect(
    findingsOn([
      '\uFEFFnumber',
      ...HEADING.slice(1),
      'given_name',
      'family_name',
      'body_mass',
      'run.time',
      'press-ups.variant',
    ]),
  ).toEqual([])
})

const read = (...rows: readonly (readonly string[])[]) => {
  const opened = openResultsTable(standard, HEADING)
  if (!opened.ok) throw new Error('The heading is not good.')
  return rows.map((cells, index) => {
    const row = opened.table.rowOf(cells, index + 2)
    const judged = row.ok ? judgeResultRow(standard, row.row, index + 2) : row
    return judged.ok
      ? judged.verdict.outcome
      : judged.findings.map(({ line, column }) => `${line} ${column}`).join(', ')
  })
}

test('a short row, a long one and a number twice refuse themselves, not the file', () => {
  expect(read(GOOD.slice(0, 4), [...GOOD, '7'], [...GOOD, ' '], GOOD, ['T-2', ...GOOD.slice(1)])).toEqual([
    '2 press-ups',
    '3 run',
    'met',
    '5 number',
    'met',
  ])
  // the same person on another day is another test
  expect(read(GOOD, [...GOOD.slice(0, 3), '2026-11-25', ...GOOD.slice(4)])).toEqual(['met', 'met'])
})

const changed = (at: number, text: string): string[] => GOOD.map((cell, index) => (index === at ? text : cell))

test.each([
  // the first day in force, and the one before
  [3, dayBefore, '2 test_date'],
  [3, inForceFrom, 'met'],
  // what a spreadsheet makes of 9:40, and of 40 minutes
  [5, '9:40:00', '2 run'],
  [5, '0:09:20', 'met'],
  [5, '1:00:00', 'short'],
  [5, '0.00648148', '2 run'],
  // seconds alone and a decimal comma are read; 9.20 would be 9.2 s over 2,000 m
  [5, '560,3', 'met'],
  [5, '9:20,3', 'met'],
  [5, '9.20', '2 run'],
])('cell %i as "%s": %s', (at, text, expected) => {
  expect(read(changed(at, text))).toEqual([expected])
})

test('a body mass of 7 or 700 kg is a slip', () => {
  const opened = openResultsTable(standard, [...HEADING, 'body_mass'])
  if (!opened.ok) throw new Error('The heading is not good.')
  const told = ['7', '29.9', '30', '70', '250', '250.1', '700'].map((mass, index) => {
    const row = opened.table.rowOf([`T-${index}`, ...GOOD.slice(1), mass], index)
    const judged = row.ok ? judgeResultRow(standard, row.row, index) : row
    return judged.ok ? 'read' : judged.findings[0]?.column
  })
  expect(told).toEqual(['body_mass', 'body_mass', 'read', 'read', 'read', 'body_mass', 'body_mass'])
})

const TEXT = 'number,given_name\nT-1,Zoë Müller-Ørn\n'
const latin1 = (text: string) => Uint8Array.from(text, (letter) => letter.charCodeAt(0))
const utf16 = (text: string, isBig: boolean) =>
  Uint8Array.from(
    [...text].flatMap((letter) => {
      const [high, low] = [letter.charCodeAt(0) >> 8, letter.charCodeAt(0) & 255]
      return isBig ? [high, low] : [low, high]
    }),
  )

test.each([
  ['UTF-8', new TextEncoder().encode(TEXT)],
  ['UTF-8 with its mark', new TextEncoder().encode(`\uFEFF${TEXT}`)],
  ['Latin-1', latin1(TEXT)],
  ['UTF-16, little end first', utf16(`\uFEFF${TEXT}`, false)],
  ['UTF-16, big end first', utf16(`\uFEFF${TEXT}`, true)],
  ['UTF-16 without a mark', utf16(TEXT, false)],
  ['big-ended UTF-16 without a mark', utf16(TEXT, true)],
])('%s is recognised', (_, bytes) => {
  expect(decodeText(bytes)).toBe(TEXT)
})

test('the first bytes tell only what they can', () => {
  expect(encodingBySample(latin1('plain'))).toBeNull()
  expect(encodingBySample(new Uint8Array())).toBeNull()
  expect(decodeText(new Uint8Array())).toBe('')
})
