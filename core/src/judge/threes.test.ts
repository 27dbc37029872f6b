import { expect, test } from 'vitest'
import { soundStandard, THREE_CASES, type ThreeCase } from '../../testing/index.ts'
import { judgeResultRow, judgeResultRowPlainly } from '../format/resultRow.ts'
import { slotColumn } from '../format/readEventCells.ts'
import { measureReadings } from '../kinds/measureReadings.ts'
import { slotsOfEvent } from '../kinds/slots.ts'
import { printField } from '../quantity/field.ts'
import { combinePerson, conclude } from './combinePerson.ts'
import { compileScoring } from './compileScoring.ts'
import { judgeEvent, judgePlainly } from './judgeEvent.ts'
import { bandColumn, scoreColumn } from './scoreColumn.ts'

const PERSON = { entryId: '1', ageYears: 34, ageCountedOn: '2026-11-24', category: 'female', bodyMassG: 80_000 }

const standards = new Map(THREE_CASES.map((one) => [one, soundStandard(one.standard)]))

const open = (three: ThreeCase) => {
  const { one } = three
  const standard = standards.get(three)
  const event = standard?.events[0]
  if (!standard || !event) throw new Error('The standard made for the test has no event.')
  return { on: { standard, testDate: '2026-11-24' }, event, measure: measureReadings(event.protocol, one.readings) }
}

test('the table holds every limit in threes, and at least 400 cases', () => {
  expect(THREE_CASES.length).toBeGreaterThanOrEqual(400)
  expect(new Set(THREE_CASES.map(({ name }) => name)).size).toBe(THREE_CASES.length)
})

// a few hundred tests of a line each would drown the others in the report
const held = (check: (one: ThreeCase) => void): void => {
  for (const one of THREE_CASES) {
    try {
      check(one)
    } catch (error) {
      throw new Error(`${one.name}: ${error instanceof Error ? error.message : String(error)}`, { cause: error })
    }
  }
}

test('by the judge that explains itself', () => {
  held((one) => {
    const { on: terms, event, measure } = open(one)
    const { mark: kind, outcome, centipoints, ...figures } = one.expected
    const mark = judgeEvent(terms, event, PERSON, measure)
    expect(mark).toMatchObject({ kind, ...figures, ...(centipoints === undefined ? {} : { points: { centipoints } }) })
    expect(combinePerson(terms, PERSON, [mark]).outcome).toBe(outcome)
  })
})

test('by the judge for many people, which gives the very figures of the other', () => {
  held((one) => {
    const { on: terms, event, measure } = open(one)
    const { mark: kind, outcome, centipoints, ...figures } = one.expected
    const plain = judgePlainly(terms, event, PERSON, measure)
    expect(plain).toMatchObject({
      kind,
      ...figures,
      rounded: one.one.rounded,
      ...(centipoints === undefined ? {} : { points: { centipoints } }),
    })
    expect(conclude(terms, PERSON, [plain]).outcome).toBe(outcome)
  })
})

test('by the judge of columns', () => {
  held((one) => {
    const { event, measure } = open(one)
    if (measure.kind !== 'complete') throw new Error('Nothing was measured.')
    const compiled = compileScoring(event)
    const bands = bandColumn(compiled, Uint8Array.of(34), Uint8Array.of(0), ['female'])
    const scores = new Float64Array(1)
    scoreColumn(compiled, event.rounding, bands, Int32Array.of(measure.value), Int32Array.of(80_000), scores)
    const { margin, centipoints, className } = one.expected
    const classIndex = className === undefined ? undefined : ['low', 'middle', 'high'].indexOf(className)
    expect(scores[0]).toBe(margin ?? centipoints ?? classIndex)
  })
})

test('from a results file, with all its reasons and without', () => {
  held((one) => {
    const { on: terms, event } = open(one)
    const cells = slotsOfEvent(event).flatMap((slot) => {
      const value = one.one.readings[slot.id]
      return value === undefined ? [] : [[slotColumn('event', slot.id), printField(value, slot)]]
    })
    const row = {
      number: '1',
      birth_date: '1992-05-04',
      category: 'female',
      test_date: terms.testDate,
      body_mass: '80',
      ...Object.fromEntries(cells),
    }
    const explained = judgeResultRow(terms.standard, row, 2)
    const plain = judgeResultRowPlainly(terms.standard, row, 2)
    if (!explained.ok || !plain.ok) throw new Error('The row was refused.')
    const { mark: kind, outcome } = one.expected
    expect([explained.verdict.outcome, explained.verdict.marks[0]?.kind]).toEqual([outcome, kind])
    const { marks: _marks, ...verdict } = explained.verdict
    expect(plain.verdict).toEqual(verdict)
    expect(plain.marks[0]?.kind).toBe(kind)
  })
})
