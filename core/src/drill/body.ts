/** A person as joints in space, and as shapes to be drawn: lengths after the usual shares of body height. All in cm. */

export interface Point {
  readonly x: number
  readonly y: number
}

/** x along the ground to the right, y up, z towards whoever looks from the side. */
interface Joint extends Point {
  readonly z: number
}

/** The side nearer to whoever looks, and the other. */
export type Pair = readonly [near: Joint, far: Joint]

export interface Skeleton {
  readonly head: Joint
  /** From the middle of the head to the back of it, of length 1. */
  readonly behind: Point
  /** Where the neck meets the shoulders. */
  readonly neck: Joint
  readonly shoulders: Pair
  readonly elbows: Pair
  readonly hands: Pair
  /** Bends the trunk between neck and seat. */
  readonly spine: Joint
  readonly seat: Joint
  readonly hips: Pair
  readonly knees: Pair
  readonly ankles: Pair
  readonly toes: Pair
}

export interface Build {
  readonly upperArm: number
  readonly forearm: number
  readonly trunk: number
  readonly thigh: number
  readonly shank: number
  readonly foot: number
  readonly headRadius: number
  readonly neck: number
  readonly halfShoulders: number
  readonly halfHips: number
  /** Of the limbs. */
  readonly girth: number
  readonly hasKnot: boolean
}

/** Segments as shares of body height, rounded from the usual tables (Drillis and Contini 1966). */
const built = (heightCm: number, rest: Pick<Build, 'halfShoulders' | 'halfHips' | 'girth' | 'hasKnot'>): Build => ({
  upperArm: 0.186 * heightCm,
  forearm: 0.19 * heightCm,
  trunk: 0.288 * heightCm,
  thigh: 0.245 * heightCm,
  shank: 0.246 * heightCm,
  foot: 0.12 * heightCm,
  headRadius: 0.066 * heightCm,
  neck: 0.13 * heightCm,
  ...rest,
})
export const BUILDS: Readonly<Record<'female' | 'male', Build>> = {
  female: built(166, { halfShoulders: 16.5, halfHips: 10.5, girth: 0.88, hasKnot: true }),
  male: built(177, { halfShoulders: 19.5, halfHips: 9.5, girth: 1, hasKnot: false }),
}

/**
 * The joint between two segments that have to reach from one end to the other.
 * @param side 1 bends it to the left of the way, -1 to the right
 */
export const between = (from: Point, to: Point, first: number, second: number, side: 1 | -1): Point => {
  const apart = Math.min(Math.hypot(to.x - from.x, to.y - from.y), first + second - 0.01)
  const cosine = (first ** 2 + apart ** 2 - second ** 2) / (2 * first * Math.max(apart, 0.01))
  const angle = Math.atan2(to.y - from.y, to.x - from.x) + side * Math.acos(Math.max(-1, Math.min(1, cosine)))
  return { x: from.x + first * Math.cos(angle), y: from.y + first * Math.sin(angle) }
}

/** From a joint so far in a direction; the angle counts from upright, towards the right. */
export const away = (from: Point, length: number, degrees: number): Point => {
  const radians = (degrees * Math.PI) / 180
  return { x: from.x + length * Math.sin(radians), y: from.y + length * Math.cos(radians) }
}

/** The same point on both sides of the body. */
export const pairOf = (point: Point, half: number, far: Point = point): Pair => [
  { ...point, z: half },
  { ...far, z: -half },
]

export const VIEWS = ['side', 'front'] as const
export type View = (typeof VIEWS)[number]

type Tone = 'far' | 'body' | 'near'

/** A stroke with round ends: one point is a dot, three points bend. */
export interface Shape {
  readonly tone: Tone
  readonly width: number
  readonly points: readonly Point[]
}

/** How far away whoever looks from the front stands. */
const LOOKED_AT_FROM = 420

/** @param view from the side, or from where the head points to */
export const shapesOf = (skeleton: Skeleton, build: Build, view: View): Shape[] => {
  const nearestX = Math.min(skeleton.head.x, ...ENDS.flatMap((end) => skeleton[end].map(({ x }) => x)))
  const seen = ({ x, y, z }: Joint): Point => {
    if (view === 'side') return { x, y }
    const scale = LOOKED_AT_FROM / (LOOKED_AT_FROM + Math.max(0, x - nearestX))
    return { x: z * scale, y: y * scale + (1 - scale) * EYE_HEIGHT }
  }
  const { girth } = build
  const stroke = (tone: Tone, width: number, ...joints: readonly Joint[]): Shape & { readonly depth: number } => ({
    tone,
    width: width * girth,
    points: joints.map(seen),
    depth: joints.reduce((sum, { x }) => sum + x, 0) / joints.length,
  })
  const limbs = (side: 0 | 1, tone: Tone) => [
    stroke(tone, 17, skeleton.hips[side], skeleton.knees[side]),
    stroke(tone, 13, skeleton.knees[side], skeleton.ankles[side]),
    stroke(tone, 9, skeleton.ankles[side], skeleton.toes[side]),
  ]
  const arms = (side: 0 | 1, tone: Tone) => [
    stroke(tone, 11.5, skeleton.shoulders[side], skeleton.elbows[side]),
    stroke(tone, 9.5, skeleton.elbows[side], skeleton.hands[side]),
  ]
  const head = [
    stroke('body', 12, skeleton.neck, skeleton.head),
    stroke('body', (build.headRadius * 2) / girth, skeleton.head),
  ]
  const knot = build.hasKnot ? [stroke('body', 10, knotOf(skeleton, build))] : []
  if (view === 'side') {
    const trunk = stroke('body', 27, skeleton.neck, skeleton.spine, skeleton.seat)
    return [...limbs(1, 'far'), ...arms(1, 'far'), ...knot, ...head, ...limbs(0, 'body'), trunk, ...arms(0, 'near')]
  }
  const trunk = [
    stroke('body', build.halfHips * 2.4, skeleton.spine, skeleton.seat),
    stroke('body', build.halfShoulders * 1.7, skeleton.neck, skeleton.spine),
    stroke('body', 14, skeleton.shoulders[0], skeleton.shoulders[1]),
  ]
  // what is further away is drawn first
  return [
    ...[...limbs(0, 'body'), ...limbs(1, 'body'), ...trunk].sort((a, b) => b.depth - a.depth),
    ...knot,
    ...head,
    ...arms(0, 'near'),
    ...arms(1, 'near'),
  ]
}
const EYE_HEIGHT = 150
/** What can be nearest to whoever looks from the front, beside the head. */
const ENDS = ['hands', 'elbows', 'knees', 'toes'] as const

const knotOf = ({ head, behind }: Skeleton, { headRadius }: Build): Joint => ({
  x: head.x + behind.x * headRadius,
  y: head.y + behind.y * headRadius + 2,
  z: 0,
})
