import { expect, test } from 'vitest'
import { standardNamed } from '../../testing/index.ts'
import type { StandardEvent } from '../standard/standard.ts'
import { sayCue } from '../words/sayCue.ts'
import { cuesFor } from './cuesFor.ts'
import { earlierBest, type EarlierFigure } from './earlierBest.ts'

const standard = standardNamed('v3')
const eventOf = (id: string) => {
  const event = standard.events.find((one) => one.id === id)
  if (!event) throw new Error(`The standard has no ${id}.`)
  return event
}
const [run, pressUps] = [eventOf('run'), eventOf('press-ups')]
const ran = (value: number, testDate: string): EarlierFigure => ({ eventId: 'run', value, unit: 'ms', testDate })
const pressed = (value: number, testDate: string): EarlierFigure => ({
  eventId: 'press-ups',
  value,
  unit: 'count',
  testDate,
})
const person = { entryId: 'anna', wave: 1, category: 'female', ageYears: 27, ageCountedOn: '2026-11-24' }
const bestOf = (figures: readonly EarlierFigure[], event: StandardEvent) =>
  earlierBest(standard, event, person, figures)
const FIGURES = [
  ran(561_000, '2024-10-01'),
  ran(548_000, '2025-10-02'),
  ran(552_000, '2026-04-03'),
  pressed(31, '2024-10-01'),
  pressed(33, '2025-10-02'),
  pressed(33, '2026-04-03'),
]

test('the best is the least of a time and the most of a count; of two alike the later', () => {
  expect(bestOf(FIGURES, run)).toMatchObject({ value: 548_000, testDate: '2025-10-02' })
  expect(bestOf(FIGURES, pressUps)).toMatchObject({ value: 33, testDate: '2026-04-03' })
})

test('what was measured in another unit, or never, is no best', () => {
  expect(bestOf([{ ...ran(2_400_000, '2024-10-01'), unit: 'mm' }], run)).toBeNull()
  expect(bestOf(FIGURES, { ...run, id: 'swim' })).toBeNull()
})

test('whoever does the event is told it before the start; whoever does another form of it is not', () => {
  const form = { ...run, variants: [{ id: 'indoors', name: 'Indoors', scoring: run.scoring }] }
  const asked = { ...standard, events: [form] }
  const noted = { gear: '', setUp: {}, earlierSetUp: {}, earlierFigures: FIGURES }
  const told = (more: object) => cuesFor(asked, form, { ...person, ...more }, noted).map((cue) => sayCue(cue))
  expect(told({})).toContainEqual({ about: 'Earlier best', text: '9:08, 2 October 2025' })
  expect(told({ variants: { run: 'indoors' } }).map(({ about }) => about)).toEqual(['Variant'])
})
