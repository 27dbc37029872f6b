/** The time between two stamps. */
import { clockDoubt } from './clockDoubt.ts'
import type { Capture } from './capture.ts'

export type Stamp = Pick<Capture, 'deviceId' | 'clockRun' | 'deviceMs' | 'atMs' | 'uncertaintyMs'>

export interface Elapsed {
  readonly ms: number
  readonly uncertaintyMs: number
}

/**
 * Within one run of a device's monotonic clock the time is that clock's, exactly; between two runs, or devices, it is agreed time with both
 * uncertainties. Stamps from before runs were told apart are taken by agreed time.
 */
export const elapsed = (from: Stamp, to: Stamp): Elapsed =>
  from.deviceId === to.deviceId && from.clockRun !== undefined && from.clockRun === to.clockRun
    ? { ms: to.deviceMs - from.deviceMs, uncertaintyMs: 0 }
    : { ms: to.atMs - from.atMs, uncertaintyMs: clockDoubt(from, to) }
