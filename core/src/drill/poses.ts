/** How a body stands at a share of its movement, with what is wrong in it. Everybody looks to the left, or lies with the head there. */
import { away, between, pairOf, type Build, type Pair, type Point, type Skeleton } from './body.ts'
import type { FaultForm } from './movement.ts'
import type { Movement } from './practised.ts'

/** Where in its movement a body is. */
export interface Motion {
  /** 0 where the repetition begins, 1 where it turns. */
  readonly share: number
  /** What is wrong now, in cm; never below nought. */
  readonly wrong: Readonly<Partial<Record<FaultForm, number>>>
  /** How much further than it has to the movement goes, in cm. */
  readonly slackCm: number
  /** Trembling, in cm. */
  readonly tremor: number
  /** For who runs: ms since the start, and how far from the line, in cm; below nought before it. */
  readonly ms: number
  readonly alongCm: number
  /** To the right, to the left, or in between while turning. */
  readonly facing: number
}

/** The height of the bar, in cm. */
export const BAR_CM = 232
/** The height of the fist the chest has to reach, in cm. */
export const FIST_CM = 10

const wrongBy = ({ wrong }: Motion, form: FaultForm): number => wrong[form] ?? 0

/** Legs in one plane, as far apart as the hips. */
const legs = (half: number, knee: Point, ankle: Point, toe: Point): Pick<Skeleton, 'knees' | 'ankles' | 'toes'> => ({
  knees: pairOf(knee, half),
  ankles: pairOf(ankle, half * 0.9),
  toes: pairOf(toe, half),
})

/** A point on the way from one to another, moved across it. @param across to the left of the way, in cm */
const beside = (from: Point, to: Point, share: number, across = 0): Point => {
  const length = Math.max(0.01, Math.hypot(to.x - from.x, to.y - from.y))
  const [ux, uy] = [(to.x - from.x) / length, (to.y - from.y) / length]
  return {
    x: from.x + (to.x - from.x) * share - uy * across,
    y: from.y + (to.y - from.y) * share + ux * across,
  }
}

/** On hands and toes. */
const pressUp = (build: Build, motion: Motion): Skeleton => {
  const arm = build.upperArm + build.forearm
  const ankle = { x: 136, y: 13 }
  const whole = build.trunk + build.thigh + build.shank
  const top = arm - 1.5 - wrongBy(motion, 'lockOut')
  const bottom = FIST_CM + 12.5 + wrongBy(motion, 'depth') - motion.slackCm
  const height = top + (bottom - top) * motion.share + motion.tremor
  const shoulder = { x: ankle.x - Math.sqrt(whole ** 2 - (height - ankle.y) ** 2), y: height }
  const hand = { x: ankle.x - Math.sqrt(whole ** 2 - (arm - ankle.y) ** 2) + 1, y: 3 }
  const sag = wrongBy(motion, 'bodyLine') - wrongBy(motion, 'hips')
  const seat = beside(shoulder, ankle, build.trunk / whole, -sag)
  const knee = beside(shoulder, ankle, (build.trunk + build.thigh) / whole, -sag * 0.5)
  const spine = beside(shoulder, seat, 0.5, -sag * 0.28)
  const elbow = between(shoulder, hand, build.upperArm, build.forearm, 1)
  const half = build.halfShoulders
  const flare = half + 3 + 13 * motion.share
  return {
    head: { ...beside(shoulder, seat, -build.neck / build.trunk, -1), z: 0 },
    behind: { x: 0, y: 1 },
    neck: { ...shoulder, z: 0 },
    shoulders: pairOf(shoulder, half),
    elbows: pairOf(elbow, flare),
    hands: pairOf(hand, half + 5),
    spine: { ...spine, z: 0 },
    seat: { ...seat, z: 0 },
    hips: pairOf(seat, build.halfHips * 0.8),
    ...legs(build.halfHips * 0.8, knee, ankle, { x: ankle.x + 11, y: 4 }),
  }
}

