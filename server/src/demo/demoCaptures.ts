/** The captures of a demo day: what its file says of attempts, readings and runs, made as devices would have. */
import { Temporal } from 'temporal-polyfill'
import {
  parseField,
  rehearseRepetitions,
  rehearseWave,
  seededRandom,
  slotsOf,
  stamp,
  type Capture,
  type FieldForm,
  type Random,
  type RunScript,
  type Standard,
  type StandardEvent,
} from '@able-gauge/core'
import type { DemoDay } from './demoDay.ts'

export interface ActorCaptures {
  readonly actor: string
  readonly captures: readonly Capture[]
}

export const capturesOf = (
  day: DemoDay,
  standard: Standard,
  entryIds: ReadonlyMap<number, string>,
  seed: number,
): ActorCaptures[] => {
  const random = seededRandom(seed)
  const momentAt = (time: string): number =>
    Temporal.PlainDate.from(day.testDate).toZonedDateTime({ timeZone: day.zone, plainTime: time }).epochMilliseconds
  const entryOf = (bib: number): string => {
    const entryId = entryIds.get(bib)
    if (entryId === undefined)
      throw new Error(`Demo day "${day.name}" has results for bib ${bib}, which is not entered.`)
    return entryId
  }
  const repetitions = day.repetitions.map(({ eventId, grader, attempts }) => ({
    actor: grader,
    captures: attempts.flatMap(({ bib, at, ...script }) =>
      rehearseRepetitions(
        { eventId, deviceId: 'tablet-lane-1', random },
        protocolOf(standard, eventId, 'repetitionsInTime'),
        {
          ...script,
          entryId: entryOf(bib),
          startAtMs: momentAt(at),
        },
      ),
    ),
  }))
  const runs = day.runs.map(({ eventId, timer, wave, at, runners }) => {
    const stage = { eventId, deviceId: 'laptop-finish', random }
    const scripts = runners.map(({ bib, finish, stop }): RunScript => ({
      entryId: entryOf(bib),
      finishMs: elapsed(finish),
      ...(stop ? { stop } : {}),
    }))
    const captures = rehearseWave(stage, protocolOf(standard, eventId, 'timedDistance'), wave, momentAt(at), scripts)
    const later = runners.flatMap(({ bib, bibLaterAtLap }) =>
      bibLaterAtLap ? [{ entryId: entryOf(bib), lap: bibLaterAtLap }] : [],
    )
    return {
      actor: timer,
      captures: later.reduce((all, { entryId, lap }) => putBibLater(all, stage, entryId, lap), captures),
    }
  })
  const readings = day.readings.map(({ eventId, grader, at, everySeconds, people }) => {
    const stage = { eventId, deviceId: 'tablet-lane-2', random }
    const event = standard.events.find(({ id }) => id === eventId)
    if (!event) throw new Error(`The demo reads event "${eventId}", which the standard does not hold.`)
    const slots = slotsOf(event.protocol)
    return {
      actor: grader,
      captures: people.flatMap(({ bib, values }, index) =>
        slots.flatMap((slot, turn) => {
          const text = values[slot.id]
          if (text === undefined) return []
          const atMs = momentAt(at) + (index * everySeconds + turn * 10) * 1000
          return [
            stamp(stage, entryOf(bib), atMs, { kind: 'read', payload: { slot: slot.id, value: figure(text, slot) } }),
          ]
        }),
      ),
    }
  })
  return [...repetitions, ...readings, ...runs]
}

/** Makes one crossing a time without a bib that got its bib eight seconds later. */
const putBibLater = (
  captures: readonly Capture[],
  stage: { eventId: string; deviceId: string; random: Random },
  entryId: string,
  lap: number,
): Capture[] => {
  const crossing = captures.filter((capture) => capture.kind === 'crossed' && capture.entryId === entryId)[lap - 1]
  if (!crossing) throw new Error(`The demo asks for a bib put later to lap ${lap}, which was not run.`)
  const assigned = stamp(stage, entryId, crossing.atMs + 8_000, {
    kind: 'assigned',
    payload: { captureId: crossing.id },
  })
  return [...captures.map((capture) => (capture === crossing ? { ...capture, entryId: null } : capture)), assigned]
}

const protocolOf = <Kind extends StandardEvent['protocol']['kind']>(
  standard: Standard,
  eventId: string,
  kind: Kind,
): Extract<StandardEvent['protocol'], { kind: Kind }> => {
  const protocol = standard.events.find(({ id }) => id === eventId)?.protocol
  if (protocol?.kind !== kind)
    throw new Error(`The demo runs event "${eventId}" as ${kind}, which the standard does not hold.`)
  // the kind was compared in the line above
  return protocol as Extract<StandardEvent['protocol'], { kind: Kind }>
}

const elapsed = (text: string): number => figure(text, { unit: 'ms' })

export const figure = (text: string, form: FieldForm): number => {
  const read = parseField(text, form)
  if (!read.ok) throw new Error(`The demo has an unsound figure. ${read.reason}`)
  return read.value
}
