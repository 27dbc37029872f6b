import { numbered } from '../../quantity/numbered.ts'
import type { KindWords } from '../kind.ts'
import { listed } from '../printing.ts'
import type { WorkChain } from './protocol.ts'

export const words: KindWords<WorkChain> = {
  conduct: ({ segments }) => `${numbered(segments.length, 'segment')} under one clock`,
  rules: ({ segments }) => [
    ...segments.map(({ name, repetitions, setsAllowed, countsWhen, refusals = [] }) =>
      repetitions === undefined
        ? `${name}.`
        : `${name}: ${numbered(repetitions, 'repetition')}${setsAllowed ? ', in sets if wanted' : ' at a stretch'}.${countsWhen === undefined ? '' : ` ${countsWhen}`}${refusals.length === 0 ? '' : ` Refused for: ${listed(refusals.map(({ label }) => label))}.`}`,
    ),
    'A segment has to be complete before the next; the clock never stops.',
  ],
}
