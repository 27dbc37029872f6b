/** able-gauge judge: a file of results, row by row, without holding it in memory. */
import { once } from 'node:events'
import { createReadStream } from 'node:fs'
import { open } from 'node:fs/promises'
import Papa from 'papaparse'
import { judgeResultRow, missingColumns, type JudgedRow, type ResultRow, type Standard } from '@able-gauge/core'
import { EXIT, type Output } from './output.ts'

export type ResultForm = 'csv' | 'json'

/** Judges every row; a row that cannot be read is told with line and column, and the others are judged all the same. */
export const judgeFile = async (
  standard: Standard,
  file: string,
  form: ResultForm,
  output: Output,
): Promise<number> => {
  const unreadable = await whyUnreadable(file)
  if (unreadable !== null) {
    output.complain(`${file} cannot be read: ${unreadable}`)
    return EXIT.unusable
  }
  const rows = createReadStream(file, 'utf8').pipe(
    Papa.parse(Papa.NODE_STREAM_INPUT, {
      header: true,
      skipEmptyLines: 'greedy',
      transformHeader: (name) => name.replace(/^\uFEFF/, '').trim(),
    }),
  )
  let line = 1
  let refused = 0
  for await (const row of rows as AsyncIterable<ResultRow>) {
    line += 1
    if (line === 2) {
      const missing = missingColumns(standard, Object.keys(row))
      if (missing.length > 0) {
        output.complain(`${file}, line 1: no column ${missing.map((column) => `"${column}"`).join(', ')}.`)
        return EXIT.unusable
      }
      if (form === 'csv') await output.write(`${headingFor(standard)}\n`)
    }
    const judged = judgeResultRow(standard, row, line)
    if (judged.ok) await output.write(`${form === 'csv' ? csvLine(judged) : JSON.stringify(judged)}\n`)
    else {
      refused += 1
      for (const { column, found, expected } of judged.findings) {
        output.complain(`${file}, line ${line}, column ${column}: expected ${expected}, found ${found}.`)
      }
    }
  }
  if (line === 1) output.complain(`${file} holds no rows.`)
  else output.complain(`${line - 1 - refused} judged, ${refused} refused.`)
  return refused > 0 || line === 1 ? EXIT.findings : EXIT.fine
}

/** Writes to a stream and waits when it cannot take more. */
export const writeTo =
  (stream: NodeJS.WritableStream) =>
  async (text: string): Promise<void> => {
    if (!stream.write(text)) await once(stream, 'drain')
  }

const whyUnreadable = async (file: string): Promise<string | null> => {
  try {
    await (await open(file)).close()
    return null
  } catch (error) {
    return error instanceof Error ? error.message : String(error)
  }
}

const headingFor = ({ events }: Standard): string =>
  Papa.unparse([
    [
      'number',
      'test_date',
      'verdict',
      'settled',
      ...events.flatMap(({ id }) => [`${id}_mark`, `${id}_rounded`, `${id}_margin`]),
    ],
  ])

const csvLine = ({ number, testDate, verdict }: Extract<JudgedRow, { ok: true }>): string => {
  const marks = verdict.marks.flatMap((mark) => [
    mark.kind === 'ended' ? mark.reason : mark.kind,
    'rounded' in mark ? (mark.rounded ?? '') : '',
    'margin' in mark ? mark.margin : '',
  ])
  return Papa.unparse([[number, testDate, verdict.outcome, verdict.settled ? 'yes' : 'no', ...marks]])
}
