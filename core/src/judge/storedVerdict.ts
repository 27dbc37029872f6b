/**
 * A verdict as it is kept and signed: commitments in place of what somebody wrote.
 */
import { joinTexts } from '../day/commitment.ts'
import type { Mark, Verdict } from './mark.ts'
import type { Step, Trace } from './trace.ts'

/** Plain JSON: the form of a verdict, with steps for its traces. */
export type StoredVerdict = Readonly<Record<string, unknown>>

/** Stands for a text while captures are judged that is to be a commitment in the verdict. */
const tokenFor = (commit: string): string => `commit ${commit}`
const TOKEN = /^commit ([0-9a-f]{64})$/

/** Stored captures as they are judged for a verdict that is to be stored: a token in place of each text. */
export const withTokens = <Stored>(stored: Stored): Stored => joinTexts(stored, tokenFor)

/** @param verdict judged from captures with tokens */
export const storeVerdict = (verdict: Verdict): StoredVerdict => {
  const stored = (trace: Trace): unknown[] => trace.map(committed)
  return {
    ...verdict,
    trace: stored(verdict.trace),
    marks: verdict.marks.map((mark) => ({ ...mark, trace: stored(mark.trace) })),
  }
}

const committed = (value: unknown): unknown => {
  if (typeof value === 'string') {
    const commit = TOKEN.exec(value)?.[1]
    return commit === undefined ? value : { commit }
  }
  if (Array.isArray(value)) return value.map(committed)
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(Object.entries(value).map(([name, inner]) => [name, committed(inner)]))
}

/** The verdict with its texts. Sentences that were stored with steps, in the first form, are left out. */
export const readStoredVerdict = (stored: StoredVerdict, textOf: (commit: string) => string | undefined): Verdict => {
  // what is stored was a verdict, but for its traces and texts
  const verdict = joinTexts(stored, textOf) as unknown as Verdict
  const marks = verdict.marks.map((mark): Mark => ({ ...mark, trace: unsaid(mark.trace) }))
  return { ...verdict, trace: unsaid(verdict.trace), marks }
}

/** A step as verdicts were stored first: with its sentence. */
interface SaidStep {
  readonly step: Step
  readonly sentence: string
}

const unsaid = (trace: readonly (Step | SaidStep)[]): Trace => trace.map((one) => ('sentence' in one ? one.step : one))
