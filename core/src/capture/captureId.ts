import { v7 } from 'uuid'

/**
 * Makes the id of a capture: UUIDv7, so that ids sort by the moment they were made.
 * @param atMs agreed time
 * @param random 16 random bytes from the caller, because core has no randomness of its own
 */
export const captureId = (atMs: number, random: Uint8Array): string => v7({ msecs: atMs, random })
