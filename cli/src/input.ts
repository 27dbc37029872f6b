/** Reading the files a command is given. */
import { open, readFile } from 'node:fs/promises'
import { createReadStream } from 'node:fs'
import Papa from 'papaparse'
import { checkStandard, parseStandard, sayFinding, sayRemark, type ResultRow, type Standard } from '@able-gauge/core'
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

export interface FileRow {
  readonly row: ResultRow
  /** Counting from the heading as line 1. */
  readonly line: number
}

/** Rows of a CSV file, one at a time, so that its length does not matter. */
export async function* rowsOf(file: string): AsyncGenerator<FileRow> {
  const rows = createReadStream(file, 'utf8').pipe(
    Papa.parse(Papa.NODE_STREAM_INPUT, {
      header: true,
      skipEmptyLines: 'greedy',
      transformHeader: (name) => name.replace(/^\uFEFF/, '').trim(),
    }),
  )
  let line = 1
  // papaparse hands out what it has read as objects by heading
  for await (const row of rows as AsyncIterable<ResultRow>) yield { row, line: (line += 1) }
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
