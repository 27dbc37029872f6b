import { readFileSync } from 'node:fs'
import path from 'node:path'
import { expect, test } from 'vitest'
import { titlesIn } from '../../testing/saidIn.ts'
import { KIND_CASES, plainEvent, plainStandard, soundStandard } from '../../testing/index.ts'
import type { Measure } from '../kinds/measure.ts'
import { measureReadings } from '../kinds/measureReadings.ts'
import { checkStandard } from '../standard/check.ts'
import { parseStandard } from '../standard/parseStandard.ts'
import { chosenEvent } from './chosenEvent.ts'
import { judgeResultRow } from '../format/resultRow.ts'
import { combinePerson } from './combinePerson.ts'
import { judgeEvent, judgePlainly } from './judgeEvent.ts'
import type { Candidate } from './mark.ts'

const demo = (name: string) =>
  soundStandard(
    JSON.parse(readFileSync(path.resolve(import.meta.dirname, `../../../demo/standards/${name}.json`), 'utf8')),
  )
const guard = demo('guard-service-v4')
const check = demo('active-staff-check-v1')
const kindCase = (kind: string) => {
  const found = KIND_CASES.find((one) => one.kind === kind)
  if (!found) throw new Error(`There is no hand-worked case of "${kind}".`)
  return found
}
const cutAt = (unit: 'count' | 'ms', atLeast: number) => ({ kind: 'singleCut', unit, atLeast })
/** Full points at the anchor, 20 fewer at eight tenths of it. */
const pointsTo = (fullCentipoints: number, unit: 'count' | 'ms', anchor: number) => ({
  kind: 'pointsTable',
  unit,
  between: 'lowerRow',
  bands: [
    {
      ageFrom: 0,
      rows: [
        { value: 1, centipoints: 100 },
        { value: 8 * (anchor / 10), centipoints: fullCentipoints - 2_000 },
        { value: anchor, centipoints: fullCentipoints },
      ],
    },
  ],
})
const PULL_UPS = { ...plainEvent(kindCase('repetitionsToFailure'), cutAt('count', 6)), id: 'event', name: 'Pull-ups' }
const HANG = { ...plainEvent(kindCase('heldPosition'), {}), id: 'hang', name: 'Hang', scoring: cutAt('ms', 30_000) }
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
  expect(titlesIn(mark.trace)).toContain('Bent-arm hang in place of Pull-ups')
})

test('an event nobody allows is not taken in its place', () => {
  const other = { ...PERSON, alternates: { 'pull-ups': 'shuttle' } }
  expect(chosenEvent(guard, eventIn(guard, 'pull-ups'), other).event.id).toBe('pull-ups')
})

/** Pull-ups for everybody; a hang in their place for women to 29, by choice, and a form of it with straps. */
const withHang = soundStandard(
  plainStandard(
    [
      {
        ...PULL_UPS,
        alternates: [{ eventId: 'hang', allowedBy: 'choice', band: { ageFrom: 0, ageTo: 29, category: 'female' } }],
      },
    ],
    {
      alternateEvents: [{ ...HANG, variants: [{ id: 'straps', name: 'With straps', scoring: HANG.scoring }] }],
    },
  ),
)

test.each([
  // offered: in the band, and a variant of the event that is really done
  [{ ageYears: 29, alternates: { event: 'hang' } }, 'met'],
  [{ ageYears: 29, alternates: { event: 'hang' }, variants: { event: 'straps' } }, 'met'],
  [{ ageYears: 29 }, 'met'],
  // outside the band, another category, no such event, a variant of the alternate without the alternate
  [{ ageYears: 30, alternates: { event: 'hang' } }, 'open'],
  [{ ageYears: 29, category: 'male', alternates: { event: 'hang' } }, 'open'],
  [{ ageYears: 29, alternates: { event: 'rowing' } }, 'open'],
  [{ ageYears: 29, variants: { event: 'straps' } }, 'open'],
  [{ ageYears: 29, alternates: { event: 'hang' }, variants: { event: 'knees' } }, 'open'],
] as const)('%j is %s: what is not offered is never judged by the main rule in silence', (change, kind) => {
  const [event] = withHang.events
  if (!event) throw new Error('The standard made for the test has no event.')
  const person: Candidate = { ...PERSON, ...change }
  const { protocol } = chosenEvent(withHang, event, person).event
  const measure = measureReadings(protocol, { count: 8, time: 40_000 })
  const terms = { standard: withHang, testDate: '2026-06-01' }
  const mark = judgeEvent(terms, event, person, measure)
  expect(mark.kind).toBe(kind)
  if (mark.kind === 'open') expect(mark.reason).toBe('choiceNotOffered')
  expect(judgePlainly(terms, event, person, measure).kind).toBe(kind)
})

