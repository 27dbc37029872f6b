/** A table out of a file people have: CSV in any common encoding, or the first sheet of an XLSX workbook. */
import { decodeText, encodingOf, type TextEncoding } from '@able-gauge/core'
import Papa from 'papaparse'

export interface Table {
  readonly headings: readonly string[]
  /** Without the heading; line 2 of the file is the first. */
  readonly rows: readonly (readonly string[])[]
  /** What its text was read as; null for a workbook, which says so itself. */
  readonly encoding: TextEncoding | null
}

/** A file that is no table; says what it should have been. */
export class NoTable extends Error {}

/** Workbooks are archives, which begin with these letters. */
const ARCHIVE = 'PK'

/**
 * @param encoding what the text was saved in, where somebody knows better
 * @throws NoTable in words for whoever chose the file
 */
export const readTable = async (file: Blob, encoding?: TextEncoding): Promise<Table> => {
  const bytes = new Uint8Array(await file.arrayBuffer())
  const isWorkbook = String.fromCharCode(...bytes.subarray(0, 2)) === ARCHIVE
  const found = encoding ?? encodingOf(bytes)
  const cells = isWorkbook ? await readWorkbook(bytes.buffer) : readText(decodeText(bytes, found))
  const [first = [], ...rows] = cells
  const table = { headings: first.map((heading) => heading.trim()), rows, encoding: isWorkbook ? null : found }
  if (rows.every((row) => row.every((cell) => cell.trim() === '')))
    throw new NoTable('The file has a heading and no rows, or is no table at all.')
  return table
}

const DELIMITERS = [';', ',', '\t', '|'] as const

/** What stands between the headings stands between all cells; a short table is too little to guess by its rows. */
const delimiterOf = (text: string): string => {
  const [heading = ''] = text.replaceAll(/"[^"]*"/g, '').split(/\r?\n|\r/, 1)
  const countOf = (delimiter: string): number => heading.split(delimiter).length
  return [...DELIMITERS].sort((a, b) => countOf(b) - countOf(a))[0] ?? ','
}

const readText = (text: string): string[][] =>
  Papa.parse<string[]>(text, { delimiter: delimiterOf(text), skipEmptyLines: false }).data

const readWorkbook = async (bytes: ArrayBuffer): Promise<string[][]> => {
  // fetched only by who brings a workbook
  const { readSheet } = await import('read-excel-file/universal')
  try {
    const sheet: readonly (readonly unknown[])[] = await readSheet(bytes)
    return sheet.map((row) => row.map(cellText))
  } catch (error) {
    if (!(error instanceof Error)) throw error
    throw new NoTable('The workbook cannot be read. Save it as XLSX once more, or as CSV.', { cause: error })
  }
}

/** Spreadsheets count days from here, and a time of day is a part of this one. */
const FIRST_YEAR = 1900

const cellText = (value: unknown): string => {
  if (value === null || value === undefined) return ''
  if (!(value instanceof Date)) return String(value)
  const [date = '', time = ''] = value.toISOString().split('T')
  return value.getUTCFullYear() <= FIRST_YEAR ? time.slice(0, 8) : date
}
