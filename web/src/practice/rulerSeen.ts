/** Which part of a ruler is seen of a reach. */
import { readingOf, type Reach, type RulerRead } from '@able-gauge/core/drill'

const CM = 10
const SEEN_MM = 220

/** Somewhere about the fingers, so that the middle of it tells nothing. */
export const rulerSeen = ({ zeroMm, stepMm }: RulerRead, reach: Reach) => {
  const behindMm = 50 + ((reach.no * 37) % 60)
  const fromMm = Math.floor((readingOf(reach) - behindMm) / CM) * CM
  const furthestMm = Math.max(...reach.staysMm) + reach.dartsMm
  return { fromMm, toMm: Math.max(fromMm + SEEN_MM, furthestMm + 2 * CM), zeroMm, stepMm }
}
