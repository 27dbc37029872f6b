/** The start that somebody's time counts from, where people start together. */
import type { Capture } from '../capture/capture.ts'

export type WaveStart = Extract<Capture, { kind: 'waveStarted' }>

/** The starts of waves that stand, in order. */
export const waveStarts = (captures: readonly Capture[]): WaveStart[] =>
  captures.filter((capture): capture is WaveStart => capture.kind === 'waveStarted')

/**
 * The start a runner's time counts from: the earliest that names them, since two timers may both have given it.
 * Somebody it does not name, checked in late perhaps, but who is stamped in their wave, did start with it.
 */
export const startOf = (
  entry: { readonly entryId: string; readonly wave: number },
  starts: readonly WaveStart[],
  own: readonly Capture[],
): WaveStart | undefined =>
  starts.find(({ payload }) => payload.entryIds.includes(entry.entryId)) ??
  (own.length > 0 ? starts.find(({ payload }) => payload.wave === entry.wave) : undefined)
