/**
 * What is printed is enforced: every field of every protocol is named here by a pair that differs in that field alone and comes to another
 * ruling, doubt or measure, or stands in the short list of words for people.
 */
import { expect, test } from 'vitest'
import { annasCaptures, protocolWith, RULE_PAIRS, type RulePair } from '../../testing/rulePairs.ts'
import { START_MS } from '../../testing/stamped.ts'
import { formFieldsOf, type FormField } from '../document/formFields.ts'
import { measureEntry } from './measureEntry.ts'
import { measureReadings } from './measureReadings.ts'
import { EVENT_KINDS, PROTOCOLS, type EventKind } from './kinds.ts'
import { rulingFor } from './rulingFor.ts'
import { endingsOf } from './endingsOf.ts'
import { slotsOf } from './slots.ts'
import { startWordsOf } from './startWordsOf.ts'

/** Words for people, which no rule can follow from. Reviewed: adding one here is a decision. */
const WORDS: ReadonlySet<string> = new Set([
  // told to candidates, and to the officer who plans
  ...EVENT_KINDS.flatMap((kind) => [`${kind}.readOut`, `${kind}.notes`]),
  // what a grader has been trained to see
  'repetitionsInTime.countsWhen',
  'repetitionsToFailure.countsWhen',
  'repetitionsToCadence.countsWhen',
  'heldPosition.position',
  'heaviestLift.goodWhen',
  'untimedTask.task',
  'stationCourse.stations.name',
  'stationCourse.stations.task',
  'stationCourse.stations.fault',
  'stationCourse.clockStopsWhen',
  'workChain.segments.name',
  // names, by which captures find what they are about
  'stationCourse.stations.id',
  'workChain.segments.id',
  // the buttons themselves: a refusal that is not in the list is refused by the server
  'repetitionsInTime.refusals',
  'repetitionsToFailure.refusals',
  'repetitionsToCadence.refusals',
  // what an instrument tells; the check of a standard holds the rounding against it
  'attempts.resolution',
  // nothing is timed from a start in these
  'attempts.announcements',
  'bodyMeasures.announcements',
  'untimedTask.announcements',
  'heaviestLift.announcements',
])

/** Everything that can be told of an event at a moment. */
const told = (change: object, { field, seen = [], readings = {}, atMs, category = 'male' }: RulePair): string => {
  const protocol = protocolWith(field.split('.')[0] as EventKind, change)
  const captures = annasCaptures(seen)
  const start = captures.find((capture) => capture.kind === 'waveStarted')
  const nowMs = START_MS + (atMs ?? seen.at(-1)?.[0] ?? 0)
  const person = { entryId: 'anna', wave: 1, category }
  const own = captures.filter(({ entryId }) => entryId !== null)
  return JSON.stringify([
    rulingFor({ protocol }, person, own, nowMs, start),
    measureEntry({ protocol }, person, captures, nowMs),
    measureReadings(protocol, readings),
    slotsOf(protocol),
    endingsOf(protocol),
    startWordsOf(protocol),
  ])
}

test.each(RULE_PAIRS)('$field changes what the referee says', (pair) => {
  expect(told(pair.as, pair)).not.toBe(told(pair.otherwise, pair))
})

/** Fields of a protocol, and of the members of its own lists; what every event shares is one field each. */
const fieldsOf = (kind: EventKind): string[] => {
  const SHARED = new Set([
    'announcements',
    'readOut',
    'notes',
    'setUp',
    'clearBefore',
    'startWords',
    'endings',
    'equipment',
    'warmUp',
    'coolDown',
    'watchRule',
    'refusals',
    'speeds',
    'levels',
    'heights',
    'ifStopped',
    'measures',
    'judged',
  ])
  const within = (fields: readonly FormField[], path: string): string[] =>
    fields.flatMap((field) => {
      const place = `${path}.${field.name}`
      if (SHARED.has(field.name) || (field.kind !== 'object' && field.kind !== 'list')) return [place]
      return [place, ...('fields' in field ? within(field.fields(), place) : [])]
    })
  return within(formFieldsOf(PROTOCOLS[kind]), kind)
}

test.each(EVENT_KINDS)('every field of %s is enforced, or words for people', (kind) => {
  const enforced = new Set(RULE_PAIRS.map(({ field }) => field))
  const neither = fieldsOf(kind).filter((field) => !enforced.has(field) && !WORDS.has(field))
  expect(neither).toEqual([])
})

test('no field is listed that no protocol has, and none as both', () => {
  const all = new Set(EVENT_KINDS.flatMap(fieldsOf))
  expect([...RULE_PAIRS.map(({ field }) => field), ...WORDS].filter((field) => !all.has(field))).toEqual([])
  expect(RULE_PAIRS.map(({ field }) => field).filter((field) => WORDS.has(field))).toEqual([])
})
