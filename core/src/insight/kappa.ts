/** Agreement of two graders beyond chance, from the table of what each decided. */

/** A row for each answer of the first, a column for each of the second, in the same order. */
export type Confusion = readonly (readonly number[])[]

export type KappaWeights = 'plain' | 'linear' | 'squared'

/** How far two answers agree, from 0 to 1. */
const WEIGHTS: Readonly<Record<KappaWeights, (apart: number, most: number) => number>> = {
  plain: (apart) => (apart === 0 ? 1 : 0),
  linear: (apart, most) => 1 - apart / most,
  squared: (apart, most) => 1 - (apart / most) ** 2,
}

/**
 * Cohen's kappa (Cohen 1960), or weighted (Cohen 1968) where answers have an order and near ones agree in part.
 * @returns null for an empty table, or where chance alone agrees in everything
 * @example kappa([[20, 5], [10, 15]], 'plain') // 0.4
 */
export const kappa = (table: Confusion, weights: KappaWeights): number | null => {
  const all = table.flat().reduce((sum, one) => sum + one, 0)
  if (all === 0) return null
  const rows = table.map((row) => row.reduce((sum, one) => sum + one, 0))
  const columns = table.map((_, at) => table.reduce((sum, row) => sum + (row[at] ?? 0), 0))
  const most = Math.max(1, table.length - 1)
  let [seen, expected] = [0, 0]
  for (const [i, row] of table.entries()) {
    for (const [j, count] of row.entries()) {
      const weight = WEIGHTS[weights](Math.abs(i - j), most)
      seen += (weight * count) / all
      expected += (weight * (rows[i] ?? 0) * (columns[j] ?? 0)) / (all * all)
    }
  }
  return expected === 1 ? null : (seen - expected) / (1 - expected)
}

/** How often one grader said this of a repetition of which the other said that: `counted`, the id of a reason, or `notSeen`. */
export interface DecidedTwice {
  readonly own: string
  readonly other: string
  readonly times: number
}

export interface DecisionAgreement {
  /** Of the repetitions both saw, from 0 to 1. */
  readonly same: number
  /** Kappa of counted against refused; null where chance alone agrees in everything, as in the others. */
  readonly counted: number | null
  /** Kappa of each answer by itself, and with near answers agreeing in part. */
  readonly byReason: number | null
  readonly weighted: number | null
}

/**
 * @param reasons in the order of the protocol, which is the order of answers after `counted`
 * @returns null where both saw no repetition
 */
export const agreementOfDecisions = (
  decisions: readonly DecidedTwice[],
  reasons: readonly string[],
): DecisionAgreement | null => {
  const placeOf = (answer: string): number => (answer === 'counted' ? -1 : reasons.indexOf(answer))
  const both = decisions.filter(({ own, other }) => own !== 'notSeen' && other !== 'notSeen')
  const answers = [...new Set(both.flatMap(({ own, other }) => [own, other]))].sort((a, b) => placeOf(a) - placeOf(b))
  const timesOf = (isOwn: (answer: string) => boolean, isOther: (answer: string) => boolean): number =>
    both.reduce((sum, { own, other, times }) => (isOwn(own) && isOther(other) ? sum + times : sum), 0)
  const tableOf = (kinds: readonly ((answer: string) => boolean)[]): Confusion =>
    kinds.map((isOwn) => kinds.map((isOther) => timesOf(isOwn, isOther)))
  const table = tableOf(answers.map((kind) => (answer: string) => answer === kind))
  const same = sameDecisions(table)
  if (same === null) return null
  const twoWays = tableOf([(answer) => answer === 'counted', (answer) => answer !== 'counted'])
  return {
    same,
    counted: kappa(twoWays, 'plain'),
    byReason: kappa(table, 'plain'),
    weighted: kappa(table, 'linear'),
  }
}

/** How many of the decisions are the same, from 0 to 1; null for none. */
export const sameDecisions = (table: Confusion): number | null => {
  const all = table.flat().reduce((sum, one) => sum + one, 0)
  return all === 0 ? null : table.reduce((sum, row, at) => sum + (row[at] ?? 0), 0) / all
}
