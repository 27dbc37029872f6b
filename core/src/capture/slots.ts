/**
 * What has to be read of one person in one event: one slot for each figure. Forms, files, cards and instruments fill the
 * same slots, so that there is one way from figures to a measure.
 */
import { BODY_UNITS } from '../protocol/bodyUnits.ts'
import type { BodyMeasureId } from '../protocol/bodyMeasures.ts'
import type { Protocol, ProtocolOf } from '../protocol/protocol.ts'
import { factsOf } from '../protocol/eventKind.ts'
import { scheduleOf } from '../protocol/shuttleSchedule.ts'
import type { FieldForm } from '../quantity/field.ts'
import { suits } from '../quantity/unit.ts'
import { sensibleRange } from '../standard/sensibleRange.ts'
import type { StandardEvent } from '../standard/standard.ts'

export interface Slot extends FieldForm {
  /** Short name within the event, such as `left-1`. */
  readonly id: string
  readonly label: string
  /** Whether the measure can be made without it. */
  readonly optional: boolean
}

/** The slots of a protocol, in the order they are read. The first one alone is enough where the measure is one figure. */
export const slotsOf = (protocol: Protocol): readonly Slot[] => {
  const secondsFromMs = factsOf(protocol).unit === 'ms' ? sensibleRange(protocol).least : 0
  return secondsFromMs === 0
    ? plainSlots(protocol)
    : plainSlots(protocol).map((slot) => (slot.unit === 'ms' ? { ...slot, secondsFromMs } : slot))
}

const plainSlots = (protocol: Protocol): readonly Slot[] => {
  switch (protocol.kind) {
    case 'repetitionsInTime':
    case 'repetitionsToFailure':
    case 'repetitionsToCadence':
      return [needed('count', 'Repetitions', { unit: 'count' })]
    case 'heldPosition':
    case 'timedDistance':
      return watchSlots('time', 'Time', protocol.watchRule?.watches ?? 1)
    case 'distanceInTime':
      return [needed('distance', 'Distance', { unit: 'mm', shownIn: 'm' })]
    case 'progressiveShuttle':
      return [
        needed('reached', 'Last shuttle completed', levelForm(protocol)),
        optional('first-miss', 'First shuttle missed', levelForm(protocol)),
      ]
    case 'sprint':
      return sprintSlots(protocol)
    case 'attempts':
      return attemptSlots(protocol)
    case 'heaviestLift':
      return [
        needed('load', protocol.estimate ? 'Load' : 'Last good lift', { unit: 'g', shownIn: 'kg' }),
        ...(protocol.estimate ? [needed('repetitions', 'Repetitions', { unit: 'count' })] : []),
      ]
    case 'stationCourse':
      return [needed('time', 'Time', { unit: 'ms' }), ...stationSlots(protocol)]
    case 'workChain':
      return [needed('time', 'Time', { unit: 'ms' }), ...segmentSlots(protocol)]
    case 'untimedTask':
      return [needed('done', 'Done', { unit: 'done' })]
    case 'stepTest':
      return [
        needed('pulse', `Beats in ${protocol.pulseWindowMs / 1000} s`, { unit: 'count' }),
        optional('stopped', 'Stopped early after', { unit: 'ms' }),
      ]
    case 'bodyMeasures':
      return protocol.measures.map(({ id }) => ({
        ...needed(id, BODY_LABELS[id], bodyForm(id)),
        optional: protocol.judged ? protocol.judged.id !== id : false,
      }))
  }
}

/** Whether the readings taken so far make a measure. @param oneIsEnough one try on one side stands for all of them */
export const isFilled = (protocol: Protocol, readings: Readings, oneIsEnough = false): boolean => {
  if (readings['stopped'] !== undefined && protocol.kind === 'stepTest') return true
  return slotsOf(protocol).every(
    (slot) => slot.optional || readings[slot.id] !== undefined || (oneIsEnough && isTry(slot)),
  )
}

/**
 * The slot of the one raw reading that stands for an event where there is only one: the time, the load, the beats, the first try.
 * @returns undefined where nothing is read but that it was done
 */
export const mainSlotOf = (event: Pick<StandardEvent, 'protocol' | 'publishedIn'>): Slot | undefined => {
  const { protocol } = event
  return slotsOfEvent(event).find(({ id }) =>
    protocol.kind === 'bodyMeasures' ? id === protocol.judged?.id : id !== 'standing',
  )
}

