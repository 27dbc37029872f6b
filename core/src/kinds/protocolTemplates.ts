import { recordOf, type EventKind } from './kinds.ts'

/** A plain protocol of a kind to begin a new event with, new each time; every figure is there to be changed. */
export const protocolTemplate = (kind: EventKind): object => structuredClone({ kind, ...recordOf(kind).template })
