/** One still figure of a movement, where it tells most. */
import { standing, type Movement, type Shape } from '@able-gauge/core/drill'

/** How far into its movement each is shown. */
const SHARE: Readonly<Partial<Record<Movement, number>>> = { curlUp: 0.85, squat: 0.9, pullUp: 0.75, pressUp: 0.35 }

export const posterOf = (movement: Movement): readonly Shape[] => standing(movement, SHARE[movement] ?? 1)
