/** Checks a standard for what its form alone cannot show: holes between bands, cuts no one can mean, totals out of reach. */
import { checkAlternates } from './checkAlternates.ts'
import { checkBands } from './checkBands.ts'
import { checkClasses } from './checkClasses.ts'
import { checkCombination } from './checkCombination.ts'
import { checkCuts } from './checkCuts.ts'
import { checkDates } from './checkDates.ts'
import { checkOrder } from './checkOrder.ts'
import { checkPoints } from './checkPoints.ts'
import { checkRest } from './checkRest.ts'
import { checkRounding } from './checkRounding.ts'
import { checkSchedule } from './checkSchedule.ts'
import { kindOf } from '../kinds/kinds.ts'
import { placedEvents, placedScorings, type PlacedEvent } from './placed.ts'
import type { Remark } from '../document/remark.ts'
import type { Standard } from './standard.ts'

/**
 * Checks one standard.
 * @param others other versions of it, to find dates that overlap
 * @returns remarks, in the order of the document within each subject; errors stop publishing, warnings do not
 */
export const checkStandard = (standard: Standard, others: readonly Standard[] = []): Remark[] => [
  ...checkDates(standard, others),
  ...checkRest(standard),
  ...checkOrder(standard),
  ...placedEvents(standard).flatMap((placed) => [...checkRounding(placed), ...remarksOfKind(placed)]),
  ...placedScorings(standard).flatMap((placed) => [
    ...checkCuts(placed),
    ...checkBands(standard, placed),
    ...checkPoints(standard, placed),
    ...checkClasses(placed),
    ...checkSchedule(placed),
  ]),
  ...checkAlternates(standard),
  ...checkCombination(standard),
]

/** Whether a standard may be published. */
export const isPublishable = (remarks: readonly Remark[]): boolean =>
  !remarks.some(({ severity }) => severity === 'error')

/** What the event's own kind finds odd in its protocol. */
const remarksOfKind = ({ event: { protocol }, place }: PlacedEvent): Remark[] =>
  kindOf(protocol).remarks?.(protocol, `${place}.protocol`) ?? []
