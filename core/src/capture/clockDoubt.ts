import type { Capture } from './capture.ts'

type Timed = Pick<Capture, 'deviceId' | 'clockRun' | 'uncertaintyMs'>

/**
 * How far the clocks of two stamps may disagree about the time between them, in ms: not at all when one run of one device's
 * monotonic clock made both; after a reload, or between two devices, as much as both agreements together.
 */
export const clockDoubt = (first: Timed, last: Timed): number =>
  first.deviceId === last.deviceId && first.clockRun === last.clockRun ? 0 : first.uncertaintyMs + last.uncertaintyMs
