/** What the start of a wave is captured as: who stands on the line, and the lap as it was measured here. */
import { measuredLap, type MeasuredGround, type Observation, type StandardEvent } from '@able-gauge/core'
import type { Day } from '../../day/day.ts'

/** The ground of an event as the plan has it measured. */
export const groundOf = ({ plan }: Pick<Day, 'plan'>, id: string): MeasuredGround | undefined =>
  plan?.plan.events.find(({ eventId }) => eventId === id)?.ground

export const startOfWave = (
  day: Pick<Day, 'plan'>,
  { id, protocol }: StandardEvent,
  wave: number,
  entryIds: readonly string[],
): Extract<Observation, { kind: 'waveStarted' }> => {
  const lapLengthMm = measuredLap(protocol, groundOf(day, id))
  return {
    kind: 'waveStarted',
    payload: { wave, entryIds: [...entryIds], ...(lapLengthMm === undefined ? {} : { lapLengthMm }) },
  }
}
