import { printSeconds } from '../../quantity/time.ts'
import type { PublishedUnit } from '../../quantity/imperial.ts'
import { printMass } from '../../quantity/mass.ts'
import { printQuantity } from '../../quantity/unit.ts'
import type { KindWords } from '../kind.ts'
import { printTries } from '../printing.ts'
import type { Sprint } from './protocol.ts'

const conduct = ({ distanceMm, legs, loadG, attemptsAllowed, select }: Sprint, publishedIn?: PublishedUnit): string =>
  `${printQuantity(distanceMm, 'mm', publishedIn)}${legs > 1 ? ` in ${legs} legs` : ''}${loadG === undefined ? '' : ` with ${printMass(loadG)}`}, ${printTries(attemptsAllowed, select)}`

const TIMED = { hand: 'by hand', electronic: 'by a gate', either: 'by hand or by a gate' } as const

export const words: KindWords<Sprint> = {
  conduct,
  rules: (protocol, publishedIn) => [
    `${conduct(protocol, publishedIn)}.${protocol.touches ? ` To touch at each turn: ${protocol.touches}.` : ''}`,
    `Timed ${TIMED[protocol.timing]}.${
      protocol.handCorrectionMs === undefined
        ? ''
        : ` ${printSeconds(protocol.handCorrectionMs)} are added to a time by hand.`
    }`,
  ],
}
