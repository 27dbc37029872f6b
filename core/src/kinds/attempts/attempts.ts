/** The best, mean, last or sum of several readings: grip, jump, reach, throw. */
import type { Sensed, SensedQuantity } from '../../capture/capture.ts'
import { finding } from '../../document/contradiction.ts'
import { jumpPower } from '../../estimate/jumpPower.ts'
import type { FieldForm } from '../../quantity/field.ts'
import { defineKind, type Range } from '../kind.ts'
import { readReferee, stampedNothing } from '../readOnly.ts'
import { MOST_REPETITIONS } from '../ranges.ts'
import { rehearseReadings } from '../readSlots.ts'
import { needed, numbered, type Slot } from '../slot.ts'
import { measureAttempts } from './measure.ts'
import { Attempts } from './protocol.ts'
import type { Attempted } from '../../referee/referee.ts'
import { words } from './words.ts'

/** What an instrument tells of a reading, by its unit; nothing counts. */
const SENSED_IN: Readonly<Partial<Record<Attempts['unit'], SensedQuantity>>> = { g: 'force', mm: 'height' }

/** As many as somebody reads without growing tired of it. */
const REACHES_OF_A_SET = 8

/** Jumps and reaches are read in centimetres, throws in metres. */
const readingForm = ({ unit, lessStandingReach, zero }: Attempts): FieldForm =>
  unit === 'mm' ? { unit, shownIn: lessStandingReach || zero ? 'cm' : 'm' } : { unit }

const slots = (protocol: Attempts): Slot[] => {
  const { attemptsAllowed, sides, select } = protocol
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
      ...readingForm(protocol),
    }))
  return [
    ...standing,
    ...(sides === 'each' ? [...tries('left-', 'Left'), ...tries('right-', 'Right')] : tries('try-', '')),
  ]
}

const SENSIBLE: Readonly<Record<'count' | 'g', Range>> = {
  count: { least: 1, most: MOST_REPETITIONS },
  g: { least: 1_000, most: 200_000 },
}
/** Nobody who can be tested reaches less or more, standing. */
const STANDING_REACH: Range = { least: 1_400, most: 3_000 }

/** A reach from a foot line may be below it; a throw goes further than a jump. */
const lengthRange = ({ zero, lessStandingReach }: Attempts): Range => {
  if (zero !== undefined) return { least: -400, most: 600 }
  return lessStandingReach ? { least: 50, most: 1_500 } : { least: 50, most: 100_000 }
}

export const attempts = defineKind<Attempts, Attempted>({
  name: 'Attempts',
  protocol: Attempts,
  template: { startCommands: [], unit: 'mm', attemptsAllowed: 3, sides: 'none', select: 'best', resolution: 10 },
  captures: [],
  isRead: () => true,
  // what is published of a length is written in centimetres, whatever the tape shows
  form: ({ unit }) => (unit === 'mm' ? { unit, shownIn: 'cm' } : { unit }),
  sense: () => 'atLeast',
  slots,
  mainSlot: (protocol) => slots(protocol).find(({ id }) => id !== 'standing')?.id ?? null,
  measure: measureAttempts,
  ...readReferee,
  stamped: stampedNothing,
  progress: () => ({ what: 'readings', of: null }),
  sensibleRange: (protocol) => (protocol.unit === 'mm' ? lengthRange(protocol) : SENSIBLE[protocol.unit]),
  // what is taken off a reading is still in it
  readingRange: (protocol, slot) => {
    if (slot === 'standing') return STANDING_REACH
    const { least, most } = protocol.unit === 'mm' ? lengthRange(protocol) : SENSIBLE[protocol.unit]
    const offset = protocol.zero ?? 0
    return protocol.lessStandingReach
      ? { least: STANDING_REACH.least, most: STANDING_REACH.most + most }
      : { least: least + offset, most: most + offset }
  },
  finestStep: ({ select, resolution }) => (select === 'mean' ? 1 : resolution),
  // a jump or a reach is lost in steps that a run over kilometres does not notice
  coarsestStep: ({ unit, resolution }) => (unit === 'mm' ? Math.max(1_000, resolution) : null),
  contradictions: ({ sides, ofSides, unit, lessStandingReach, zero }, place) => [
    ...((sides === 'each') === (ofSides !== undefined)
      ? []
      : [
          finding(
            `${place}.ofSides`,
            'sides',
            ofSides,
            sides === 'each' ? 'what the two sides amount to' : 'nothing, because one side is measured',
          ),
        ]),
    ...(unit !== 'mm' && (lessStandingReach || zero !== undefined)
      ? [finding(`${place}.unit`, 'offset', unit, '"mm", because an offset is taken off')]
      : []),
  ],
  cues: ({ lesserHand, holdMs, zero, sides }) => [
    ...(lesserHand ? [{ code: 'handFurtherBack' }] : []),
    ...(holdMs === undefined ? [] : [{ code: 'holdFor', figures: { ms: holdMs } }]),
    ...(zero === undefined ? [] : [{ code: 'zeroLine', figures: { mm: zero } }]),
    ...(sides === 'dominant' ? [{ code: 'dominantSide' }] : []),
  ],
  estimates: ({ lessStandingReach }, valueMm, _, { bodyMassG }) =>
    lessStandingReach && bodyMassG !== undefined ? [jumpPower(valueMm, bodyMassG)] : [],
  sensed: ({ unit }, { quantity, value }) => (SENSED_IN[unit] === quantity ? { unit, value } : null),
  // a ruler with a foot line: what is read there is read by eye
  practice: (protocol) => {
    const { unit, zero, sides, resolution, holdMs = 0, lesserHand = false } = protocol
    if (unit !== 'mm' || zero === undefined || sides !== 'none') return null
    return {
      of: 'ruler',
      ruler: { zeroMm: zero, stepMm: resolution, holdMs, lesserHand, tries: REACHES_OF_A_SET },
      eased: { ...protocol, attemptsAllowed: REACHES_OF_A_SET },
    }
  },
  words,
  usual: ({ unit }) => ({ g: 40_000, mm: 350, count: 10 })[unit],
  rehearse: (stage, protocol, turn) => {
    const { resolution, unit } = protocol
    const offset = (protocol.zero ?? 0) + (protocol.lessStandingReach ? 2_150 : 0)
    const valueOf = ({ id }: Slot): number => {
      if (id === 'standing') return stage.random.whole(1_950, 2_350)
      const tried = (turn.target + offset) * (1 - stage.random.next() * 0.05)
      return Math.max(0, Math.round(tried / resolution) * resolution)
    }
    const sensedOf = (slot: Slot, value: number): Sensed | null => {
      const quantity = slot.unit === unit ? SENSED_IN[unit] : undefined
      return quantity ? { instrument: `${quantity}-1`, quantity, value, resolution } : null
    }
    return rehearseReadings(stage, turn, slots(protocol), valueOf, sensedOf)
  },
})
