/** Tables as people copy them: each is understood, or what is not is told in its cell. */
import { expect, test } from 'vitest'
import type { FieldForm } from '../quantity/field.ts'
import { readPrintedTable, type TableChoices, type TableContext } from './printedTable.ts'
import { scoringFromTable } from './scoringFromTable.ts'

const RUN: FieldForm = { unit: 'ms', secondsFromMs: 190_000 }
const BOTH = [
  { id: 'female', name: 'Female' },
  { id: 'male', name: 'Male' },
]
const COUNT: TableContext = {
  school: 'pointsTable',
  form: { unit: 'count' },
  sense: 'atLeast',
  categories: BOTH,
  roles: [],
}
const TIME: TableContext = { ...COUNT, form: RUN, sense: 'atMost' }

const blockOf = (text: string): string[][] =>
  text
    .trim()
    .split('\n')
    .map((line) => line.split('|').map((cell) => cell.trim()))
const idOf = (name: string): string => name.toLowerCase().replace(/\W+/g, '-')
const read = (text: string, context: TableContext, choices?: TableChoices) => {
  const reading = readPrintedTable(blockOf(text), context, choices)
  return { reading, scoring: scoringFromTable(reading, context, idOf) }
}

test('1: points down with the best on top, two rows of headings across, merged cells, en dashes', () => {
  const { reading, scoring } = read(
    `Points | Female |       | Men
            | 17–24  | 25–31 | 17–24 | 25+
        100 | 40     | 38    | 50    | 48
         80 | 30     | 28    | 40    | 38
         60 | 20     | –     | 30    | 28`,
    COUNT,
  )
  expect(reading).toMatchObject({ inside: 'values', understood: 11, unread: 0, asked: 0, newCategories: [] })
  const [first, second, , last] = scoring.bands ?? []
  expect(first).toEqual({
    ageFrom: 17,
    ageTo: 24,
    category: 'female',
    rows: [
      { value: 20, centipoints: 6_000 },
      { value: 30, centipoints: 8_000 },
      { value: 40, centipoints: 10_000 },
    ],
  })
  expect(second).toMatchObject({ ageFrom: 25, ageTo: 31, rows: [{ value: 28 }, { value: 38 }] })
  expect(last).toMatchObject({ ageFrom: 25, category: 'male' })
  expect(last).not.toHaveProperty('ageTo')
})

test('2: bands down, points across, minutes with dots', () => {
  const { scoring } = read(
    `Age      | 50    | 75    | 100
     under 30 | 12.30 | 11.00 | 9.30
     30+      | 13.30 | 12.00 | 10.30`,
    TIME,
  )
  expect(scoring.bands).toEqual([
    {
      ageFrom: 0,
      ageTo: 29,
      rows: [
        { value: 750_000, centipoints: 5_000 },
        { value: 660_000, centipoints: 7_500 },
        { value: 570_000, centipoints: 10_000 },
      ],
    },
    expect.objectContaining({ ageFrom: 30 }),
  ])
})

test('3: a cut for each age and category, with ages by their first year alone', () => {
  const { scoring } = read(
    `Age | Men  | Women
     18  | 9'30" | 10'40"
     30  | 9'50" | 11'00"`,
    { ...TIME, school: 'cutByBand' },
  )
  expect(scoring.rows).toEqual([
    { ageFrom: 18, ageTo: 29, category: 'male', atMost: 570_000 },
    { ageFrom: 18, ageTo: 29, category: 'female', atMost: 640_000 },
    { ageFrom: 30, category: 'male', atMost: 590_000 },
    { ageFrom: 30, category: 'female', atMost: 660_000 },
  ])
})

test('4: a list with from and to in columns of their own, and units behind the figures', () => {
  const { scoring } = read(
    `From | To | Category | At least
     18   | 29 | Female   | 20 reps
     30   |    | Female   | 18 reps
     18   |    | Male     | ≥ 24`,
    { ...COUNT, school: 'cutByBand' },
  )
  expect(scoring.rows).toEqual([
    { ageFrom: 18, ageTo: 29, category: 'female', atLeast: 20 },
    { ageFrom: 30, category: 'female', atLeast: 18 },
    { ageFrom: 18, category: 'male', atLeast: 24 },
  ])
})

