import { printMass } from '../../quantity/mass.ts'
import { printTime } from '../../quantity/time.ts'
import type { KindWords } from '../kind.ts'
import type { HeaviestLift } from './protocol.ts'

const conduct = ({ startLoadG, incrementG }: HeaviestLift): string =>
  `Lifts from ${printMass(startLoadG)} in steps of ${printMass(incrementG)}`

export const words: KindWords<HeaviestLift> = {
  conduct,
  rules: (protocol) => [
    `${conduct(protocol)}, ${printTime(protocol.restMs)} of rest between two. ${protocol.goodWhen}`,
    `${protocol.failuresAllowed} failed ${protocol.failuresAllowed === 1 ? 'lift is' : 'lifts are'} allowed; the last good one counts.`,
  ],
}
