/** able-gauge judge: a file of results, row by row, without holding it in memory. */
import { once } from 'node:events'
import Papa from 'papaparse'
import { judgeResultRow, printPoints, type JudgedRow, type Standard } from '@able-gauge/core'
import { complainOf, openResults, whyUnreadable } from './input.ts'
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
  let rows = 0
  let refused = 0
  const results = await openResults(file, standard, output)
  if (results === null) return EXIT.unusable
  for await (const { read, line } of results) {
    rows += 1
    if (rows === 1 && form === 'csv') await output.write(`${headingFor(standard)}\n`)
    const judged = read.ok ? judgeResultRow(standard, read.row, line) : read
    if (judged.ok) await output.write(`${form === 'csv' ? csvLine(judged) : JSON.stringify(judged)}\n`)
    else {
      refused += 1
      complainOf(file, judged.findings, output)
    }
  }
  if (rows === 0) output.complain(`${file} holds no rows.`)
  else output.complain(`${rows - refused} judged, ${refused} refused.`)
  return refused > 0 || rows === 0 ? EXIT.findings : EXIT.fine
}

/** Writes to a stream and waits when it cannot take more. */
export const writeTo =
  (stream: NodeJS.WritableStream) =>
  async (text: string): Promise<void> => {
    if (!stream.write(text)) await once(stream, 'drain')
  }

const headingFor = ({ events }: Standard): string =>
  Papa.unparse([
    [
      'number',
      'test_date',
      'verdict',
      'settled',
      'points',
      'class',
      ...events.flatMap(({ id }) => [`${id}_mark`, `${id}_rounded`, `${id}_margin`, `${id}_points`]),
      'reasons',
    ],
  ])

const csvLine = ({ number, testDate, verdict }: Extract<JudgedRow, { ok: true }>): string => {
  const marks = verdict.marks.flatMap((mark) => [
    mark.kind === 'ended' ? mark.reason : mark.kind === 'scored' && mark.className ? mark.className : mark.kind,
    'rounded' in mark ? (mark.rounded ?? '') : '',
    'margin' in mark ? mark.margin : '',
    'points' in mark && mark.points ? printPoints(mark.points.centipoints) : '',
  ])
  const points = verdict.points ? printPoints(verdict.points.centipoints) : ''
  const reasons = verdict.trace.map(({ title, sentence }) => `${title}. ${sentence}`).join(' ')
  const settled = verdict.settled ? 'yes' : 'no'
  const row = [number, testDate, verdict.outcome, settled, points, verdict.points?.className ?? '', ...marks, reasons]
  return Papa.unparse([row])
}