/** On the back, knees bent, hands at the temples. */
const curlUp = (build: Build, motion: Motion): Skeleton => {
  const seat = { x: 0, y: 13 + wrongBy(motion, 'hips') }
  const foot = wrongBy(motion, 'feet')
  const ankle = { x: 46 - foot * 0.4, y: 8 + foot }
  const knee = between(seat, ankle, build.thigh, build.shank, 1)
  const degrees = (cm: number): number => (cm / build.trunk) * (180 / Math.PI)
  const lowest = 3 + degrees(wrongBy(motion, 'lockOut'))
  const highest = 64 + degrees(motion.slackCm - wrongBy(motion, 'depth') * 1.6)
  const angle = lowest + (highest - lowest) * motion.share + motion.tremor
  const shoulder = away(seat, build.trunk, angle - 90)
  const spine = beside(seat, shoulder, 0.5, -5 * motion.share)
  const head = away(shoulder, build.neck, angle - 90 + 14 * motion.share + 4)
  const off = wrongBy(motion, 'hands')
  const hand = { x: head.x + 3 + off * 0.8, y: head.y + 8 + off * 0.2 }
  const elbow = between(shoulder, hand, build.upperArm, build.forearm, -1)
  const half = build.halfShoulders
  return {
    head: { ...head, z: 0 },
    behind: { x: -Math.sin((angle * Math.PI) / 180) * 0.8, y: -Math.cos((angle * Math.PI) / 180) },
    neck: { ...shoulder, z: 0 },
    shoulders: pairOf(shoulder, half),
    elbows: pairOf(elbow, half + 16),
    hands: pairOf(hand, 10 + off * 0.3),
    spine: { ...spine, z: 0 },
    seat: { ...seat, z: 0 },
    hips: pairOf(seat, build.halfHips),
    ...legs(build.halfHips, knee, ankle, { x: ankle.x + build.foot, y: 4 + foot }),
  }
}

/** Hanging from the bar; `share` 1 is the chin above it. */
const pullUp = (build: Build, motion: Motion): Skeleton => {
  const arm = build.upperArm + build.forearm
  const hand = { x: 0, y: BAR_CM }
  const lowest = BAR_CM - arm + 1 + wrongBy(motion, 'lockOut')
  const chin = build.neck - build.headRadius * 0.95
  const highest = BAR_CM + 1 - chin + motion.slackCm - wrongBy(motion, 'depth')
  const height = lowest + (highest - lowest) * motion.share + motion.tremor
  // at the top the body leans back, so that the face clears the bar
  const shoulder = { x: 3 + 13 * motion.share ** 2, y: height }
  const elbow = between(shoulder, hand, build.upperArm, build.forearm, 1)
  const kick = wrongBy(motion, 'swing')
  const lean = 180 - 2 - 5 * motion.share + kick * 0.35
  const seat = away(shoulder, build.trunk, lean)
  const knee = away(seat, build.thigh, 184 + kick * 1.5)
  const ankle = away(knee, build.shank, 164 + kick * 0.5)
  const half = build.halfShoulders
  return {
    head: { x: shoulder.x - 3, y: shoulder.y + build.neck, z: 0 },
    behind: { x: 1, y: 0.1 },
    neck: { ...shoulder, z: 0 },
    shoulders: pairOf(shoulder, half),
    elbows: pairOf(elbow, half + 5 + 9 * motion.share),
    hands: pairOf(hand, half + 5),
    spine: { ...beside(shoulder, seat, 0.5, -2), z: 0 },
    seat: { ...seat, z: 0 },
    hips: pairOf(seat, build.halfHips * 0.75),
    ...legs(build.halfHips * 0.75, knee, ankle, away(ankle, build.foot, 205)),
  }
}

