/** Reading the files a command is given. */
import { open, readFile } from 'node:fs/promises'
import { createReadStream } from 'node:fs'
import Papa from 'papaparse'
import { Readable } from 'node:stream'
import {
  checkStandard,
  encodingBySample,
  openResultsTable,
  parseStandard,
  sayFinding,
  sayRemark,
  type Encoding,
  type ReadTableRow,
  type RowFinding,
  type Standard,
} from '@able-gauge/core'
import type { Output } from './output.ts'

/** A file's JSON, or undefined after a complaint. */
export const readJson = async (file: string, { complain }: Output): Promise<unknown> => {
  try {
    return JSON.parse(await readFile(file, 'utf8'))
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error)
    complain(`${file} cannot be read as JSON: ${reason}`)
    return undefined
  }
}

/** A file's text, or undefined after a complaint. */
export const readText = async (file: string, { complain }: Output): Promise<string | undefined> => {
  try {
    return await readFile(file, 'utf8')
  } catch (error) {
    complain(`${file} cannot be read: ${error instanceof Error ? error.message : String(error)}`)
    return undefined
  }
}

/** A standard nobody may be judged by is unusable: its errors make verdicts arbitrary. */
export const readStandard = async (file: string, output: Output): Promise<Standard | undefined> => {
  const plain = await readJson(file, output)
  if (plain === undefined) return undefined
  const parsed = parseStandard(plain)
  const errors = parsed.ok
    ? checkStandard(parsed.value)
        .filter(({ severity }) => severity === 'error')
        .map(sayRemark)
    : parsed.findings.map(sayFinding)
  for (const error of errors) output.complain(`${file}: ${error}`)
  return parsed.ok && errors.length === 0 ? parsed.value : undefined
}

/** One row of a table as it stands in a file. */
export interface FileRow {
  readonly cells: readonly string[]
  /** Counting from the heading as line 1. */
  readonly line: number
}

/** Rows of a CSV file with the heading first, one at a time, so that its length does not matter. */
export async function* rowsOf(file: string): AsyncGenerator<FileRow> {
  const text = Readable.from(textOf(file, await encodingOf(file)))
  const rows = text.pipe(Papa.parse(Papa.NODE_STREAM_INPUT, { skipEmptyLines: 'greedy' }))
  let line = 0
  // without a heading of its own papaparse hands out what it has read as lists of cells
  for await (const cells of rows as AsyncIterable<string[]>) yield { cells, line: (line += 1) }
}

async function* textOf(file: string, encoding: Encoding): AsyncGenerator<string> {
  const decoder = new TextDecoder(encoding)
  for await (const chunk of createReadStream(file)) yield decoder.decode(chunk as Buffer, { stream: true })
  yield decoder.decode()
}

/** The encoding of a file: by its first bytes, else UTF-8 unless a byte anywhere in it cannot be, which makes it Latin-1. */
const encodingOf = async (file: string): Promise<Encoding> => {
  const decoder = new TextDecoder('utf-8', { fatal: true })
  let isFirst = true
  try {
    for await (const chunk of createReadStream(file)) {
      const bytes = chunk as Buffer // no encoding was asked for
      const sampled = isFirst ? encodingBySample(bytes) : null
      if (sampled !== null) return sampled
      isFirst = false
      decoder.decode(bytes, { stream: true })
    }
    decoder.decode()
    return 'utf-8'
  } catch (error) {
    if (error instanceof TypeError) return 'windows-1252'
    throw error
  }
}

/**
 * The table of a results file, row by row. A heading that is wrong is told and ends it.
 * @param others versions whose columns the file may have besides
 * @returns null after a complaint about the heading
 */
export const openResults = async (
  file: string,
  standard: Standard,
  output: Output,
  others: readonly Standard[] = [],
): Promise<AsyncGenerator<{ readonly read: ReadTableRow; readonly line: number }> | null> => {
  const rows = rowsOf(file)
  const first = await rows.next()
  const opened = openResultsTable(standard, first.done ? [] : first.value.cells, others)
  if (!opened.ok) {
    complainOf(file, opened.findings, output)
    return null
  }
  const { table } = opened
  return (async function* () {
    for await (const { cells, line } of rows) yield { read: table.rowOf(cells, line), line }
  })()
}

/** Tells what is wrong with a row or a heading, each with line and column. */
export const complainOf = (file: string, findings: readonly RowFinding[], { complain }: Output): void => {
  for (const { line, column, found, expected } of findings) {
    complain(`${file}, line ${line}, column ${column}: expected ${expected}, found ${found}.`)
  }
}

/** Why a file cannot be read, or null. */
export const whyUnreadable = async (file: string): Promise<string | null> => {
  try {
    await (await open(file)).close()
    return null
  } catch (error) {
    return error instanceof Error ? error.message : String(error)
  }
}
