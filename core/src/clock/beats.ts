/** Beats of a metronome, placed by their number and never by adding up, so that they do not drift. */
export interface BeatStretch {
  readonly beatsPerMinute: number
  /** How long it lasts; the last stretch may be endless. */
  readonly durationMs: number
}

export interface Beat {
  /** From the start of the plan, exact. */
  readonly atMs: number
  /** Counts from 0 over all stretches. */
  readonly index: number
  readonly stretch: number
}

/**
 * Beats from one moment up to, not including, another, both from the start of the plan. The first beat of a stretch is
 * at its beginning.
 * @example beatsBetween([{ beatsPerMinute: 60, durationMs: Infinity }], 0, 2_500) // at 0, 1000 and 2000
 */
export const beatsBetween = (plan: readonly BeatStretch[], fromMs: number, toMs: number): Beat[] => {
  const beats: Beat[] = []
  let stretchStartMs = 0
  let indexBefore = 0
  for (const [stretch, { beatsPerMinute, durationMs }] of plan.entries()) {
    const beatMs = 60_000 / beatsPerMinute
    const count = Number.isFinite(durationMs) ? Math.ceil(durationMs / beatMs - 1e-9) : Infinity
    const first = Math.max(0, Math.ceil((fromMs - stretchStartMs) / beatMs - 1e-9))
    for (let beat = first; beat < count; beat++) {
      const atMs = stretchStartMs + (beat * 60_000) / beatsPerMinute
      if (atMs >= toMs) break
      beats.push({ atMs, index: indexBefore + beat, stretch })
    }
    stretchStartMs += durationMs
    indexBefore += count
    if (stretchStartMs >= toMs) break
  }
  return beats
}

/** A sound at a moment, from the start of what is played. */
export interface Signal {
  readonly atMs: number
  readonly tone: 'beat' | 'accent' | 'signal' | 'level'
}

/** Beats as signals, the first of each cycle accented. @see beatsBetween */
export const beatSignals = (plan: readonly BeatStretch[], perCycle: number, fromMs: number, toMs: number): Signal[] =>
  beatsBetween(plan, fromMs, toMs).map(({ atMs, index }) => ({
    atMs,
    tone: perCycle > 1 && index % perCycle === 0 ? 'accent' : 'beat',
  }))

/** So long a beat is let heard before an event. */
const HEARD_MS = 8_000

/** The first seconds of a beat, for people to get to know it. */
export const heardBeat = (beatsPerMinute: number, perCycle: number): Signal[] =>
  beatSignals([{ beatsPerMinute, durationMs: Infinity }], perCycle, 0, HEARD_MS)

/**
 * The sample of an audio clock nearest to a moment.
 * @example sampleOf(500, 48_000) // 24000
 */
export const sampleOf = (atMs: number, samplesPerSecond: number): number => Math.round((atMs * samplesPerSecond) / 1000)

/**
 * Beats a minute from cycles a minute: mixing the two up is a common fault, so screens show both.
 * @example cyclesPerMinute(96, 4) // 24
 */
export const cyclesPerMinute = (beatsPerMinute: number, beatsPerCycle: number): number => beatsPerMinute / beatsPerCycle
