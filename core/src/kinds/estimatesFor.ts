/** The estimates a result gives, each with its source. */
import type { Estimate } from '../estimate/estimate.ts'
import type { EstimatedPerson } from './kind.ts'
import { kindOf, type Protocol } from './kinds.ts'
import type { Reading } from './measure.ts'

/**
 * Estimates from one complete measure.
 * @param value of the measure, in the unit of the event
 */
export const estimatesFor = (
  protocol: Protocol,
  value: number,
  reading: Reading,
  person: EstimatedPerson,
): readonly Estimate[] => kindOf(protocol).estimates?.(protocol, value, reading, person) ?? []
