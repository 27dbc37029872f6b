/** What can be practised on, in words. */
import { MOVEMENTS, movementName, type Practised } from '@able-gauge/core/drill'

export const PRACTISED_NAMES = {
  ...Object.fromEntries(MOVEMENTS.map((movement) => [movement, movementName(movement)])),
  finishLine: 'Finish line',
  reach: 'Reach',
} as Readonly<Record<Practised, string>>

export const LEVEL_WORDS = ['plain to see', 'clear', 'some small', 'small and quick', 'as on a hard day'] as const
