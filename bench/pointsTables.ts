/**
 * Judging a million results with banded points tables, against the same look-ups in a spreadsheet engine and in a bare
 * loop over typed arrays.
 */
import { HyperFormula } from 'hyperformula'
import { bandColumn, compileScoring, scoreColumn, seededRandom, type PointsTable } from '@able-gauge/core'
import { KIND_CASES, plainEvent, plainStandard, soundStandard } from '@able-gauge/core/testing'
import { median } from './median.ts'

const RESULTS = 1_000_000
/** A sheet of a million formulas takes minutes; its time for a tenth is taken ten times. */
const SHEET_RESULTS = 100_000
const RUNS = 21
const AGES = [17, 25, 32, 39] as const
const CATEGORIES = ['female', 'male'] as const
const LEAST = 5
const LINES = 60

// eight bands of sixty rows, each one repetition apart
const bands = CATEGORIES.flatMap((category, at) =>
  AGES.map((ageFrom, band) => ({
    ageFrom,
    ...(band < AGES.length - 1 ? { ageTo: (AGES[band + 1] ?? 0) - 1 } : {}),
    category,
    rows: Array.from({ length: LINES }, (_, line) => ({
      value: LEAST + line,
      centipoints: 1_000 + line * 150 - band * 10 + at * 7,
    })),
  })),
)
const [reps] = KIND_CASES
if (!reps) throw new Error('The table of cases is empty.')
const scoring = { kind: 'pointsTable', unit: 'count', between: 'lowerRow', bands }
const [event] = soundStandard(plainStandard([plainEvent(reps, scoring)])).events
if (event?.scoring.kind !== 'pointsTable') throw new Error('The standard made for the bench has no points table.')

const random = seededRandom(3)
const ages = Uint8Array.from({ length: RESULTS }, () => random.whole(17, 57))
const categories = Uint8Array.from({ length: RESULTS }, () => random.whole(0, 1))
const values = Int32Array.from({ length: RESULTS }, () => random.whole(0, 80))

const timed = (work: () => void): number => {
  const began = performance.now()
  work()
  return performance.now() - began
}
const compiled = compileScoring(event)
const scores = new Float64Array(RESULTS)
const judge = (): void =>
  scoreColumn(compiled, event.rounding, bandColumn(compiled, ages, categories, CATEGORIES), values, null, scores)

/** What somebody would write by hand for this one table. */
const bareScores = new Int32Array(RESULTS)
const bandOfAge = CATEGORIES.map((_, at) =>
  Int8Array.from({ length: 128 }, (_, age) => at * AGES.length + AGES.filter((from) => age >= from).length - 1),
)
const dense = Int32Array.from(
  { length: bands.length * LINES },
  (_, at) => bands[Math.floor(at / LINES)]?.rows[at % LINES]?.centipoints ?? 0,
)
const bare = (): void => {
  for (let index = 0; index < RESULTS; index++) {
    const band = bandOfAge[categories[index] ?? 0]?.[ages[index] ?? 0] ?? 0
    const line = (values[index] ?? 0) - LEAST
    bareScores[index] = line < 0 ? 0 : (dense[band * LINES + Math.min(line, LINES - 1)] ?? 0)
  }
}

const sheetOf = (table: PointsTable): HyperFormula => {
  const head = table.bands.map(({ rows }) => rows.map(({ value }) => value))
  const lines = Array.from({ length: LINES }, (_, line) => [
    ...head.map((list) => list[line] ?? 0),
    ...table.bands.map(({ rows }) => rows[line]?.centipoints ?? 0),
  ])
  const column = (at: number): string => String.fromCharCode(65 + at)
  const bandOf = compiled.bandFor
  const formulas = Array.from({ length: SHEET_RESULTS }, (_, index) => {
    const band = bandOf({ ageYears: ages[index] ?? 0, category: CATEGORIES[categories[index] ?? 0] ?? 'female' })
    const [from, to] = [column(band), column(band + table.bands.length)]
    return [
      values[index] ?? 0,
      `=IF(A${index + 1}<table!${from}$1,0,INDEX(table!${to}$1:${to}$${LINES},MATCH(A${index + 1},table!${from}$1:${from}$${LINES},1)))`,
    ]
  })
  return HyperFormula.buildFromSheets(
    { table: lines, results: formulas },
    { licenseKey: 'gpl-v3', useColumnIndex: true, maxRows: 2 * SHEET_RESULTS },
  )
}

// in turn, so that both see the same moments of a busy machine
for (let warm = 0; warm < 3; warm++) [judge, bare].forEach((work) => work())
const pairs = Array.from({ length: RUNS }, () => [timed(judge), timed(bare)] as const)
const judgeMs = median(pairs.map(([ours]) => ours))
const ratio = median(pairs.map(([ours, bareMs]) => ours / bareMs))
for (let index = 0; index < RESULTS; index++) {
  if (scores[index] !== bareScores[index]) throw new Error(`Result ${index} is judged differently by the bare loop.`)
}

const buildBegan = performance.now()
const sheet = sheetOf(event.scoring)
const buildMs = performance.now() - buildBegan
const resultsSheet = sheet.getSheetId('results') ?? 1
for (let index = 0; index < SHEET_RESULTS; index += 997) {
  const cell = sheet.getCellValue({ sheet: resultsSheet, row: index, col: 1 })
  if (cell !== scores[index]) throw new Error(`Result ${index} is ${String(cell)} in the sheet, not ${scores[index]}.`)
}
// every result is entered anew, as after a test day: the engine looks each of them up again
const again = Array.from({ length: SHEET_RESULTS }, (_, index) => [(values[index] ?? 0) + 1])
const sheetMs = timed(() => sheet.setCellContents({ sheet: resultsSheet, row: 0, col: 0 }, again))
const scale = RESULTS / SHEET_RESULTS

console.log(
  `${RESULTS.toLocaleString('en')} results, ${bands.length} bands of ${LINES} rows; the spreadsheet did ${SHEET_RESULTS.toLocaleString('en')}`,
)
console.log(`spreadsheet engine, looking up again / ours    ${((sheetMs * scale) / judgeMs).toFixed(0)} times`)
console.log(`spreadsheet engine, from the file / ours       ${((buildMs * scale) / judgeMs).toFixed(0)} times`)
console.log(`ours / bare typed-array loop                   ${ratio.toFixed(2)} times`)
