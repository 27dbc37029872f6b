import { printSeconds } from '../../quantity/time.ts'
import type { PublishedUnit } from '../../quantity/imperial.ts'
import { printQuantity } from '../../quantity/unit.ts'
import type { KindWords } from '../kind.ts'
import { printTries } from '../printing.ts'
import type { Attempts } from './protocol.ts'

const WHICH = { none: '', dominant: 'The dominant side, ', each: 'Each side, ' } as const
const SIDES = {
  lesser: 'the weaker side counts',
  greater: 'the better side counts',
  mean: 'the mean of both counts',
  sum: 'both are added',
} as const

const conduct = ({ sides, attemptsAllowed, select }: Attempts): string =>
  `${WHICH[sides]}${printTries(attemptsAllowed, select)}`

const rules = (protocol: Attempts, publishedIn?: PublishedUnit): string[] => {
  const print = (value: number): string => printQuantity(value, protocol.unit, publishedIn)
  return [
    `${conduct(protocol)}${protocol.ofSides ? `; ${SIDES[protocol.ofSides]}` : ''}. Read to ${print(protocol.resolution)}.`,
    ...(protocol.zero === undefined ? [] : [`The zero line stands at ${print(protocol.zero)}, which is taken off.`]),
    ...(protocol.lessStandingReach ? ['The standing reach is taken off the reach at the top of the jump.'] : []),
    ...(protocol.lesserHand ? ['Read from the hand that is further back.'] : []),
    ...(protocol.holdMs === undefined ? [] : [`Held for ${printSeconds(protocol.holdMs)} to count.`]),
  ]
}

export const words: KindWords<Attempts> = { conduct, rules }
