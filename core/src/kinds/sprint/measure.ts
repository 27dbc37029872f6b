import { plus } from '../../quantity/fraction.ts'
import type { Worked } from '../kind.ts'
import { numbered, type Readings } from '../slot.ts'
import { selectOf, watched } from '../worked.ts'
import type { Sprint } from './protocol.ts'

/** Times of the tries, in ms -> the time that counts, with the correction for hand timing where one is published. */
export const measureSprint = (protocol: Sprint, readings: Readings): Worked => {
  const tries = numbered(protocol.attemptsAllowed).flatMap((attempt) =>
    readings[`try-${attempt}`] === undefined ? [] : [watched(`try-${attempt}`, readings, protocol.watchRule)],
  )
  const selected = selectOf(
    tries.map(({ value }) => value),
    protocol.select,
    'atMost',
  )
  const byHand = protocol.timing === 'hand' || (protocol.timing === 'either' && readings['electronic'] !== 1)
  const correctionMs = byHand ? (protocol.handCorrectionMs ?? 0) : 0
  return {
    value: plus(selected, correctionMs),
    steps: [
      ...tries.flatMap(({ steps }) => steps),
      ...(tries.length > 1 ? [{ code: 'selected' as const, select: protocol.select, of: tries.length }] : []),
      ...(correctionMs > 0 ? [{ code: 'handCorrection' as const, correctionMs }] : []),
    ],
  }
}
