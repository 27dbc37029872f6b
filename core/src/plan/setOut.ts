/** How a course is laid out on the ground as it was measured, so that the distance is exact. */
import { kindOf, type Protocol } from '../kinds/kinds.ts'
import { printLength } from '../quantity/length.ts'
import { printQuantity } from '../quantity/unit.ts'
import type { MeasuredGround } from '../day/measuredGround.ts'

export interface SetOut {
  readonly ground: MeasuredGround
  /** What has to be covered; null where the time is fixed and the distance is measured, or where there is nothing to cover. */
  readonly distanceMm: number | null
  /** What one time round is called. */
  readonly called: 'lap' | 'length'
  /** Whole laps, ways out and back, or lengths between the lines. */
  readonly whole: number
  /** What is left of the distance after the whole laps. */
  readonly partMm: number
  /** How far before the finish line the start line lies, along the way that is run; null where start and finish are not on one line. */
  readonly startBeforeFinishMm: number | null
  /** How much too long (positive) or too short the course is as it stands; 0 where the start line takes up the difference. */
  readonly offMm: number
  /** How far the whole distance may be off by the tolerance of the measurement. */
  readonly uncertaintyMm: number | null
  /** Marks to be set on each lap. */
  readonly marksEveryMm: number | null
  /** What the protocol takes one lap to be, where the ground is another. */
  readonly publishedLapMm: number | null
}

/** @returns null where the protocol lays nothing out */
export const setOut = (protocol: Protocol, ground: MeasuredGround): SetOut | null => {
  const asked = kindOf(protocol).ground?.(protocol)
  if (!asked) return null
  const { called = 'lap', distanceMm, lengths, lengthMm, othersMm = [], marksEveryMm } = asked
  if (lengths !== null) {
    const askedMm = distanceMm ?? nearest([lengthMm, ...othersMm], ground.lengthMm)
    return { ...fixed(ground, askedMm, ground.shape === 'straight' ? 1 : lengths), distanceMm }
  }
  if (distanceMm !== null) return { ...laps(ground, distanceMm, lengthMm), called }
  return { ...open(ground, lengthMm), marksEveryMm: marksEveryMm ?? null }
}

/** Steps of several heights may stand side by side: a measured one is held against the one it is meant to be. */
const nearest = (askedMm: readonly number[], measuredMm: number): number =>
  askedMm.reduce((best, one) => (Math.abs(one - measuredMm) < Math.abs(best - measuredMm) ? one : best))

/** The lap of the ground, in mm; null where nobody runs round it. */
const lapOf = ({ shape, lengthMm }: MeasuredGround): number | null =>
  shape === 'loop' ? lengthMm : shape === 'outAndBack' ? 2 * lengthMm : null

/** @returns the lap people run on this ground, in mm, where it is not the one the protocol speaks of; it belongs to the start of a wave */
export const measuredLap = (protocol: Protocol, ground: MeasuredGround | undefined): number | undefined => {
  const lapMm = ground ? lapOf(ground) : null
  return 'lapLengthMm' in protocol && lapMm !== null && lapMm !== protocol.lapLengthMm ? lapMm : undefined
}

const laps = (ground: MeasuredGround, distanceMm: number, publishedMm: number): SetOut => {
  const lapMm = lapOf(ground)
  if (lapMm === null) {
    const lengths = ground.shape === 'shuttle' ? Math.max(1, Math.round(distanceMm / ground.lengthMm)) : 1
    return fixed(ground, distanceMm, lengths)
  }
  const whole = Math.floor(distanceMm / lapMm)
  const partMm = distanceMm - whole * lapMm
  return {
    ground,
    distanceMm,
    called: 'lap',
    whole,
    partMm,
    startBeforeFinishMm: partMm,
    offMm: 0,
    uncertaintyMm: spread(ground, distanceMm),
    marksEveryMm: null,
    publishedLapMm: lapMm === publishedMm ? null : publishedMm,
  }
}

/** A distance between fixed lines: it is right or it is not. */
const fixed = (ground: MeasuredGround, distanceMm: number, lengths: number): SetOut => ({
  ground,
  distanceMm,
  called: 'lap',
  whole: lengths,
  partMm: 0,
  startBeforeFinishMm: null,
  offMm: ground.lengthMm * lengths - distanceMm,
  uncertaintyMm: spread(ground, ground.lengthMm * lengths),
  marksEveryMm: null,
  publishedLapMm: null,
})

