import type { KindWords } from '../kind.ts'
import type { WorkChain } from './protocol.ts'

export const words: KindWords<WorkChain> = {
  conduct: ({ segments }) => `${segments.length} segments under one clock`,
  rules: ({ segments }) => [
    ...segments.map(({ name, repetitions, setsAllowed }) =>
      repetitions === undefined
        ? `${name}.`
        : `${name}: ${repetitions} repetitions${setsAllowed ? ', in sets if wanted' : ' at a stretch'}.`,
    ),
    'A segment has to be complete before the next; the clock never stops.',
  ],
}
