/** A verdict with the words of each step beside it: for files that people read, and as verdicts were stored first. */
import type { Mark, Verdict } from '../judge/mark.ts'
import type { Step, Trace } from '../judge/trace.ts'
import { sayStep } from './sayStep.ts'
import type { Words } from './words.ts'

export interface SaidStep extends Words {
  readonly step: Step
}

type InWords<Traced> = Omit<Traced, 'trace'> & { readonly trace: readonly SaidStep[] }

const traceInWords = (trace: Trace): SaidStep[] => trace.map((step) => ({ step, ...sayStep(step) }))

export const verdictInWords = (
  verdict: Verdict,
): InWords<Omit<Verdict, 'marks'>> & { readonly marks: readonly InWords<Mark>[] } => ({
  ...verdict,
  trace: traceInWords(verdict.trace),
  marks: verdict.marks.map((mark) => ({ ...mark, trace: traceInWords(mark.trace) })),
})
