/** A second grader beside the first. */
import { captureId, type Capture, type Random } from '@able-gauge/core'

/** The same attempt as another grader sees it: a little later or earlier, and now and then otherwise. */
export const countedBeside = (
  captures: readonly Capture[],
  deviceId: string,
  reasons: readonly string[],
  random: Random,
): Capture[] => {
  // nine of ten come out within one
  let differs = random.next() < 0.1 ? 3 : random.whole(0, 1)
  return captures.map((capture): Capture => {
    const atMs = capture.atMs + (capture.kind === 'stopped' ? 1 : random.whole(20, 240))
    const id = captureId(atMs, random.bytes(16))
    const own = { ...capture, id, atMs, deviceId, deviceMs: atMs % 86_400_000 }
    const isRefused = capture.kind === 'refused'
    if (differs > 0 && (isRefused || (capture.kind === 'counted' && random.next() < 0.2))) {
      differs -= 1
      if (isRefused) return { ...own, kind: 'counted', payload: {} }
      return { ...own, kind: 'refused', payload: { reason: reasons[random.whole(0, reasons.length - 1)] ?? '' } }
    }
    // what one calls depth another calls the arms
    if (isRefused && random.next() < 0.15)
      return { ...own, kind: 'refused', payload: { reason: reasons[random.whole(0, reasons.length - 1)] ?? '' } }
    return own
  })
}
