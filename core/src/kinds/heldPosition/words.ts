import { printTime } from '../../quantity/time.ts'
import type { KindWords } from '../kind.ts'
import { cautionRule, listed } from '../printing.ts'
import type { HeldPosition } from './protocol.ts'

const conduct = ({ capMs }: HeldPosition): string =>
  capMs === undefined ? 'Held as long as possible' : `Held as long as possible, stopped at ${printTime(capMs)}`

export const words: KindWords<HeldPosition> = {
  conduct,
  rules: (protocol) => [
    `${conduct(protocol)}. ${protocol.position}`,
    `${cautionRule(protocol.cautionsAllowed)} Ended by: ${listed(protocol.endsWhen)}.`,
  ],
}
