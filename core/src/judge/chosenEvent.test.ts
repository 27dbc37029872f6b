import { readFileSync } from 'node:fs'
import path from 'node:path'
import { expect, test } from 'vitest'
import { KIND_CASES, plainEvent, plainStandard, soundStandard } from '../../testing/index.ts'
import { measureReadings } from '../capture/measureReadings.ts'
import { chosenEvent } from './chosenEvent.ts'
import { judgeEvent } from './judgeEvent.ts'
import type { Candidate } from './mark.ts'

const demo = (name: string) =>
  soundStandard(
    JSON.parse(readFileSync(path.resolve(import.meta.dirname, `../../../demo/standards/${name}.json`), 'utf8')),
  )
const guard = demo('guard-service-v4')
const check = demo('active-staff-check-v1')
const PERSON: Candidate = { entryId: 'e', ageYears: 29, ageCountedOn: '2026-12-31', category: 'female' }

const eventIn = (standard: typeof guard, id: string) => {
  const event = standard.events.find((one) => one.id === id)
  if (!event) throw new Error(`The demo standard has no event "${id}".`)
  return event
}

test('an alternate by choice stands in when the entry names it, and is judged by its own table', () => {
  const pullUps = eventIn(guard, 'pull-ups')
  expect(chosenEvent(guard, pullUps, PERSON).event.id).toBe('pull-ups')
  const hanging = { ...PERSON, alternates: { 'pull-ups': 'bent-arm-hang' } }
  const { event, alternateId } = chosenEvent(guard, pullUps, hanging)
  expect(alternateId).toBe('bent-arm-hang')
  const mark = judgeEvent(
    { standard: guard, testDate: '2026-06-01' },
    pullUps,
    hanging,
    measureReadings(event.protocol, { time: 30_000 }),
  )
  // women of 25 to 31: 45 points at 14 s, 100 at 56 s, a row for each second: 45 + 55·16/42 = 65.95, published as 66
  expect(mark).toMatchObject({
    kind: 'met',
    eventId: 'pull-ups',
    alternateId: 'bent-arm-hang',
    points: { centipoints: 6_600 },
  })
  expect(mark.trace.map(({ title }) => title)).toContain('Bent-arm hang in place of Pull-ups')
})

test('an event nobody allows is not taken in its place', () => {
  const other = { ...PERSON, alternates: { 'pull-ups': 'shuttle' } }
  expect(chosenEvent(guard, eventIn(guard, 'pull-ups'), other).event.id).toBe('pull-ups')
})

test('a variant has its own classes, and is named', () => {
  const pressUps = eventIn(check, 'press-ups')
  const judged = (variant?: string) =>
    judgeEvent(
      { standard: check, testDate: '2026-06-01' },
      pressUps,
      { ...PERSON, variants: variant === undefined ? {} : { 'press-ups': variant } },
      measureReadings(pressUps.protocol, { count: 22 }),
    )
  // women to 34, fair, good, very good, high: 12, 17, 22, 28 as described; 16, 21, 26, 32 on the knees; 20, 25, 30, 36 on a bench
  expect(judged()).toMatchObject({ className: 'Very good' })
  expect(judged('knees')).toMatchObject({ className: 'Good', variantId: 'knees' })
  expect(judged('bench')).toMatchObject({ className: 'Fair', variantId: 'bench' })
  expect(judged('bench').trace.map(({ title }) => title)).toContain('Variant: Hands on a bench')
})

test('an alternate by band holds for everybody in the band, unasked', () => {
  const [reps, , , , , , , , grip] = KIND_CASES
  if (!reps || !grip) throw new Error('The table of cases is too short.')
  const standard = soundStandard(
    plainStandard(
      [
        {
          ...plainEvent(reps, { kind: 'singleCut', unit: 'count', atLeast: 20 }, 'reps'),
          alternates: [{ eventId: 'grip', allowedBy: 'band', band: { ageFrom: 50 } }],
        },
      ],
      { alternateEvents: [plainEvent(grip, { kind: 'singleCut', unit: 'g', atLeast: 30_000 }, 'grip')] },
    ),
  )
  const [event] = standard.events
  if (!event) throw new Error('The standard made for the test has no event.')
  const at = (ageYears: number) => chosenEvent(standard, event, { ...PERSON, ageYears }).event.id
  expect([49, 50, 51].map(at)).toEqual(['reps', 'grip', 'grip'])
})

test('a cut published in pounds is equal to a reading in pounds, and prints as it was published', () => {
  const [grip] = KIND_CASES.filter(({ kind }) => kind === 'attempts')
  if (!grip) throw new Error('No case of kind attempts.')
  const plain = {
    ...plainEvent(
      { ...grip, rounding: { mode: 'truncate', step: 1 } },
      { kind: 'singleCut', unit: 'g', atLeast: 45_359 },
    ),
    publishedIn: 'lb',
  }
  const standard = soundStandard(plainStandard([plain]))
  const [event] = standard.events
  if (!event) throw new Error('The standard made for the test has no event.')
  const judged = (left: number) =>
    judgeEvent(
      { standard, testDate: '2026-06-01' },
      event,
      PERSON,
      measureReadings(event.protocol, { 'left-1': left, 'right-1': 60_000 }),
    )
  expect([45_358, 45_359, 45_360].map((left) => judged(left).kind)).toEqual(['short', 'met', 'met'])
  expect(judged(45_359).trace.map(({ title }) => title)).toContain('At least 100 lb (45.359 kg)')
})
