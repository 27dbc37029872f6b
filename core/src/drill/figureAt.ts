/** What is to be seen of somebody in a drill at a moment, and what shows where it is wrong. */
import { BUILDS, shapesOf, type Point, type Shape, type Skeleton, type View } from './body.ts'
import type { Drill, DrillItem } from './makeDrill.ts'
import { motionAt } from './motionAt.ts'
import { FIST_CM, poseOf, reachPose } from './poses.ts'
import { reachAt, type Reach } from './reaching.ts'

/** A line that shows where something should have been. */
export interface Guide {
  readonly from: Point
  readonly to: Point
}

/** @param zoneCm within which a line counts as reached; for shuttles */
export const figureAt = (drill: Drill, lane: number, ms: number, view: View, zoneCm = 0): readonly Shape[] => {
  const found = drill.lanes[lane]
  if (!found) return []
  const build = BUILDS[found.build]
  return shapesOf(poseOf(drill.spec.movement, build, motionAt(found, drill.spec, ms, zoneCm)), build, view)
}

/** The moment a repetition is worst, from the start of the set. */
export const worstAtMs = ({ fromMs, toMs, fault }: DrillItem): number => {
  if (fault?.form === 'lockOut') return toMs - 1
  const share = fault?.form === 'depth' ? 0.5 : fault?.form === 'bodyLine' || fault?.form === 'hips' ? 0.71 : 0.58
  return Math.round(fromMs + (toMs - fromMs) * share)
}

/** Where it should have been, seen from the side; null where nothing can be drawn. */
export const guideOf = (drill: Drill, lane: number, { fault }: DrillItem, ms: number): Guide | null => {
  const found = drill.lanes[lane]
  if (!found || !fault) return null
  const skeleton = poseOf(drill.spec.movement, BUILDS[found.build], motionAt(found, drill.spec, ms))
  const line = GUIDES[fault.form]
  return line ? line(skeleton, drill.spec.movement) : null
}

const GUIDES: Readonly<
  Partial<Record<string, (skeleton: Skeleton, movement: Drill['spec']['movement']) => Guide | null>>
> = {
  bodyLine: ({ neck, ankles }) => ({ from: neck, to: ankles[0] }),
  hips: ({ neck, ankles }) => ({ from: neck, to: ankles[0] }),
  lockOut: ({ shoulders, hands }) => ({ from: shoulders[0], to: hands[0] }),
  depth: ({ neck, spine, head, hands, seat, knees }, movement) => {
    if (movement === 'pressUp') {
      const x = neck.x + (spine.x - neck.x) * 0.5
      return { from: { x, y: FIST_CM }, to: { x, y: neck.y - 12 } }
    }
    if (movement === 'pullUp') return { from: { x: head.x, y: hands[0].y }, to: { x: head.x, y: head.y - 10 } }
    if (movement === 'squat') return { from: { x: seat.x, y: knees[0].y }, to: { x: seat.x, y: seat.y } }
    return null
  },
}

/** Somebody who reaches, seen from the side. @param ms since the reach began @param zeroMm what the ruler says at the feet */
export const reachingAt = (reach: Reach, ms: number, zeroMm: number): readonly Shape[] => {
  const { share, tipsMm } = reachAt(reach, ms)
  const beyond = (at: 0 | 1): number => ((tipsMm?.[at] ?? reach.staysMm[at]) - zeroMm) / 10
  const build = BUILDS[reach.build]
  return shapesOf(reachPose(build, share, [beyond(0), beyond(1)]), build, 'side')
}

/** Somebody at a share of a sound movement, seen from the side. */
export const standing = (movement: Drill['spec']['movement'], share: number): readonly Shape[] => {
  const build = BUILDS.female
  const motion = { share, wrong: {}, slackCm: 2, tremor: 0, ms: 90, alongCm: -200, facing: 1 }
  return shapesOf(poseOf(movement, build, motion), build, 'side')
}
