/** What the rules of the three kinds of counted repetitions have in common, in words. */
import { printSeconds } from '../../quantity/time.ts'
import { cautionRule, listed } from '../printing.ts'
import type { CountedRepetitions } from './protocol.ts'

const REST = { nowhere: 'No resting', up: 'Resting in the up position only', upOrDown: 'Resting up or down' } as const

/**
 * @param conduct what is done, in one line
 * @param own rules of the single kind, told before what is refused
 * @param clock what the clock does in a rest
 */
export const countedRules = (
  { countsWhen, restAllowed, longestPauseMs, cautionsAllowed, restart, refusals }: CountedRepetitions,
  conduct: string,
  own: readonly string[] = [],
  clock = '',
): string[] => [
  `${conduct}. ${countsWhen}`,
  `${REST[restAllowed]}${clock}.${longestPauseMs === undefined ? '' : ` A pause of more than ${printSeconds(longestPauseMs)} ends it.`} ${cautionRule(cautionsAllowed)}`,
  ...(restart
    ? [
        `May begin again ${restart.times === 1 ? 'once' : `${restart.times} times`} within the first ${restart.withinFirst}, after the fault is explained.`,
      ]
    : []),
  ...own,
  `Refused for: ${listed(refusals.map(({ label }) => label))}.`,
]
