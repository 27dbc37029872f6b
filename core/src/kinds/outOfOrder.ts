import type { Note } from './measure.ts'

/** Parts of the work that came before their turn, each told once. */
export const outOfOrderNotes = (parts: readonly string[]): Note[] =>
  [...new Set(parts)].map((part) => ({ code: 'outOfOrder', part }))
