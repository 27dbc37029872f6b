/** The figures behind a mark, as its trace tells them. */
import type { Reading } from '../kinds/measure.ts'
import type { Mark } from './mark.ts'

/** @returns null where nothing was read: an event that was not done, or was decided by a word */
export const readingOf = ({ trace }: Pick<Mark, 'trace'>): Reading | null => {
  for (const step of trace) {
    if (step.code === 'crossings' || step.code === 'repetitions') return step.reading
    if (step.code === 'readings') {
      const steps = trace.flatMap((one) => (one.code === 'readingStep' ? [one.step] : []))
      return { kind: 'readings', taken: step.taken, steps }
    }
  }
  return null
}
