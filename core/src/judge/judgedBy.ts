/** The event that holds for a measure: as a rule the event itself. */
import { kindOf, type Protocol } from '../kinds/kinds.ts'
import type { Measure } from '../kinds/measure.ts'
import type { StandardEvent } from '../standard/standard.ts'

const instead = new WeakMap<StandardEvent, StandardEvent>()

/** The event a measure is judged by: the event itself, or where its kind says so another in its place, for a time held in place of a pulse. */
export const judgedBy = (event: StandardEvent, measure: Measure): StandardEvent => {
  const { protocol } = event
  const other = measure.kind === 'complete' ? kindOf(protocol).judgedInstead?.(protocol, measure.unit) : null
  if (!other) return event
  const known = instead.get(event)
  if (known) return known
  const { id, name } = event
  const { rounding, atLeast } = other
  const made: StandardEvent = {
    id,
    name,
    // a kind gives a protocol of its own
    protocol: other.protocol as Protocol,
    rounding,
    scoring: { kind: 'singleCut', unit: 'ms', atLeast },
  }
  instead.set(event, made)
  return made
}
