/** A part of a document that is still being written: nothing is certain of it. */
export type Plain = Record<string, unknown>
