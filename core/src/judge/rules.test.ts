/** The hand-worked rules, through core and through a results file. */
import { expect, test } from 'vitest'
import { plainStandard, RULE_CASES, saidOf, soundStandard, type RuleCase } from '../../testing/index.ts'
import { measureReadings } from '../kinds/measureReadings.ts'
import { slotsOfEvent } from '../kinds/slots.ts'
import { slotColumn } from '../format/readEventCells.ts'
import { judgeResultRow } from '../format/resultRow.ts'
import { printField } from '../quantity/field.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import { judgeEvent, judgePlainly } from './judgeEvent.ts'

const PERSON = { entryId: 'e', ageYears: 34, ageCountedOn: '2026-11-24', category: 'female' }

const standardOf = ({ event, uncertainty }: RuleCase): { standard: Standard; event: StandardEvent } => {
  const standard = soundStandard(
    plainStandard([{ id: 'event', name: 'Event', ...event }], uncertainty ? { uncertainty } : {}),
  )
  const [only] = standard.events
  if (!only) throw new Error('The standard made for the test has no event.')
  return { standard, event: only }
}

test.each(RULE_CASES)('$name', (one) => {
  const { standard, event } = standardOf(one)
  const candidate = { ...PERSON, ...(one.bodyMassG === undefined ? {} : { bodyMassG: one.bodyMassG }) }
  const terms = { standard, testDate: '2026-11-24' }
  const measure = measureReadings(event.protocol, one.readings)
  const mark = judgeEvent(terms, event, candidate, measure)
  expect(saidOf(mark, one)).toEqual(one.expected)
  const plain = judgePlainly(terms, event, candidate, measure)
  expect(plain.kind).toBe(one.expected.kind)
  if (one.expected.margin !== undefined) expect(plain.margin).toBe(one.expected.margin)
})

test.each(RULE_CASES)('in a results file: $name', (one) => {
  const { standard, event } = standardOf(one)
  const cells = slotsOfEvent(event).flatMap((slot) => {
    const value = one.readings[slot.id]
    return value === undefined ? [] : [[slotColumn('event', slot.id), printField(value, slot)]]
  })
  const row = {
    number: '1',
    birth_date: '1992-05-04',
    category: 'female',
    test_date: '2026-11-24',
    body_mass: one.bodyMassG === undefined ? '' : printField(one.bodyMassG, { unit: 'g' }),
    ...Object.fromEntries(cells),
  }
  const judged = judgeResultRow(standard, row, 2)
  if (!judged.ok) throw new Error(JSON.stringify(judged.findings))
  const [mark] = judged.verdict.marks
  expect(mark && saidOf(mark, one)).toEqual(one.expected)
})