/** The slots of an event, read in the unit it is published in. */
export const slotsOfEvent = ({
  protocol,
  publishedIn,
}: Pick<StandardEvent, 'protocol' | 'publishedIn'>): readonly Slot[] =>
  publishedIn === undefined
    ? slotsOf(protocol)
    : slotsOf(protocol).map((slot) => (suits(slot.unit, publishedIn) ? { ...slot, shownIn: publishedIn } : slot))

/** One of several tries, or of two sides. */
export const isTry = ({ id }: Pick<Slot, 'id'>): boolean => /^(try|left|right)-\d+$/.test(id)

const levelForm = (protocol: ProtocolOf<'progressiveShuttle'>): FieldForm => ({
  unit: 'levelShuttle',
  shuttles: scheduleOf(protocol).map(({ shuttles }) => shuttles),
})

/** Figures by slot id, in base units. */
export type Readings = Readonly<Record<string, number | undefined>>

const needed = (id: string, label: string, form: FieldForm): Slot => ({ id, label, optional: false, ...form })
const optional = (id: string, label: string, form: FieldForm): Slot => ({ id, label, optional: true, ...form })

const WATCH_NAMES = ['', ', second watch', ', third watch'] as const

/** `time`, `time-watch-2`, `time-watch-3`: the first watch is needed, further ones are used when they were there. */
const watchSlots = (id: string, label: string, watches: number): Slot[] =>
  WATCH_NAMES.slice(0, watches).map((name, index) =>
    index === 0
      ? needed(id, label, { unit: 'ms' })
      : optional(`${id}-watch-${index + 1}`, `${label}${name}`, { unit: 'ms' }),
  )

const sprintSlots = ({ attemptsAllowed, watchRule, timing }: ProtocolOf<'sprint'>): Slot[] => [
  ...numbered(attemptsAllowed).flatMap((attempt) =>
    watchSlots(`try-${attempt}`, attemptsAllowed === 1 ? 'Time' : `Try ${attempt}`, watchRule?.watches ?? 1).map(
      // a second try is a right, not a duty
      (slot) => ({ ...slot, optional: slot.optional || attempt > 1 }),
    ),
  ),
  ...(timing === 'either' ? [optional('electronic', 'Timed by a gate', { unit: 'done' })] : []),
]

const attemptSlots = (protocol: ProtocolOf<'attempts'>): Slot[] => {
  const { unit, attemptsAllowed, sides, select } = protocol
  const form: FieldForm =
    unit === 'mm' ? { unit, shownIn: protocol.lessStandingReach || protocol.zero ? 'cm' : 'm' } : { unit }
  const standing = protocol.lessStandingReach
    ? [needed('standing', 'Standing reach', { unit: 'mm', shownIn: 'cm' })]
    : []
  // a mean or a sum needs every try; a best or last one makes do with the first
  const needsAll = select === 'mean' || select === 'sum'
  const tries = (side: string, label: string): Slot[] =>
    numbered(attemptsAllowed).map((attempt) => ({
      id: `${side}${attempt}`,
      label: attemptsAllowed === 1 ? label || 'Reading' : `${label}${label ? ', t' : 'T'}ry ${attempt}`,
      optional: attempt > 1 && !needsAll,
      ...form,
    }))
  return [
    ...standing,
    ...(sides === 'each' ? [...tries('left-', 'Left'), ...tries('right-', 'Right')] : tries('try-', '')),
  ]
}

const stationSlots = ({ stations }: ProtocolOf<'stationCourse'>): Slot[] =>
  stations.flatMap(({ id, name, faultsAllowed, failsAtOnce }) => [
    ...(faultsAllowed === undefined ? [] : [optional(`${id}-faults`, `${name}: faults`, { unit: 'count' })]),
    ...(failsAtOnce === undefined ? [] : [optional(`${id}-failed`, `${name}: failed at once`, { unit: 'done' })]),
  ])

const segmentSlots = ({ segments }: ProtocolOf<'workChain'>): Slot[] =>
  segments.flatMap(({ id, name, repetitions }) =>
    repetitions === undefined ? [] : [optional(`${id}-repetitions`, `${name}: repetitions done`, { unit: 'count' })],
  )

const BODY_LABELS: Readonly<Record<BodyMeasureId, string>> = {
  mass: 'Body mass',
  height: 'Height',
  waist: 'Waist',
  composition: 'Body fat',
}

const bodyForm = (id: BodyMeasureId): FieldForm => {
  const unit = BODY_UNITS[id]
  return unit === 'mm' ? { unit, shownIn: 'cm' } : { unit }
}

const numbered = (count: number): number[] => Array.from({ length: count }, (_, index) => index + 1)
