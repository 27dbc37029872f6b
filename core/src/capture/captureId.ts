import { v7 } from 'uuid'

/**
 * Makes the id of a capture: UUIDv7, so that ids sort by the moment they were made.
 * @param atMs agreed time
 * @param random 16 random bytes from the caller, because core has no randomness of its own
 * @param turn a count that grows with each capture of a device, so that two within one millisecond keep their order
 */
export const captureId = (atMs: number, random: Uint8Array, turn?: number): string =>
  v7({ msecs: atMs, random, ...(turn === undefined ? {} : { seq: turn }) })
