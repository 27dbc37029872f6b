/** Mass, height, waist, composition: recorded, and judged only where that is published. */
import { finding, repeatedIds } from '../../document/contradiction.ts'
import type { FieldForm } from '../../quantity/field.ts'
import { defineKind, type Range } from '../kind.ts'
import { readReferee, stampedNothing } from '../readOnly.ts'
import { rehearseReadings } from '../readSlots.ts'
import { needed, type Slot } from '../slot.ts'
import { plain } from '../worked.ts'
import { BODY_UNITS } from './bodyUnits.ts'
import { BodyMeasures, type BodyMeasureId } from './protocol.ts'
import type { Attempted } from '../../referee/referee.ts'
import { words } from './words.ts'

const LABELS: Readonly<Record<BodyMeasureId, string>> = {
  mass: 'Body mass',
  height: 'Height',
  waist: 'Waist',
  composition: 'Body fat',
}
const RANGES: Readonly<Record<BodyMeasureId, Range>> = {
  mass: { least: 30_000, most: 250_000 },
  height: { least: 1_200, most: 2_300 },
  waist: { least: 400, most: 2_000 },
  composition: { least: 20, most: 700 },
}
/** Between which figures made-up people lie. */
const REHEARSED: Readonly<Record<string, readonly [number, number]>> = {
  mass: [58_000, 96_000],
  height: [1_600, 1_930],
  waist: [720, 980],
  composition: [120, 280],
}

const formOf = (id: BodyMeasureId): FieldForm => {
  const unit = BODY_UNITS[id]
  return unit === 'mm' ? { unit, shownIn: 'cm' } : { unit }
}

const slots = ({ measures, judged }: BodyMeasures): Slot[] =>
  measures.map(({ id }) => ({
    ...needed(id, LABELS[id], formOf(id)),
    optional: judged ? judged.id !== id : false,
  }))

export const bodyMeasures = defineKind<BodyMeasures, Attempted>({
  name: 'Body measures',
  protocol: BodyMeasures,
  template: { measures: [{ id: 'mass' }, { id: 'height' }] },
  captures: [],
  // heavier or lighter bodies are not better or worse with age
  isAgeless: true,
  isRead: () => true,
  form: ({ judged }) => (judged ? formOf(judged.id) : { unit: 'done' }),
  sense: ({ judged }) => (judged && !judged.moreIsBetter ? 'atMost' : 'atLeast'),
  slots,
  mainSlot: ({ judged }) => judged?.id ?? null,
  measure: ({ judged }, readings) => plain(judged ? readings[judged.id] : 1),
  ...readReferee,
  stamped: stampedNothing,
  progress: () => ({ what: 'readings', of: null }),
  sensibleRange: ({ judged }) => (judged ? RANGES[judged.id] : { least: 1, most: 1 }),
  readingRange: (_, slot) => RANGES[slot as BodyMeasureId] ?? null,
  coarsestStep: ({ judged }) => (judged && BODY_UNITS[judged.id] === 'mm' ? 50 : null),
  contradictions: ({ measures, judged }, place) => [
    ...repeatedIds(measures, (index) => `${place}.measures[${index}]`),
    ...(judged && !measures.some(({ id }) => id === judged.id)
      ? [finding(`${place}.judged.id`, 'judged', judged.id, 'a measure that is taken')]
      : []),
  ],
  words,
  usual: () => 75_000,
  rehearse: (stage, protocol, turn) =>
    rehearseReadings(stage, turn, slots(protocol), ({ id }) => {
      const [least, most] = REHEARSED[id] ?? [1, 10]
      return stage.random.whole(least, most)
    }),
})