/** Standing; `share` 1 is the thighs level. */
const squat = (build: Build, motion: Motion): Skeleton => {
  const heel = wrongBy(motion, 'feet')
  const ankle = { x: heel * 0.25, y: 8 + heel }
  const short = wrongBy(motion, 'depth') - motion.slackCm
  const most = 91 - (Math.asin(Math.max(-0.9, Math.min(0.9, short / build.thigh))) * 180) / Math.PI
  const least = 3 + wrongBy(motion, 'lockOut') * 2
  const thigh = least + (most - least) * motion.share + motion.tremor
  const knee = away(ankle, build.shank, -0.33 * thigh)
  const seat = away(knee, build.thigh, thigh)
  const lean = -(0.4 * thigh + wrongBy(motion, 'bodyLine') * 1.5)
  const shoulder = away(seat, build.trunk, lean)
  const hand = away(shoulder, build.upperArm + build.forearm - 3, -94 + 12 * (1 - motion.share))
  const half = build.halfShoulders
  return {
    head: { ...away(shoulder, build.neck, lean * 0.55), z: 0 },
    behind: { x: 1, y: 0.1 },
    neck: { ...shoulder, z: 0 },
    shoulders: pairOf(shoulder, half),
    elbows: pairOf(between(shoulder, hand, build.upperArm, build.forearm, 1), half),
    hands: pairOf(hand, half * 0.8),
    spine: { ...beside(shoulder, seat, 0.5, -1 - 3 * motion.share), z: 0 },
    seat: { ...seat, z: 0 },
    hips: pairOf(seat, build.halfHips),
    ...legs(build.halfHips * 1.3, knee, ankle, { x: ankle.x - build.foot, y: 4 }),
  }
}

/** On the elbows and toes. */
const trunkHold = (build: Build, motion: Motion): Skeleton => {
  const whole = build.trunk + build.thigh + build.shank
  const ankle = { x: 136, y: 13 }
  const height = build.upperArm + 4 + motion.tremor
  const shoulder = { x: ankle.x - Math.sqrt(whole ** 2 - (height - ankle.y) ** 2), y: height }
  const sag = wrongBy(motion, 'bodyLine') - wrongBy(motion, 'hips')
  const seat = beside(shoulder, ankle, build.trunk / whole, -sag)
  const knee = beside(shoulder, ankle, (build.trunk + build.thigh) / whole, -sag * 0.5)
  const elbow = { x: shoulder.x + 1, y: 4 }
  const half = build.halfShoulders
  return {
    head: { ...beside(shoulder, seat, -build.neck / build.trunk, -1), z: 0 },
    behind: { x: 0, y: 1 },
    neck: { ...shoulder, z: 0 },
    shoulders: pairOf(shoulder, half),
    elbows: pairOf(elbow, half),
    hands: pairOf({ x: elbow.x - build.forearm, y: 4 }, half * 0.6),
    spine: { ...beside(shoulder, seat, 0.5, -sag * 0.28), z: 0 },
    seat: { ...seat, z: 0 },
    hips: pairOf(seat, build.halfHips * 0.8),
    ...legs(build.halfHips * 0.8, knee, ankle, { x: ankle.x + 11, y: 4 }),
  }
}

/**
 * Seated with straight legs, the fingers on the way to where they end.
 * @param share 0 sitting upright, 1 at the end
 * @param beyondCm of the feet, for each hand
 */
export const reachPose = (build: Build, share: number, [near, far]: readonly [number, number]): Skeleton => {
  const seat = { x: 0, y: 13 }
  const feet = -(build.thigh + build.shank)
  const ankle = { x: feet, y: 10 }
  const knee = between(seat, ankle, build.thigh, build.shank, -1)
  const arm = (build.upperArm + build.forearm) * 0.98
  const wantedAt = (beyondCm: number): Point => ({ x: -52 + (feet - beyondCm + 52) * share, y: 22 + 10 * share })
  const wanted = wantedAt((near + far) / 2)
  // the back bends as far as straight arms ask for
  const shoulder = between(seat, wanted, build.trunk, arm, -1)
  const lean = (Math.atan2(shoulder.x - seat.x, shoulder.y - seat.y) * 180) / Math.PI
  const fingersOf = (beyondCm: number): Point => {
    const there = wantedAt(beyondCm)
    // nobody's arm is longer than it is
    const within = Math.min(1, arm / Math.hypot(there.x - shoulder.x, there.y - shoulder.y))
    return { x: shoulder.x + (there.x - shoulder.x) * within, y: shoulder.y + (there.y - shoulder.y) * within }
  }
  const [nearFingers, farFingers] = [fingersOf(near), fingersOf(far)]
  const half = build.halfShoulders
  const elbowOf = (fingers: Point): Point => between(shoulder, fingers, build.upperArm, build.forearm, 1)
  return {
    head: { ...away(shoulder, build.neck, lean * 0.8), z: 0 },
    behind: { x: 0.8, y: 0.6 },
    neck: { ...shoulder, z: 0 },
    shoulders: pairOf(shoulder, half),
    elbows: [
      { ...elbowOf(nearFingers), z: half },
      { ...elbowOf(farFingers), z: -half },
    ],
    hands: [
      { ...nearFingers, z: 4 },
      { ...farFingers, z: -4 },
    ],
    spine: { ...beside(shoulder, seat, 0.5, 3 + 4 * share), z: 0 },
    seat: { ...seat, z: 0 },
    hips: pairOf(seat, build.halfHips),
    ...legs(build.halfHips, knee, ankle, { x: ankle.x - 4, y: 10 + build.foot * 0.8 }),
  }
}

