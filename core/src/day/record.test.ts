import { expect, test } from 'vitest'
import { demoStandard } from '../../testing/demoStandard.ts'
import { parseDocument } from '../document/parseDocument.ts'
import { checkChoices } from './checkChoices.ts'
import { chosenFor, NO_CHOICES } from './entry.ts'
import { erasableFrom, FIRST_HOUSE_RULES, heatAdvice, screeningConcerns } from './houseRules.ts'
import { keyedDifferences } from './keyedCards.ts'
import {
  confirmationOf,
  openHolds,
  openProtests,
  RecordDocument,
  type DayRecordContent,
  type DayRecordEntry,
} from './record.ts'

const ID = '01890000-0000-7000-8000-000000000001'
const ENTRY = '01890000-0000-7000-8000-0000000000aa'
const log = (...contents: DayRecordContent[]): DayRecordEntry[] =>
  contents.map((content, index) => ({
    id: `r${index}`,
    seq: index + 1,
    content,
    actorId: 'a',
    actor: 'Ines',
    atMs: index,
  }))

test.each([
  [{ kind: 'conditions', airDeciC: 214, humidityPercent: 60, surface: 'dry track', worn: '' }, []],
  [
    { kind: 'conditions', airDeciC: 2140, humidityPercent: 101, surface: '', worn: '' },
    ['airDeciC', 'humidityPercent', 'surface'],
  ],
  [{ kind: 'holdRaised', entryId: ENTRY, reason: '' }, ['reason']],
  [{ kind: 'heatDecided', decision: 'perhaps', reason: 'x' }, ['decision']],
  [{ kind: 'briefed', eventIds: [], wave: 0 }, ['wave']],
  [{ kind: 'sunny' }, ['']],
])('a log entry is taken or refused with its place: %o', (content, places) => {
  const parsed = parseDocument(RecordDocument, { id: ID, content })
  const found = parsed.ok ? [] : parsed.findings.map(({ place }) => place.replace(/^content\.?/, ''))
  expect(found.sort()).toEqual(places)
})
test('a hold stands until it is lifted, a protest until it is answered', () => {
  const records = log(
    { kind: 'holdRaised', entryId: ENTRY, reason: 'screening' },
    { kind: 'holdRaised', entryId: ENTRY, reason: 'shoes' },
    { kind: 'holdLifted', holdId: 'r0', reason: 'cleared' },
    { kind: 'protested', entryId: ENTRY, eventId: 'run', text: 'lap miscounted' },
  )
  expect(openHolds(records).map(({ id }) => id)).toEqual(['r1'])
  expect(openProtests(records)).toHaveLength(1)
  const answered = [
    ...records,
    ...log({ kind: 'protestAnswered', protestId: 'r3', outcome: 'dismissed', reason: 'stamps stand' }),
  ]
  expect(openProtests(answered)).toEqual([])
})
test('the last confirmation of an event counts', () => {
  const records = log(
    { kind: 'eventConfirmed', eventId: 'run', note: '' },
    { kind: 'eventConfirmed', eventId: 'run', note: 'again' },
  )
  expect(confirmationOf(records, 'run')?.content.note).toBe('again')
  expect(confirmationOf(records, 'grip')).toBeUndefined()
})
test('two keyings part where a figure differs or only one has it', () => {
  const figure = (slot: string, value: number) => ({ entryId: ENTRY, slot, value })
  expect(
    keyedDifferences(
      { figures: [figure('a', 1), figure('b', 2), figure('c', 3)] },
      { figures: [figure('a', 1), figure('b', 20), figure('d', 4)] },
    ),
  ).toEqual([
    { entryId: ENTRY, slot: 'b', first: 2, second: 20 },
    { entryId: ENTRY, slot: 'c', first: 3, second: null },
    { entryId: ENTRY, slot: 'd', first: null, second: 4 },
  ])
})
test('an answer that needs clearance is found, and a question left out is not taken for a no', () => {
  const answers = FIRST_HOUSE_RULES.screening.slice(1).map(({ id }) => ({
    questionId: id,
    answer: id === 'ready' || id === 'fever' ? ('yes' as const) : ('no' as const),
  }))
  const { clearance, unanswered } = screeningConcerns(FIRST_HOUSE_RULES, answers)
  expect(clearance.map(({ id }) => id)).toEqual(['fever'])
  expect(unanswered.map(({ id }) => id)).toEqual(['chest-pain'])
})
test('a heat limit holds from its figure on', () => {
  const rules = {
    heat: [
      { fromDeciC: 300, advice: 'stop' as const, measure: 'No running.' },
      { fromDeciC: 260, advice: 'change' as const, measure: 'Shorter waves.' },
    ],
  }
  expect([259, 260, 299, 300].map((heat) => heatAdvice(rules, heat)?.advice ?? 'go')).toEqual([
    'go',
    'change',
    'change',
    'stop',
  ])
})
test('what was chosen at muster has to be offered, and takes a reason', () => {
  const guard = demoStandard('guard-service-v4')
  const withChoice = (alternates: Record<string, string>, reason?: string) =>
    checkChoices(guard, { ...NO_CHOICES, alternates, ...(reason ? { reason } : {}) }).map(({ place }) => place)
  expect(withChoice({ 'pull-ups': 'bent-arm-hang' }, 'shoulder')).toEqual([])
  expect(withChoice({ 'pull-ups': 'bent-arm-hang' })).toEqual(['choices.reason'])
  expect(withChoice({ 'pull-ups': 'running' }, 'x')).toEqual(['choices.alternates.pull-ups'])
  expect(withChoice({ nowhere: 'bent-arm-hang' }, 'x')).toEqual(['choices.alternates'])
  expect(checkChoices(guard, { ...NO_CHOICES, role: 'diver' }).map(({ place }) => place)).toEqual(['choices.role'])
})
test('judging gets what muster entered, and nothing empty', () => {
  expect(chosenFor({ bodyMassG: null, choices: NO_CHOICES })).toEqual({})
  expect(chosenFor({ bodyMassG: 70_000, choices: { ...NO_CHOICES, alternates: { a: 'b' }, role: 'x' } })).toEqual({
    bodyMassG: 70_000,
    alternates: { a: 'b' },
    role: 'x',
  })
})

test('personal data may be erased from the day the house rules name, and at any time without one', () => {
  expect(erasableFrom({ keepDays: 730 }, '2024-11-24')).toBe('2026-11-24')
  expect(erasableFrom({}, '2024-11-24')).toBeNull()
  expect(erasableFrom({ keepDays: 730 }, null)).toBeNull()
})
