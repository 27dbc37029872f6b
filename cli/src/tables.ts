/** able-gauge repeat and agree: repeated trials, and what two graders decided, from tables of figures. */
import Papa from 'papaparse'
import { withPoints } from '@able-gauge/core'
import {
  evenTrials,
  kappa,
  limitsOfAgreement,
  repeatabilityOf,
  sameDecisions,
  type Confusion,
} from '@able-gauge/core/statistics'
import { readText } from './input.ts'
import { EXIT, type Output } from './output.ts'
import { percent } from './report.ts'

interface NumberTable {
  readonly heading: readonly string[]
  readonly names: readonly string[]
  readonly rows: readonly (readonly (number | null)[])[]
}

/** A table of numbers with a name in front of each row; what is none is told with line and column. */
const readTable = async (file: string, output: Output): Promise<NumberTable | null> => {
  const text = await readText(file, output)
  if (text === undefined) return null
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' })
  const [heading = [], ...lines] = data
  let isGood = true
  const rows = lines.map((cells, at) =>
    heading.slice(1).map((column, index) => {
      const typed = (cells[index + 1] ?? '').trim()
      if (typed === '') return null
      const clear = withPoints(typed)
      const value = Number(clear ?? Number.NaN)
      if (!Number.isFinite(value)) {
        const expected =
          clear === null
            ? 'one digit more or fewer behind the sign: it could be decimals or thousands'
            : 'a number or nothing'
        output.complain(`${file}: line ${at + 2}, ${column}: found ${typed}, expected ${expected}`)
        isGood = false
      }
      return value
    }),
  )
  if (heading.length < 3 || rows.length === 0) {
    output.complain(`${file}: expected a heading with a name and at least two columns, and a line for each row`)
    return null
  }
  return isGood ? { heading, names: lines.map(([name = '']) => name.trim()), rows } : null
}

/** One row a subject, one column a trial or judge. */
export const repeatFile = async (file: string, isJson: boolean, output: Output): Promise<number> => {
  const table = await readTable(file, output)
  if (!table) return EXIT.unusable
  const { trials, leftOut, isCut } = evenTrials(table.rows)
  const found = repeatabilityOf(trials)
  if (!found) {
    output.complain(`${file}: expected at least two subjects with two trials each, and figures that differ`)
    return EXIT.findings
  }
  const agreement = found.trials === 2 ? limitsOfAgreement(trials.map(([a = 0, b = 0]) => [a, b] as const)) : null
  if (isJson) {
    output.out(JSON.stringify({ ...found, leftOut, firstTwoOnly: isCut, agreement }))
    return EXIT.fine
  }
  const four = (value: number): string => value.toFixed(4)
  output.out(
    [
      `${found.subjects} subjects, ${found.trials} trials each.`,
      ...(leftOut > 0 ? [`${leftOut} with a single trial left out.`] : []),
      ...(isCut ? ['Not everybody has every trial: the first two of each were used.'] : []),
      `ICC(2,1) ${four(found.icc21)}, 95 % from ${found.limits.low.toFixed(2)} to ${found.limits.high.toFixed(2)} (two-way random, absolute agreement; Shrout and Fleiss 1979, limits after McGraw and Wong 1996).`,
      `ICC(1,1) ${four(found.icc11)}, ICC(3,1) ${four(found.icc31)}, ICC(2,${found.trials}) ${four(found.icc2k)}.`,
      `Standard error of measurement ${four(found.standardError)}, smallest real change ${four(found.smallestRealChange)} (Weir 2005). A constant shift between trials counts in ICC(2,1), and not in these two.`,
      ...(agreement
        ? [
            `First less second: mean ${agreement.meanDifference.toFixed(3)}, deviation ${agreement.deviation.toFixed(3)}; limits of agreement ${agreement.limits.low.toFixed(2)} to ${agreement.limits.high.toFixed(2)} (Bland and Altman 1986, ±1.96).`,
          ]
        : []),
    ].join('\n'),
  )
  return EXIT.fine
}

/** A square table: a row for each answer of the first grader, a column for each of the second, in the same order. */
export const agreeFile = async (file: string, isJson: boolean, output: Output): Promise<number> => {
  const table = await readTable(file, output)
  if (!table) return EXIT.unusable
  const answers = table.heading.slice(1).map((name) => name.trim())
  if (answers.join('\n') !== table.names.join('\n')) {
    output.complain(
      `${file}: expected the same answers down as across, found ${table.names.join(', ')} down and ${answers.join(', ')} across`,
    )
    return EXIT.unusable
  }
  const counts: Confusion = table.rows.map((row) => row.map((value) => value ?? 0))
  const wrong = counts.findIndex((row) => row.some((count) => !Number.isInteger(count) || count < 0))
  if (wrong >= 0) {
    output.complain(`${file}: line ${wrong + 2}: expected whole numbers of decisions, from 0`)
    return EXIT.unusable
  }
  const found = {
    decisions: counts.flat().reduce((sum, one) => sum + one, 0),
    same: sameDecisions(counts),
    kappa: kappa(counts, 'plain'),
    linear: kappa(counts, 'linear'),
    squared: kappa(counts, 'squared'),
  }
  if (found.kappa === null || found.same === null) {
    output.complain(`${file}: chance alone agrees in everything here, so that kappa says nothing`)
    return EXIT.findings
  }
  if (isJson) output.out(JSON.stringify(found))
  else
    output.out(
      [
        `${found.decisions} decisions, ${percent(found.same)} the same.`,
        `Kappa ${found.kappa.toFixed(4)} (Cohen 1960); with linear weights ${(found.linear ?? 0).toFixed(4)}, with squared weights ${(found.squared ?? 0).toFixed(4)} (Cohen 1968).`,
        'Weights take the answers in the order they are listed.',
      ].join('\n'),
    )
  return EXIT.fine
}
