/** able-gauge judge: a file of results, row by row, without holding it in memory. */
import { once } from 'node:events'
import {
  judgeResultRow,
  judgeResultRowPlainly,
  printPoints,
  stepLine,
  verdictInWords,
  type PlainlyJudgedRow,
  type ResultRow,
  type RowFinding,
  type Standard,
} from '@able-gauge/core'
import { complainOf, openResultsFile } from './input.ts'
import { EXIT, type Output } from './output.ts'

export type ResultForm = 'csv' | 'json'

/** Judges every row; a row that cannot be read is told with line and column, and the others are judged all the same. */
export const judgeFile = async (
  standard: Standard,
  file: string,
  form: ResultForm,
  output: Output,
): Promise<number> => {
  const results = await openResultsFile(file, standard, output)
  if (results === null) return EXIT.unusable
  let rows = 0
  let refused = 0
  for await (const some of results) {
    if (rows === 0 && some.length > 0 && form === 'csv') await output.write(headingFor(standard))
    rows += some.length
    const judged = some.map(({ read, line }) =>
      read.ok ? JUDGES[form](standard, read.row, line) : { ok: false as const, findings: read.findings },
    )
    await output.write(judged.flatMap((one) => (one.ok ? [one.line] : [])).join(''))
    for (const { findings } of judged.filter((one) => !one.ok)) {
      refused += 1
      complainOf(file, findings, output)
    }
  }
  if (rows === 0) output.complain(`${file} holds no rows.`)
  else output.complain(`${rows - refused} judged, ${refused} refused.`)
  return refused > 0 || rows === 0 ? EXIT.findings : EXIT.fine
}

type JudgedLine =
  | { readonly ok: true; readonly line: string }
  | { readonly ok: false; readonly findings: readonly RowFinding[] }

/** A row judged and written out. A table has no room for the reasons of single marks, so they are not made for it. */
const JUDGES: Readonly<Record<ResultForm, (standard: Standard, row: ResultRow, line: number) => JudgedLine>> = {
  csv: (standard, row, line) => {
    const judged = judgeResultRowPlainly(standard, row, line)
    return judged.ok ? { ok: true, line: csvLine(judged) } : judged
  },
  json: (standard, row, line) => {
    const judged = judgeResultRow(standard, row, line)
    return judged.ok
      ? { ok: true, line: `${JSON.stringify({ ...judged, verdict: verdictInWords(judged.verdict) })}\n` }
      : judged
  },
}

/** Writes to a stream and waits when it cannot take more. */
export const writeTo =
  (stream: NodeJS.WritableStream) =>
  async (text: string): Promise<void> => {
    if (!stream.write(text)) await once(stream, 'drain')
  }

const headingFor = ({ events }: Standard): string =>
  `${[
    'number',
    'test_date',
    'verdict',
    'settled',
    'points',
    'class',
    ...events.flatMap(({ id }) => [`${id}_mark`, `${id}_rounded`, `${id}_margin`, `${id}_points`]),
    'reasons',
  ].join(',')}\n`

const csvLine = ({ number, testDate, verdict, marks }: Extract<PlainlyJudgedRow, { ok: true }>): string => {
  const { outcome, settled, points, trace } = verdict
  const cells = [
    quoted(number),
    testDate,
    outcome,
    settled ? 'yes' : 'no',
    points ? printPoints(points.centipoints) : '',
    quoted(points?.className ?? ''),
  ]
  for (const mark of marks) {
    cells.push(
      mark.kind === 'ended' ? mark.reason : mark.className === undefined ? mark.kind : quoted(mark.className),
      mark.rounded === null ? '' : String(mark.rounded),
      mark.kind === 'met' || mark.kind === 'short' ? String(mark.margin ?? 0) : '',
      'points' in mark && mark.points ? printPoints(mark.points.centipoints) : '',
    )
  }
  return `${cells.join(',')},${quoted(trace.map(stepLine).join(' '))}\n`
}

/** A text as a cell of CSV (RFC 4180): with a comma, a quote, a break or a space at its edge it stands in quotes. */
const quoted = (text: string): string => (/[",\n\r]|^\s|\s$/.test(text) ? `"${text.replaceAll('"', '""')}"` : text)
