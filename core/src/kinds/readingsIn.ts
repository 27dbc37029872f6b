import type { Capture } from '../capture/capture.ts'
import type { Readings } from './slot.ts'

/** The figures that were read and stand, by slot: the latest of each. @param captures settled captures, in order */
export const readingsIn = (captures: readonly Capture[]): Readings => {
  const readings: Record<string, number> = {}
  for (const capture of captures) if (capture.kind === 'read') readings[capture.payload.slot] = capture.payload.value
  return readings
}
