/** The boxes of a paper card in words, in the order somebody fills them in. */
import type { CardBoxes } from '@able-gauge/core'

export const boxLabels = ({ figures, refusals, faults, cautions, restarts }: CardBoxes): string[] => [
  ...figures,
  ...refusals.map((label) => `refused: ${label.toLowerCase()}`),
  ...faults.map(({ at, fault, allowed }) => `${at}: ${fault.toLowerCase()}, ${allowed} allowed`),
  ...Array.from({ length: cautions }, (_, at) =>
    at + 1 < cautions ? `caution ${at + 1}` : `caution ${at + 1}, ends it`,
  ),
  ...Array.from({ length: restarts }, (_, at) => (restarts === 1 ? 'began again' : `began again ${at + 1}`)),
  'result',
  'stopped at, why',
  'grader',
]

export const numbersTo = (upTo: number): string => Array.from({ length: upTo }, (_, at) => String(at + 1)).join('   ')