test.each([
  ['event.alternate', { birth_date: '1990-05-04', 'event.alternate': 'hang', event: '0:40' }, /none for this person/],
  ['event.alternate', { category: 'male', 'event.alternate': 'hang', event: '0:40' }, /none for this person/],
  ['event.variant', { 'event.variant': 'straps', event: '8' }, /none for this person/],
])('a row of a file that names %s for somebody it is not for is refused', (column, change, expected) => {
  const row = { number: '1', birth_date: '2000-05-04', category: 'female', test_date: '2026-06-01', ...change }
  const judged = judgeResultRow(withHang, row, 7)
  expect(judged).toMatchObject({ ok: false, findings: [{ line: 7, column }] })
  if (!judged.ok) expect(judged.findings[0]?.expected).toMatch(expected)
})

test('what may still be chosen keeps a total open until the event has begun', () => {
  // 60 points at most by pull-ups, 100 by the hang
  const standard = soundStandard(
    plainStandard(
      [
        {
          ...PULL_UPS,
          scoring: pointsTo(6_000, 'count', 10),
          alternates: [{ eventId: 'hang', allowedBy: 'choice', band: { ageFrom: 0, ageTo: 29 } }],
        },
        { ...PULL_UPS, id: 'second', scoring: pointsTo(10_000, 'count', 10) },
      ],
      {
        alternateEvents: [{ ...HANG, scoring: pointsTo(10_000, 'ms', 60_000) }],
        combination: { kind: 'pointsTotal', totalCentipoints: 17_000 },
      },
    ),
  )
  const [first, second] = standard.events
  if (!first || !second) throw new Error('The standard made for the test has no events.')
  const outcome = (ageYears: number, measure: Measure) => {
    const terms = { standard, testDate: '2026-06-01' }
    const person = { ...PERSON, ageYears }
    const done = judgeEvent(terms, second, person, measureReadings(second.protocol, { count: 8 }))
    const { outcome, settled } = combinePerson(terms, person, [judgeEvent(terms, first, person, measure), done])
    return [outcome, settled]
  }
  const running: Measure = { kind: 'running', soFar: 1, unit: 'count', notes: [] }
  const waiting: Measure = { kind: 'notStarted', notes: [] }
  // 80 so far; 170 are asked
  expect(outcome(29, waiting)).toEqual(['notFinished', false])
  expect(outcome(29, running)).toEqual(['short', true])
  // nobody of 30 may hang
  expect(outcome(30, waiting)).toEqual(['short', true])
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
  expect(titlesIn(judged('bench').trace)).toContain('Variant: Hands on a bench')
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
  expect(titlesIn(judged(45_359).trace)).toContain('At least 100 lb (45.359 kg)')
})

const ON_KNEES = { id: 'knees', name: 'On the knees', category: 'female', scoring: cutAt('count', 9) }
const OTHER_FORM = { id: 'wide', name: 'Wide grip', scoring: cutAt('count', 4) }
const TIED = plainStandard([{ ...PULL_UPS, variants: [ON_KNEES, OTHER_FORM] }])

test('a form of a category holds for everybody in it, unless another is named; nobody else can name it', () => {
  const standard = soundStandard(TIED)
  const event = eventIn(standard, 'event')
  const chosen = (change: Partial<Candidate>) => {
    const { variantId, notOffered, scoring } = chosenEvent(standard, event, { ...PERSON, ...change })
    return [variantId, notOffered, Reflect.get(scoring, 'atLeast')]
  }
  expect(chosen({})).toEqual(['knees', undefined, 9])
  expect(chosen({ variants: { event: 'wide' } })).toEqual(['wide', undefined, 4])
  expect(chosen({ category: 'male' })).toEqual([undefined, undefined, 6])
  expect(chosen({ category: 'male', variants: { event: 'knees' } })).toEqual([undefined, 'variant', 6])
})

test('a form is for a category there is, and a category has one form', () => {
  const with_ = (variants: readonly object[]) => {
    const read = parseStandard(plainStandard([{ ...PULL_UPS, variants }]))
    return read.ok ? [] : read.findings.map(({ place, code }) => [place, code])
  }
  expect(with_([{ ...ON_KNEES, category: 'juniors' }])).toEqual([['events[0].variants[0].category', 'category']])
  expect(with_([ON_KNEES, { ...OTHER_FORM, category: 'female' }])).toEqual([
    ['events[0].variants[1].category', 'category'],
  ])
})

test('whoever has a form of their own needs no row in the table of the event', () => {
  const row = (category: string) => ({ ageFrom: 0, category, atLeast: 6 })
  const table = (categories: readonly string[]) => ({ kind: 'cutByBand', unit: 'count', rows: categories.map(row) })
  const remarks = (variants: readonly object[]) =>
    checkStandard(soundStandard(plainStandard([{ ...PULL_UPS, scoring: table(['male']), variants }]))).filter(
      ({ code }) => code === 'categoryWithoutBand',
    )
  expect(remarks([OTHER_FORM])).toHaveLength(1)
  expect(remarks([ON_KNEES])).toEqual([])
  expect(remarks([{ ...ON_KNEES, scoring: table(['male']) }])).toHaveLength(1)
})
