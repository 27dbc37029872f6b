import type { EndedByFigures, Worked } from '../kind.ts'
import { needed, optional, type Readings, type Slot } from '../slot.ts'
import { plain } from '../worked.ts'
import type { WorkChain } from './protocol.ts'

/** The time, and for each segment of repetitions how many were done. */
export const chainSlots = ({ segments }: WorkChain): Slot[] => [
  needed('time', 'Time', { unit: 'ms' }),
  ...segments.flatMap(({ id, name, repetitions }) =>
    repetitions === undefined ? [] : [optional(`${id}-repetitions`, `${name}: repetitions done`, { unit: 'count' })],
  ),
]

/** The time in ms; a segment that is not complete ends it, because later work does not count. */
export const measureChain = ({ segments }: WorkChain, readings: Readings): Worked | EndedByFigures => {
  for (const { id, name, repetitions } of segments) {
    const done = readings[`${id}-repetitions`]
    if (repetitions !== undefined && done !== undefined && done < repetitions) {
      return { reason: 'didNotFinish', notes: [{ code: 'notComplete', where: name, done, of: repetitions }] }
    }
  }
  return plain(readings['time'])
}
