/** The start that somebody's time counts from, where people start together. */
import type { Capture } from '../capture/capture.ts'

export type WaveStart = Extract<Capture, { kind: 'waveStarted' }>

/** The starts of waves that stand, in order. */
export const waveStarts = (captures: readonly Capture[]): WaveStart[] =>
  captures.filter((capture): capture is WaveStart => capture.kind === 'waveStarted')

type Starter = { readonly entryId: string; readonly wave: number }

/**
 * The start a runner's time counts from: the earliest that names them, since two timers may both have given it.
 * Somebody it does not name, checked in late perhaps, but who is stamped in their wave, did start with it.
 */
export const startOf = (entry: Starter, starts: readonly WaveStart[], own: readonly Capture[]): WaveStart | undefined =>
  startsIn(starts)(entry, own)

/** Lays out the starts of waves for asking, of one runner after another, which is theirs. @param starts in order */
export const startsIn = (
  starts: readonly WaveStart[],
): ((entry: Starter, own: readonly Capture[]) => WaveStart | undefined) => {
  const byEntry = new Map<string, WaveStart>()
  const byWave = new Map<number, WaveStart>()
  for (const start of starts) {
    for (const entryId of start.payload.entryIds) if (!byEntry.has(entryId)) byEntry.set(entryId, start)
    if (!byWave.has(start.payload.wave)) byWave.set(start.payload.wave, start)
  }
  return ({ entryId, wave }, own) => byEntry.get(entryId) ?? (own.length > 0 ? byWave.get(wave) : undefined)
}
