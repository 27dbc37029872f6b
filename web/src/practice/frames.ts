/** What of the ground is seen of each movement, in cm: from the left, from below, how wide, how high. */
import { BAR_CM, type Movement, type View } from '@able-gauge/core/drill'

export type Frame = readonly [left: number, bottom: number, width: number, height: number]

const SIDE: Readonly<Record<Movement | 'reach', Frame>> = {
  pressUp: [-50, -6, 220, 104],
  curlUp: [-95, -6, 180, 118],
  pullUp: [-85, -6, 170, 285],
  squat: [-105, -6, 190, 198],
  trunkHold: [-60, -6, 230, 92],
  hang: [-85, -6, 170, 285],
  reach: [-128, -6, 168, 88],
  shuttleTurn: [-560, -20, 640, 210],
}
const FRONT: Readonly<Partial<Record<Movement, Frame>>> = {
  pressUp: [-90, -6, 180, 118],
  curlUp: [-90, -6, 180, 140],
  pullUp: [-85, -6, 170, 285],
  squat: [-80, -6, 160, 198],
  trunkHold: [-90, -6, 180, 100],
  hang: [-85, -6, 170, 285],
}

export const frameOf = (what: Movement | 'reach', view: View): Frame =>
  (view === 'front' && what !== 'reach' ? FRONT[what] : undefined) ?? SIDE[what]

/** Movements that look like anything from the front. */
export const hasFront = (movement: Movement): boolean => FRONT[movement] !== undefined

export const barsOf = (what: Movement | 'reach'): readonly number[] =>
  what === 'pullUp' || what === 'hang' ? [BAR_CM] : []
