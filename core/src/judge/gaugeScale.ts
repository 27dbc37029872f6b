/** The stretch of values a gauge shows, chosen so that the cut stands well inside and round figures stand at the ends. */
import type { ValueScale } from '../kinds/kind.ts'
import type { Unit } from '../quantity/unit.ts'

/** All of it in the steps the strip is laid out by: the value itself, or shuttles by their schedule. */
export interface GaugeScale {
  readonly from: number
  readonly to: number
  /** Distance between two graduations. */
  readonly graduation: number
  /** How values become steps, where they are no plain numbers. */
  readonly steps: ValueScale | null
}

const STEPS: Readonly<Record<Unit, readonly number[]>> = {
  count: [1, 2, 5, 10, 20, 50, 100, 200, 500],
  ms: [
    100, 200, 500, 1_000, 2_000, 5_000, 10_000, 15_000, 30_000, 60_000, 120_000, 300_000, 600_000, 1_800_000, 3_600_000,
  ],
  mm: [1, 2, 5, 10, 20, 50, 100, 200, 500, 1_000, 2_000, 5_000, 10_000, 50_000, 100_000, 500_000, 1_000_000],
  bpm: [1, 2, 5, 10, 20],
  level: [1, 2, 5],
  levelShuttle: [100, 200, 500],
  permille: [5, 10, 20, 50],
  done: [1],
  g: [100, 200, 500, 1_000, 2_000, 5_000, 10_000, 20_000, 50_000, 100_000],
}

const HAND_MM = 200
const BEYOND_FULL = 0.05

/** Shares of the cut shown below and above it: a time far over a limit matters less than one far under it. */
const REACH = { atLeast: { below: 1, above: 1 }, atMost: { below: 0.33, above: 0.16 } } as const

/**
 * Chooses the scale of a gauge. It depends on the cut alone, so that one column of gauges can be compared;
 * markers beyond the ends are drawn at the end.
 * @param steps how the event's values are counted, where they are no plain numbers (`scale` of its kind)
 */
export const gaugeScale = (
  cut: {
    readonly value: number
    readonly unit: Unit
    readonly sense: 'atLeast' | 'atMost'
    readonly full?: number
    /** When everybody is stopped, where that stands on the scale as well. */
    readonly limit?: number
  },
  steps: ValueScale | null = null,
): GaugeScale => {
  const { below, above } = REACH[cut.sense]
  const stepOf = (value: number): number => steps?.to(value) ?? value
  const at = stepOf(cut.value)
  // a cut at or below zero, read from a foot line, has no share of itself; a hand's length either way stands in
  const size = at > 0 ? at : HAND_MM
  // where points are earned beyond the cut, full points stand on the scale as well
  const full = cut.full === undefined ? at : stepOf(cut.full)
  const from = Math.min(at - size * below, cut.sense === 'atMost' ? full - size * BEYOND_FULL : at)
  const limit = cut.limit === undefined ? at : stepOf(cut.limit) + size * BEYOND_FULL
  const to = Math.max(at + size * above, cut.sense === 'atLeast' ? full + size * BEYOND_FULL : at, limit)
  const sizes = steps ? STEPS.count : STEPS[cut.unit]
  const graduation = sizes.find((step) => (to - from) / step <= 24) ?? (to - from) / 20
  return {
    from: Math.floor(from / graduation) * graduation,
    to: Math.ceil(to / graduation) * graduation,
    graduation,
    steps,
  }
}

/** Where a value stands on a scale, from 0 to 1. */
export const positionOn = ({ from, to, steps }: GaugeScale, value: number): number =>
  to === from ? 0 : Math.min(1, Math.max(0, ((steps?.to(value) ?? value) - from) / (to - from)))

/** The values at both ends of a scale. */
export const endsOf = ({ from, to, steps }: GaugeScale): readonly [number, number] =>
  [from, to].map((step) => Math.round(steps?.from(step) ?? step)) as [number, number]
