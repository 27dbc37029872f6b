/** Where in its movement somebody of a drill is at a moment. */
import type { FaultForm } from './movement.ts'
import type { DrillItem, DrillLane, DrillSpec } from './makeDrill.ts'
import type { Motion } from './poses.ts'

const smooth = (share: number): number => {
  const within = Math.max(0, Math.min(1, share))
  return within * within * (3 - 2 * within)
}
/** Rises and falls within a part of a repetition. */
const swell = (phase: number, from: number, to: number): number =>
  phase <= from || phase >= to ? 0 : Math.sin(((phase - from) / (to - from)) * Math.PI) ** 2

/** When a fault shows within a repetition; those that shorten the way are there all along. */
const SHOWS: Readonly<Partial<Record<FaultForm, readonly [from: number, to: number]>>> = {
  bodyLine: [0.42, 1],
  hips: [0.42, 1],
  hands: [0.2, 0.95],
  feet: [0.2, 0.95],
  swing: [0.3, 0.98],
}

/** A position that is lost is on the ground, or hangs, within this time. */
const LOST_WITHIN_MS = 700
const SUNK_CM = 32
const [DOWN_UNTIL, UP_FROM] = [0.46, 0.52]

const RESTING: Motion = { share: 0, wrong: {}, slackCm: 0, tremor: 0, ms: 0, alongCm: 0, facing: 1 }

/**
 * @param item the repetition that is looked at, or that was done last
 * @param ms from the start
 */
const repeating = (lane: DrillLane, item: DrillItem, ms: number, tired: number): Motion => {
  const phase = (ms - item.fromMs) / (item.toMs - item.fromMs)
  const tremor = trembling(ms, tired)
  // how far the last one came back is where this one begins
  const before = lane.items[item.no - 2]
  const beganShort = before?.fault?.form === 'lockOut' ? before.fault.cm : 0
  const endsShort = item.fault?.form === 'lockOut' ? item.fault.cm : 0
  const isDown = phase < UP_FROM
  // the last part is the hardest for who is tired
  const up = Math.max(0, Math.min(1, (phase - UP_FROM) / (1 - UP_FROM)))
  const share = isDown ? smooth(phase / DOWN_UNTIL) : 1 - smooth(up ** (1 + tired * 0.6))
  const { fault } = item
  const shows = fault && SHOWS[fault.form]
  const wrong: Partial<Record<FaultForm, number>> = { lockOut: isDown ? beganShort : endsShort }
  if (fault && shows) wrong[fault.form] = fault.cm * swell(phase, shows[0], shows[1])
  else if (fault?.form === 'depth') wrong.depth = fault.cm
  return { ...RESTING, share, wrong, slackCm: fault?.form === 'depth' ? 0 : item.slackCm, tremor, ms }
}

const trembling = (ms: number, tired: number): number =>
  tired * 0.7 * (Math.sin(ms / 19) * 0.6 + Math.sin(ms / 31 + 1) * 0.4)

const wavering = (lane: DrillLane, ms: number, tired: number): Motion => {
  const item = lane.items.find(({ fromMs, toMs }) => ms >= fromMs && ms < toMs)
  const tremor = trembling(ms, 0.4 + tired)
  if (!item) return { ...RESTING, share: 1, slackCm: 3, tremor, ms }
  const at = swell((ms - item.fromMs) / (item.toMs - item.fromMs), 0, 1)
  // what is still held moves too, but less
  const { form, cm } = item.fault ?? {
    form: lane.items.find(({ fault }) => fault)?.fault?.form ?? 'bodyLine',
    cm: item.slackCm,
  }
  return { ...RESTING, share: 1, slackCm: 3, wrong: { [form]: cm * at }, tremor, ms }
}

/**
 * Away from the line until half-way, and back to it by the signal. The other line looks like this one, so that every turn is seen from the
 * same side.
 */
const turning = (lane: DrillLane, item: DrillItem, ms: number, zoneCm: number): Motion => {
  const before = lane.items[item.no - 2]
  const halfMs = (item.toMs - item.fromMs) / 2
  const away = ms < item.fromMs + halfMs
  const short = away ? (before ? shortOf(before, zoneCm) : 0) : shortOf(item, zoneCm)
  const fromLineMs = Math.max(0, away ? ms - item.fromMs : item.toMs - ms)
  const alongCm = -short - (HALF_WAY_CM - short) * Math.min(1, fromLineMs / halfMs)
  // round through the side that is seen, at the line and where the lines change over
  const facing = away
    ? -turnedRound(ms - item.fromMs) * (1 - turnedRound(ms - item.fromMs - halfMs + TURN_MS))
    : turnedRound(item.toMs - ms) * turnedRound(ms - item.fromMs - halfMs)
  return { ...RESTING, ms, alongCm, facing }
}
const HALF_WAY_CM = 1_000
const TURN_MS = 320
const turnedRound = (ms: number): number => smooth(ms / TURN_MS)
/** How far from the line somebody is at the signal. */
const shortOf = ({ fault, slackCm }: DrillItem, zoneCm: number): number =>
  fault ? zoneCm + fault.cm : Math.max(0, 1 - slackCm / 2) * zoneCm * 0.8

/** How tired somebody is by then, from 0 to 1. */
const tiredAt = ({ endsAtMs }: DrillLane, ms: number): number => Math.max(0, Math.min(1, ms / endsAtMs)) ** 2

/**
 * @param ms from the start; before it, and after the end, somebody rests
 * @param zoneCm within which a line counts as reached; for shuttles
 */
export const motionAt = (lane: DrillLane, { movement }: DrillSpec, ms: number, zoneCm = 0): Motion => {
  const tired = tiredAt(lane, ms)
  const item = lane.items.findLast(({ fromMs }) => ms >= fromMs)
  if (movement === 'trunkHold' || movement === 'hang') {
    const lost = smooth((ms - lane.endsAtMs) / LOST_WITHIN_MS)
    if (lost === 0) return wavering(lane, ms, tired)
    return { ...RESTING, share: 1 - lost, wrong: movement === 'hang' ? {} : { bodyLine: SUNK_CM * lost }, ms }
  }
  if (movement === 'shuttleTurn') {
    const first = item ?? lane.items[0]
    return first ? turning(lane, first, Math.max(0, ms), zoneCm) : RESTING
  }
  if (!item) return RESTING
  return repeating(lane, item, ms, tired)
}
