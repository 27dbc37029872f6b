/** An event whose figures are published in feet, yards, miles or pounds is rounded and scored in that unit. */
import { factsOf } from '../kinds/facts.ts'
import { nearestWhole, roundExact, type Exact } from '../quantity/fraction.ts'
import { ownUnit, type OwnUnit, type PublishedUnit } from '../quantity/imperial.ts'
import { roundTo } from '../quantity/rounding.ts'
import { suits } from '../quantity/unit.ts'
import type { StandardEvent } from '../standard/standard.ts'

const units = new Map<PublishedUnit, OwnUnit>()

/** The unit an event's measure is published in, or null where it is metric or no such measure. */
export const ownUnitOf = ({
  protocol,
  publishedIn,
}: Pick<StandardEvent, 'protocol' | 'publishedIn'>): OwnUnit | null => {
  if (publishedIn === undefined || !suits(factsOf(protocol).unit, publishedIn)) return null
  const known = units.get(publishedIn) ?? ownUnit(publishedIn)
  units.set(publishedIn, known)
  return known
}

/**
 * Rounds a value by the event's rule, in the unit it is published in: 75 lb cut down to whole pounds is 75 lb.
 * @returns in the base unit
 */
export const roundedFor = (
  event: Pick<StandardEvent, 'protocol' | 'publishedIn' | 'rounding'>,
  value: Exact,
): number => {
  const own = ownUnitOf(event)
  if (!own) return roundExact(value, event.rounding)
  const { mode, step } = event.rounding
  return own.baseOf(roundTo(own.partsOf(nearestWhole(value)), { mode, step: own.partsOf(step) }))
}
