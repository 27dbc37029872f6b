/** Tables out of files people have, in the encodings they were saved in. */
import writeXlsxFile from 'write-excel-file/node'
import { expect, test } from 'vitest'
import { NoTable, readTable } from './readTable.ts'

const file = (bytes: Uint8Array<ArrayBuffer>): Blob => new Blob([bytes])
const text = (words: string): Uint8Array<ArrayBuffer> => new TextEncoder().encode(words)
/** In the form spreadsheets call Unicode text. */
const utf16 = (words: string): Uint8Array<ArrayBuffer> =>
  Uint8Array.from([
    0xff,
    0xfe,
    ...[...words].flatMap((letter) => [letter.charCodeAt(0) & 0xff, letter.charCodeAt(0) >> 8]),
  ])
const latin = (words: string): Uint8Array<ArrayBuffer> => Uint8Array.from(words, (letter) => letter.charCodeAt(0))

const TABLE = 'Number;Name\r\nT-1;Jörg\r\n'
const READ = { headings: ['Number', 'Name'], rows: [['T-1', 'Jörg'], ['']] }

test.each([
  ['UTF-8', text(TABLE), 'utf-8'],
  ['UTF-8 with its mark', text(`\uFEFF${TABLE}`), 'utf-8'],
  ['UTF-16', utf16(TABLE), 'utf-16le'],
  ['Latin-1', latin(TABLE), 'windows-1252'],
  ['commas', text(TABLE.replaceAll(';', ',')), 'utf-8'],
  ['tabs', text(TABLE.replaceAll(';', '\t')), 'utf-8'],
  ['a heading with a comma in it', text('"Number";Name\r\nT-1;Jörg\r\n'), 'utf-8'],
] as const)('%s', async (_what, bytes, encoding) => {
  expect(await readTable(file(bytes))).toEqual({ ...READ, encoding })
})

test('where somebody knows better, letters are read as they say', async () => {
  // "Łuć" as Central European spreadsheets write it
  const bytes = Uint8Array.from([...latin('Name\n'), 0xa3, 0x75, 0xe6])
  expect((await readTable(file(bytes))).rows).toEqual([['£uæ']])
  expect((await readTable(file(bytes), 'windows-1250')).rows).toEqual([['Łuć']])
})

test('a workbook is read with its dates and times, and says its own letters', async () => {
  const workbook = await writeXlsxFile([
    [{ value: 'Name' }, { value: 'Born' }, { value: 'Count' }, { value: 'Run' }],
    [
      { value: 'Ása' },
      { value: new Date(Date.UTC(1999, 4, 4)), format: 'dd.mm.yyyy' },
      { value: 31 },
      { value: new Date(Date.UTC(1899, 11, 31, 0, 9, 41)), format: 'hh:mm:ss' },
    ],
    [null, null, { value: 0 }, null],
  ]).toBuffer()
  const { headings, rows, encoding } = await readTable(file(Uint8Array.from(workbook)))
  expect(encoding).toBeNull()
  expect(headings).toEqual(['Name', 'Born', 'Count', 'Run'])
  expect(rows[0]).toEqual(['Ása', '1999-05-04', '31', '00:09:41'])
  expect(rows[1]?.slice(0, 3)).toEqual(['', '', '0'])
})

test.each([
  ['a heading alone', text('Number;Name\n \n'), /no rows/],
  ['nothing', text(''), /no rows/],
  ['an archive that is no workbook', text('PK and then something else'), /cannot be read/],
] as const)('%s is told in words', async (_what, bytes, words) => {
  const reading = readTable(file(bytes))
  await expect(reading).rejects.toThrow(NoTable)
  await expect(reading).rejects.toThrow(words)
})
