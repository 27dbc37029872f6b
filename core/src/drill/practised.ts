/** What can be practised on, and how hard. */

/** Movements that can be drawn. */
export const MOVEMENTS = ['pressUp', 'curlUp', 'pullUp', 'squat', 'trunkHold', 'hang', 'shuttleTurn'] as const
export type Movement = (typeof MOVEMENTS)[number]

/** A movement, or the order of a finish. */
export const PRACTISED = [...MOVEMENTS, 'finishLine'] as const
export type Practised = (typeof PRACTISED)[number]

export const DRILL_LEVELS = [1, 2, 3, 4, 5] as const
export type DrillLevel = (typeof DRILL_LEVELS)[number]