/** Steps of somebody who runs, in ms. */
const STRIDE_MS = 640

const running = (build: Build, motion: Motion): Skeleton => {
  const turned = 1 - Math.min(1, Math.abs(motion.alongCm) / 120)
  const gait = (motion.ms / STRIDE_MS) * 2 * Math.PI
  const seat = { x: 0, y: build.thigh + build.shank + 6 - 14 * turned + 2 * Math.abs(Math.sin(gait)) }
  const shoulder = away(seat, build.trunk, -9 - 22 * turned)
  const leg = (phase: number): readonly [Point, Point, Point] => {
    const swing = Math.sin(phase) * 34 * (1 - turned * 0.5)
    const knee = away(seat, build.thigh, 180 + swing + 12 + 18 * turned)
    const ankle = away(knee, build.shank, 172 + swing - 14 - 48 * Math.max(0, -Math.cos(phase)) - 20 * turned)
    return [knee, ankle, away(ankle, build.foot, 262 + swing * 0.4)]
  }
  const arm = (phase: number): readonly [Point, Point] => {
    const elbow = away(shoulder, build.upperArm, 180 + Math.sin(phase) * 38)
    return [elbow, away(elbow, build.forearm, 265 + Math.sin(phase) * 26)]
  }
  const [near, far] = [leg(gait), leg(gait + Math.PI)]
  const [nearArm, farArm] = [arm(gait + Math.PI), arm(gait)]
  const half = build.halfShoulders
  return {
    head: { ...away(shoulder, build.neck, -6 - 14 * turned), z: 0 },
    behind: { x: 1, y: 0.1 },
    neck: { ...shoulder, z: 0 },
    shoulders: pairOf(shoulder, half),
    elbows: pairOf(nearArm[0], half, farArm[0]),
    hands: pairOf(nearArm[1], half, farArm[1]),
    spine: { ...beside(shoulder, seat, 0.5, -1), z: 0 },
    seat: { ...seat, z: 0 },
    hips: pairOf(seat, build.halfHips),
    knees: pairOf(near[0], build.halfHips, far[0]),
    ankles: pairOf(near[1], build.halfHips, far[1]),
    toes: pairOf(near[2], build.halfHips, far[2]),
  }
}

/** Everything moved along, and turned round for who comes from the left. */
const placed = (skeleton: Skeleton, alongCm: number, facing: number): Skeleton => {
  const at = <P extends Point>(point: P): P => ({ ...point, x: alongCm - facing * point.x })
  const both = ([near, far]: Pair): Pair => [at(near), at(far)]
  return {
    head: at(skeleton.head),
    behind: { x: -facing * skeleton.behind.x, y: skeleton.behind.y },
    neck: at(skeleton.neck),
    shoulders: both(skeleton.shoulders),
    elbows: both(skeleton.elbows),
    hands: both(skeleton.hands),
    spine: at(skeleton.spine),
    seat: at(skeleton.seat),
    hips: both(skeleton.hips),
    knees: both(skeleton.knees),
    ankles: both(skeleton.ankles),
    toes: both(skeleton.toes),
  }
}

const POSES: Readonly<Record<Movement, (build: Build, motion: Motion) => Skeleton>> = {
  pressUp,
  curlUp,
  pullUp,
  squat,
  trunkHold,
  hang: pullUp,
  shuttleTurn: (build, motion) => placed(running(build, motion), motion.alongCm, motion.facing),
}

/** @returns where every joint is */
export const poseOf = (movement: Movement, build: Build, motion: Motion): Skeleton => POSES[movement](build, motion)
