import type { Capture } from './capture.ts'

/** Who was found clear before an event: everything that has to be was ticked. @param standing captures of the event that stand */
export const clearedIn = (standing: readonly Capture[]): ReadonlySet<string> =>
  new Set(standing.flatMap((capture) => (capture.kind === 'cleared' ? capture.payload.entryIds : [])))
