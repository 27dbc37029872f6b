/** What can be practised on, and how hard. */

/** Movements that can be drawn. */
export const MOVEMENTS = ['pressUp', 'curlUp', 'pullUp', 'squat', 'trunkHold', 'hang', 'shuttleTurn'] as const
export type Movement = (typeof MOVEMENTS)[number]

/** A movement, the order of a finish, or reaches along a ruler. */
export const PRACTISED = [...MOVEMENTS, 'finishLine', 'reach'] as const
export type Practised = (typeof PRACTISED)[number]

/** Whether form is judged in it. */
export const isMovement = (what: Practised): what is Movement => MOVEMENTS.some((movement) => movement === what)

export const DRILL_LEVELS = [1, 2, 3, 4, 5] as const
export type DrillLevel = (typeof DRILL_LEVELS)[number]
