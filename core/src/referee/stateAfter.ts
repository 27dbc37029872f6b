import type { Capture } from '../capture/capture.ts'
import { byTimeThenId } from '../capture/settleCaptures.ts'
import { beginAttempt, type Attempt, type Refereed, type Standing } from './attempt.ts'
import type { Attempted, Person } from './referee.ts'

/** For rules that do not look at the person. */
const ANYBODY: Person = { entryId: '', wave: 0, category: '' }

/**
 * One candidate's attempt after all their captures.
 * @param captures settled captures of the candidate, in order
 * @param start of the candidate's wave, which is nobody's own capture
 */
export const attemptOf = <P, S extends Attempted>(
  kind: Refereed<P, S>,
  protocol: P,
  captures: readonly Capture[],
  start?: Capture,
  person: Person = ANYBODY,
): Attempt<S> => {
  let attempt = beginAttempt(kind, protocol, person)
  for (const capture of withStart(captures, start)) attempt = attempt.step(capture)
  return attempt
}

const withStart = (captures: readonly Capture[], start: Capture | undefined): readonly Capture[] => {
  if (!start) return captures
  const at = captures.findIndex((capture) => byTimeThenId(start, capture) < 0)
  return at < 0 ? [...captures, start] : [...captures.slice(0, at), start, ...captures.slice(at)]
}

/** Where it stands; as of the last capture, or of a later moment. */
export const standingOf = <P, S extends Attempted>(
  kind: Refereed<P, S>,
  protocol: P,
  captures: readonly Capture[],
  start?: Capture,
  asOfMs: number | null = null,
): Standing<S> => attemptOf(kind, protocol, captures, start).at(asOfMs)
