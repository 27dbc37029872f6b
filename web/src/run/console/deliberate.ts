/** Two presses nearer than this are one: only a later one answers a question. */
export const DELIBERATE_MS = 600
