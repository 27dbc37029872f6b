import type { Capture } from '../../capture/capture.ts'
import { bare, makerFor, type Stage, type Turn } from '../stage.ts'
import type { WorkChain } from './protocol.ts'

/** Made-up captures of a chain, every segment as long as the others. */
export const rehearseChain = (stage: Stage, { segments }: WorkChain, turn: Turn): Capture[] => {
  const make = makerFor(stage, turn)
  const share = turn.target / segments.length
  const captures = segments.flatMap(({ id, repetitions }, index) => {
    const startMs = index * share
    if (repetitions === undefined) {
      return [make(startMs + share, { kind: 'passed' as const, payload: { part: id } })]
    }
    return Array.from({ length: repetitions }, (_, at) =>
      make(startMs + ((at + 1) * share) / repetitions, bare('counted')),
    )
  })
  return [make(0, bare('started')), ...captures]
}