const open = (ground: MeasuredGround, publishedMm: number): SetOut => ({
  ground,
  distanceMm: null,
  called: 'lap',
  whole: 1,
  partMm: 0,
  startBeforeFinishMm: 0,
  offMm: 0,
  uncertaintyMm: ground.toleranceMm ?? null,
  marksEveryMm: null,
  publishedLapMm: (lapOf(ground) ?? ground.lengthMm) === publishedMm ? null : publishedMm,
})

/** A measurement that is off is off on every lap, in the same direction. */
const spread = ({ toleranceMm, lengthMm }: MeasuredGround, distanceMm: number): number | null =>
  toleranceMm === undefined ? null : Math.ceil((toleranceMm * distanceMm) / lengthMm)

/** How the way of an event is laid out, in one sentence or two: on the ground as it was measured, else as the standard has it. */
export const courseInWords = (protocol: Protocol, measured?: MeasuredGround): string => {
  const asked = kindOf(protocol).ground?.(protocol)
  const ground = measured ?? (asked && { shape: asked.shape, lengthMm: asked.lengthMm, surface: '' })
  const set = ground && setOut(protocol, ground)
  return set ? sayShape(set).join(' ') : ''
}

/** The set-out in words, for the plan and the station card. */
export const saySetOut = (set: SetOut): string[] => {
  const { ground, distanceMm, marksEveryMm, uncertaintyMm, publishedLapMm, offMm } = set
  return [
    ...sayShape(set),
    ...(marksEveryMm === null
      ? []
      : [`Marks every ${printLength(marksEveryMm)} along the lap, from the start line on.`]),
    ...(offMm === 0
      ? []
      : [
          `The ground is ${printLength(Math.abs(offMm))} too ${offMm > 0 ? 'long' : 'short'} for this. Measure again, or move a line.`,
        ]),
    ...(uncertaintyMm === null
      ? []
      : [
          `The measurement may be off by ${printLength(uncertaintyMm)} over ${distanceMm === null ? 'a length' : 'the whole'}.`,
        ]),
    ...(publishedLapMm === null
      ? []
      : [`The standard speaks of laps of ${printLength(publishedLapMm)}; the laps of this ground are counted.`]),
    ...(ground.surface === '' ? [] : [`Surface: ${ground.surface}.`]),
    ...(ground.slopePermille ? [`Slope ${printQuantity(ground.slopePermille, 'permille')}.`] : []),
  ]
}

const sayShape = ({ ground, called, distanceMm, whole, partMm, startBeforeFinishMm }: SetOut): string[] => {
  const length = printLength(ground.lengthMm)
  switch (ground.shape) {
    case 'loop': {
      if (distanceMm === null) return [`A lap of ${length}.`]
      const line = called === 'length' ? 'wall' : 'finish line'
      const start =
        startBeforeFinishMm === 0
          ? called === 'length'
            ? 'Every length ends at the wall.'
            : 'Start and finish are one line.'
          : `The start line lies ${printLength(startBeforeFinishMm ?? 0)} before the ${line}.`
      return [`${printLength(distanceMm)} are ${sayLaps(whole, partMm, called)} of ${length}. ${start}`]
    }
    case 'outAndBack': {
      if (distanceMm === null) return [`Out and back, ${length} to the turn.`]
      const start =
        partMm === 0
          ? 'Start and finish are one line.'
          : partMm <= ground.lengthMm
            ? `The start line lies ${printLength(partMm)} from the finish line; from there the way goes to the finish line first.`
            : `The start line lies ${printLength(2 * ground.lengthMm - partMm)} from the finish line; from there the way goes to the turn first.`
      return [
        `${printLength(distanceMm)} are ${sayLaps(whole, partMm, 'way out and back', 'ways out and back')}, ${length} to the turn. ${start}`,
      ]
    }
    case 'shuttle':
      return [`Two lines ${length} apart${whole > 1 ? `, ${whole} lengths` : ''}.`]
    case 'straight':
      return [`A straight of ${length}.`]
    case 'step':
      return [`A step ${length} high.`]
  }
}

const sayLaps = (whole: number, partMm: number, one: string, many = `${one}s`): string =>
  `${whole} ${whole === 1 ? one : many}${partMm === 0 ? '' : ` and ${printLength(partMm)}`}`
