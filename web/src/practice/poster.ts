/** One still figure of a movement, where it tells most. */
import { reachingAt, standing, type Movement, type Reach, type Shape } from '@able-gauge/core/drill'

/** How far into its movement each is shown. */
const SHARE: Readonly<Partial<Record<Movement, number>>> = { curlUp: 0.85, squat: 0.9, pullUp: 0.75, pressUp: 0.35 }

const REACH: Reach = { no: 1, staysMm: [80, 80], dartsMm: 0, staysMs: 2_000, build: 'female' }
const AT_ITS_END_MS = 3_000

export const posterOf = (what: Movement | 'reach'): readonly Shape[] =>
  what === 'reach' ? reachingAt(REACH, AT_ITS_END_MS, 0) : standing(what, SHARE[what] ?? 1)
