import type { KindWords } from '../kind.ts'
import type { BodyMeasures } from './protocol.ts'

export const words: KindWords<BodyMeasures> = {
  conduct: ({ measures }) => measures.map(({ id }) => id).join(', '),
  rules: ({ measures, judged }) => [
    `Measured: ${measures.map(({ id, device }) => (device ? `${id} by ${device}` : id)).join(', ')}.`,
    judged ? `Judged: ${judged.id}.` : 'Recorded, not judged.',
  ],
}
