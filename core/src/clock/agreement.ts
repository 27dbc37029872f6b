/**
 * Agreed time: how far a device's monotonic clock is from the server's timeline.
 * One round trip tells it to within half its length (Cristian 1989), whatever the delays in each direction were.
 */
export interface RoundTrip {
  /** Device clock when the question left, ms. */
  readonly sentMs: number
  /** Server time in the answer, ms since 1970. */
  readonly serverMs: number
  /** Device clock when the answer came, ms. */
  readonly receivedMs: number
}

export interface Agreement {
  /** Added to the device clock this gives agreed time. */
  readonly offsetMs: number
  /** How far that may be off, either way. */
  readonly uncertaintyMs: number
}

/** Quartz clocks stray from each other by less than this share: 50 millionths, 3 ms a minute. */
const DRIFT = 50e-6

/**
 * Keeps the round trip that says most now: the shortest, with what the clocks may have drifted since.
 * Each trip gives an interval the true offset lies in. An older trip whose interval does not meet the newest one's was
 * made before the device's clock stood still, as it does while some devices sleep, and is left out.
 * @param nowMs device clock now
 * @returns the agreement, or null without any round trip
 */
export const agree = (roundTrips: readonly RoundTrip[], nowMs: number): Agreement | null => {
  const newest = roundTrips.at(-1)
  if (!newest) return null
  const latest = agreementOf(newest, nowMs)
  let best = latest
  for (const roundTrip of roundTrips) {
    const agreement = agreementOf(roundTrip, nowMs)
    if (meets(agreement, latest) && agreement.uncertaintyMs < best.uncertaintyMs) best = agreement
  }
  return best
}

/** A server answers in whole milliseconds, which hides up to one more. */
const agreementOf = ({ sentMs, serverMs, receivedMs }: RoundTrip, nowMs: number): Agreement => ({
  offsetMs: serverMs - (sentMs + receivedMs) / 2,
  uncertaintyMs: (receivedMs - sentMs) / 2 + (nowMs - receivedMs) * DRIFT + 1,
})

const meets = (a: Agreement, b: Agreement): boolean =>
  Math.abs(a.offsetMs - b.offsetMs) <= a.uncertaintyMs + b.uncertaintyMs
