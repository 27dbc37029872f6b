/** Cautions with a limit, in kinds where they are given rarely: one more than is allowed fails the event. */
import { ALLOWED, refused, type Attempted, type End, type Permission } from './referee.ts'

export interface Cautioned extends Attempted {
  readonly cautions: number
}

/** @param allowed how many somebody may have; left out where the protocol knows none */
export const permitCaution = (allowed: number | undefined, isRunning: boolean): Permission =>
  allowed === undefined ? refused('notOpen') : isRunning ? ALLOWED : refused('afterEnd')

export const withCaution = <S extends Cautioned>(state: S, allowed: number | undefined, atMs: number): S => {
  const cautions = state.cautions + 1
  const isTooMany = allowed !== undefined && cautions > allowed
  const end: End = { by: 'failed', atMs, note: `${cautions} cautions, ${allowed ?? 0} allowed.` }
  return { ...state, cautions, ...(isTooMany ? { end } : {}) }
}
