/** From when on, and how much faster than agreed time, the time of a day runs: a rehearsal's does. */
export interface Pace {
  readonly fromMs: number
  readonly speed: number
}

export const REAL_TIME: Pace = { fromMs: 0, speed: 1 }

/**
 * The time of the day at a moment of agreed time, both ms since 1970.
 * @example paced({ fromMs: 1_000, speed: 10 }, 1_500) // 6000
 */
export const paced = ({ fromMs, speed }: Pace, agreedMs: number): number => fromMs + (agreedMs - fromMs) * speed
