/** A step test that was stopped early, where the protocol judges it by the time held: as a hold with a cut of its own. */
import type { Measure } from '../capture/measure.ts'
import type { StandardEvent } from '../standard/standard.ts'

const held = new WeakMap<StandardEvent, StandardEvent>()

/**
 * The event a measure is judged by: the event itself, or for a time held in place of a pulse the hold it amounts to. A time is cut down
 * to whole seconds, and just the time the protocol states meets it.
 */
export const judgedBy = (event: StandardEvent, measure: Measure): StandardEvent => {
  const { protocol } = event
  if (measure.kind !== 'complete' || measure.unit !== 'ms' || protocol.kind !== 'stepTest' || !protocol.ifStopped) {
    return event
  }
  const known = held.get(event)
  if (known) return known
  const { startCommands, ifStopped } = protocol
  const made: StandardEvent = {
    id: event.id,
    name: event.name,
    protocol: {
      kind: 'heldPosition',
      startCommands,
      position: 'Stepping to the beat.',
      cautionsAllowed: 0,
      endsWhen: [],
    },
    rounding: { mode: 'truncate', step: 1_000 },
    scoring: { kind: 'singleCut', unit: 'ms', atLeast: ifStopped.atLeastMs },
  }
  held.set(event, made)
  return made
}