test('5: pulse down and age across, what is inside being the points', () => {
  const { reading, scoring } = read(
    `Pulse \\ Age | 20   | 30   | 40
     120          | 46.5 | 44   | 41
     124          | 45   | 42.5 | 39.5`,
    { ...COUNT, form: { unit: 'bpm' }, sense: 'atMost' },
  )
  expect(reading.inside).toBe('points')
  expect(scoring.bands).toEqual([
    {
      ageFrom: 20,
      ageTo: 29,
      rows: [
        { value: 124, centipoints: 4_500 },
        { value: 120, centipoints: 4_650 },
      ],
    },
    expect.objectContaining({ ageFrom: 30, ageTo: 39 }),
    expect.objectContaining({ ageFrom: 40 }),
  ])
})

test('6: classes across with ranges, the best first; the lowest class needs no figure', () => {
  const { reading, scoring } = read(
    `Age   | Superior | Good  | Fair  | Poor
     18-29 | 40+      | 30–39 | 20–29 | <20
     30-39 | 36+      | 27–35 | 18–26 | <18`,
    { ...COUNT, school: 'normClasses' },
  )
  expect(reading.unread).toBe(0)
  expect(scoring.classes?.map(({ name }) => name)).toEqual(['Poor', 'Fair', 'Good', 'Superior'])
  expect(scoring.bands).toEqual([
    { ageFrom: 18, ageTo: 29, from: [20, 30, 40] },
    { ageFrom: 30, ageTo: 39, from: [18, 27, 36] },
  ])
})

test('7: a constant and a share of body mass side by side', () => {
  const { scoring } = read(
    `Age   | Constant, kg | Share of body mass
     18-39 | 75           | 80 %
     40+   | 70.5         | 72,5 %`,
    { ...COUNT, school: 'relativeCut', form: { unit: 'g' } },
  )
  expect(scoring.rows).toEqual([
    { ageFrom: 18, ageTo: 39, constant: 75_000, shareOfBodyMassPermille: 800 },
    { ageFrom: 40, constant: 70_500, shareOfBodyMassPermille: 725 },
  ])
})

test('8: a sign before three digits is asked, and read as it is answered', () => {
  const table = `Points | 18+
     100 | 2,800
     50  | 2,400`
  const distance: TableContext = { ...COUNT, form: { unit: 'mm', shownIn: 'm' } }
  expect(read(table, distance).reading).toMatchObject({ asked: 2, understood: 0 })
  const thousands = read(table, distance, { threeDigits: 'thousands' })
  expect(thousands.reading).toMatchObject({ asked: 0, understood: 2 })
  expect(thousands.scoring.bands).toMatchObject([{ rows: [{ value: 2_400_000 }, { value: 2_800_000 }] }])
  expect(read(table, distance, { threeDigits: 'decimals' }).scoring.bands).toMatchObject([
    { rows: [{ value: 2_400 }, { value: 2_800 }] },
  ])
})

test('9: what cannot be read is told in its cell and kept as it was typed', () => {
  const { reading, scoring } = read(
    `Points | 18-29 | 30+
     100    | 9:75  | 9:50
     50     | 11:00 | about 12
     0      | >12:00 | >13:00`,
    TIME,
  )
  expect(reading.unread).toBe(2)
  expect(reading.cells[1]?.[1]).toMatchObject({ as: 'unread' })
  // "over 12:00" for no points is what everybody without a row gets
  expect(reading.cells[3]?.[1]).toEqual({ as: 'empty' })
  expect(scoring.bands).toMatchObject([
    { rows: [{ value: 660_000 }, { value: '9:75', centipoints: 10_000 }] },
    { rows: [{ value: 'about 12' }, { value: 590_000 }] },
  ])
})

