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
interface FileRow {
  readonly cells: readonly string[]
  /** Counting from the heading as line 1. */
  readonly line: number
}

/** A row as the table took it. */
export interface ReadFileRow {
  readonly read: ReadTableRow
  readonly line: number
}

/** Rows of a CSV file with the heading first, some hundreds at a time, so that its length does not matter. */
async function* rowsOf(file: string): AsyncGenerator<readonly FileRow[]> {
  const text = Readable.from(textOf(file, await encodingOf(file)))
  let line = 0
  for await (const rows of chunksOf(text)) yield rows.map((cells): FileRow => ({ cells, line: (line += 1) }))
}

/** What papaparse reads of a stream, chunk by chunk; it waits while nobody takes them. */
const chunksOf = (text: Readable): AsyncIterable<string[][]> => {
  let goOn = (): void => undefined
  const chunks = new Readable({ objectMode: true, highWaterMark: 1, read: () => goOn() })
  // without a heading of its own papaparse hands out what it has read as lists of cells
  Papa.parse<string[]>(text, {
    skipEmptyLines: 'greedy',
    chunk: ({ data }, parser) => {
      if (chunks.push(data)) return
      parser.pause()
      goOn = () => parser.resume()
    },
    complete: () => chunks.push(null),
    error: (error) => chunks.destroy(error),
  })
  return chunks as AsyncIterable<string[][]>
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
 * The table of a results file, some hundred rows at a time. A heading that is wrong is told and ends it.
 * @param others versions whose columns the file may have besides
 * @returns null after a complaint about the heading
 */
export const openResults = async (
  file: string,
  standard: Standard,
  output: Output,
  others: readonly Standard[] = [],
): Promise<AsyncGenerator<readonly ReadFileRow[]> | null> => {
  const chunks = rowsOf(file)
  const first = await chunks.next()
  const [heading, ...rows] = first.done ? [] : first.value
  const opened = openResultsTable(standard, heading?.cells ?? [], others)
  if (!opened.ok) {
    complainOf(file, opened.findings, output)
    return null
  }
  const { table } = opened
  const read = (some: readonly FileRow[]): ReadFileRow[] =>
    some.map(({ cells, line }) => ({ read: table.rowOf(cells, line), line }))
  return (async function* () {
    yield read(rows)
    for await (const some of chunks) yield read(some)
  })()
}

/** The same of a file that may not be there. */
export const openResultsFile = async (
  file: string,
  standard: Standard,
  output: Output,
): Promise<AsyncGenerator<readonly ReadFileRow[]> | null> => {
  const unreadable = await whyUnreadable(file)
  if (unreadable === null) return openResults(file, standard, output)
  output.complain(`${file} cannot be read: ${unreadable}`)
  return null
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