test('10: categories the standard does not know are named, with a caption over all', () => {
  const { reading, scoring } = read(
    `Sit-ups |          |
     Age     | Recruits | Serving
     18-39   | 30       | 26
     40+     | 24       | 20`,
    { ...COUNT, school: 'cutByBand' },
  )
  expect(reading.newCategories).toEqual(['Recruits', 'Serving'])
  expect(reading.captions).toContain('Sit-ups')
  expect(scoring.rows).toContainEqual({ ageFrom: 40, category: 'serving', atLeast: 20 })
})

test('the usual categories are known before the standard has them', () => {
  const { reading, scoring } = read(
    `Age   | Men 18–29 | Women 18–29
     Cut   | 24        | 20`,
    { ...COUNT, school: 'cutByBand', categories: [{ id: 'open', name: 'Open' }] },
  )
  expect(reading.newCategories).toEqual(['Female', 'Male'])
  expect(scoring.rows).toContainEqual({ ageFrom: 18, ageTo: 29, category: 'male', atLeast: 24 })
  const named = read('| Ladies | Women\n18+ | 1 | 20', {
    ...COUNT,
    school: 'cutByBand',
    categories: [
      { id: 'women', name: 'Women' },
      { id: 'l', name: 'Ladies' },
    ],
  })
  expect(named.reading.newCategories).toEqual([])
})

test('11: a list of everything, one figure to a line', () => {
  const { scoring } = read(
    `Sex | Age | Points | Repetitions
     F | 18–24 | 60 | 20
       |       | 80 | 30
     M | 18–24 | 60 | 26`,
    COUNT,
  )
  expect(scoring.bands).toEqual([
    {
      ageFrom: 18,
      ageTo: 24,
      category: 'female',
      rows: [
        { value: 20, centipoints: 6_000 },
        { value: 30, centipoints: 8_000 },
      ],
    },
    { ageFrom: 18, ageTo: 24, category: 'male', rows: [{ value: 26, centipoints: 6_000 }] },
  ])
})

test('12: ages across and categories down, times as a spreadsheet writes them', () => {
  const { scoring } = read(
    `       | 18-29    | 30 and over
     Female | 10:40:00 | 11:00:00
     Male   | 9:30:00  | 9:50:00`,
    { ...TIME, school: 'pointsByRule' },
  )
  expect(scoring.bands).toContainEqual({ ageFrom: 30, category: 'male', anchor: 590_000 })
  expect(scoring.bands).toContainEqual({ ageFrom: 18, ageTo: 29, category: 'female', anchor: 640_000 })
})

test('13: the same table is understood the same, turned on its side', () => {
  const across = blockOf(
    `Points | 18-29 | 30+
     100 | 40 | 36
     60  | 20 | 18`,
  )
  const down = across[0]?.map((_, column) => across.map((row) => row[column] ?? '')) ?? []
  const of = (block: string[][]) => scoringFromTable(readPrintedTable(block, COUNT), COUNT, idOf)
  expect(of(down)).toEqual(of(across))
})

test('nothing is lost: an unread heading stays as text, two figures for the same people are two rows, a typing error at nought is told', () => {
  const points = read('Points | 18+\nfull | 40\n50 | 20', COUNT)
  expect(points.scoring.bands).toMatchObject([{ rows: [{ value: 20, centipoints: 5_000 }, { centipoints: 'full' }] }])
  const twice = read('Age | At least\n18+ | 20\n18+ | 24', { ...COUNT, school: 'cutByBand' })
  expect(twice.scoring.rows).toEqual([
    { ageFrom: 18, atLeast: 20 },
    { ageFrom: 18, atLeast: 24 },
  ])
  expect(read('Points | 18+\n50 | 10:00\n0 | 9:75', TIME).reading.unread).toBe(1)
  expect(read('Pulse \\ Age | 20 | 30\n0 | 4O | 44', { ...COUNT, form: { unit: 'bpm' } }).reading.unread).toBe(1)
})

test('the table is shown as it was read, so that a cell that is mended is the one that was marked', () => {
  const { reading } = read('From | To | At least\n18 | 29 | twenty', { ...COUNT, school: 'cutByBand' })
  expect(reading.block).toEqual([
    ['Age', 'At least'],
    ['18-29', 'twenty'],
  ])
  expect(reading.cells[1]?.[1]).toMatchObject({ as: 'unread' })
})
