import { expect, test } from 'vitest'
import { KIND_CASES } from '../../testing/kindCases.ts'
import { plainEvent, plainStandard, soundStandard } from '../../testing/kindStandard.ts'
import { standardNamed } from '../../testing/standards.ts'
import { judgeDay } from '../judge/judgeDay.ts'
import { lineFault, INSTRUMENT_KINDS } from '../instrument/instrumentLine.ts'
import { readingFrom } from '../kinds/readingFrom.ts'
import { rehearseDay } from './rehearseDay.ts'
import { simulateInstrument } from './simulateInstrument.ts'

const START_MS = 1_795_467_600_000
const people = Array.from({ length: 12 }, (_, index) => ({
  entryId: `00000000-0000-4000-8000-${String(index + 1).padStart(12, '0')}`,
  wave: 1 + Math.floor(index / 6),
  category: index % 2 === 0 ? 'female' : 'male',
  ageYears: 20 + index,
}))
const candidates = people.map((person) => ({ ...person, ageCountedOn: '2026-11-24', bodyMassG: 75_000 }))
const seen = new Set<string>()
const oneOfEach = KIND_CASES.filter(({ kind }) => !seen.has(kind) && seen.add(kind))

test.each(oneOfEach.map((one) => [one.kind, one] as const))('a rehearsal of %s gives everybody a mark', (_, one) => {
  const standard = soundStandard(plainStandard([plainEvent(one, { kind: 'effort' })]))
  const captures = rehearseDay(standard, people, 5, START_MS)
  const verdicts = judgeDay({ standard, testDate: '2026-11-24' }, candidates, captures)
  const kinds = [...verdicts.values()].map(({ marks }) => marks[0]?.kind)
  expect(kinds).toHaveLength(12)
  for (const kind of kinds) expect(['scored', 'met', 'short', 'ended']).toContain(kind)
})

test('the same seed gives the same captures, another seed others', () => {
  const standard = standardNamed('v3')
  const ids = (seed: number) => rehearseDay(standard, people, seed, START_MS).map(({ id }) => id)
  expect(ids(5)).toEqual(ids(5))
  expect(ids(6)).not.toEqual(ids(5))
})

test('rests of the standard are kept, and an event that is worked by hand is left out', () => {
  const standard = standardNamed('v3')
  const [first, second] = standard.events
  const captures = rehearseDay(standard, people, 9, START_MS)
  for (const { entryId } of people) {
    const own = captures.filter((capture) => capture.entryId === entryId)
    const ended = Math.max(...own.filter(({ eventId }) => eventId === first?.id).map(({ atMs }) => atMs))
    const wave = captures.find(
      ({ kind, payload }) => kind === 'waveStarted' && 'entryIds' in payload && payload.entryIds.includes(entryId),
    )
    const begun = Math.min(
      wave?.atMs ?? Infinity,
      ...own.filter(({ eventId }) => eventId === second?.id).map(({ atMs }) => atMs),
    )
    expect(begun - ended).toBeGreaterThanOrEqual(first?.restAfterMs ?? 0)
  }
  const without = rehearseDay(standard, people, 9, START_MS, first?.id)
  expect(without.filter(({ eventId }) => eventId === first?.id)).toEqual([])
})

test.each(INSTRUMENT_KINDS)('a simulated %s sends whole lines', (kind) => {
  const lines = simulateInstrument(kind, 3, 20, [4, 7])
  expect(lines).toHaveLength(20)
  for (const line of lines) expect(lineFault(line)).toBeNull()
})
test('a line without what its kind tells is faulty', () => {
  const line = { kind: 'dynamometer' as const, instrument: 'grip-1', line: 1 }
  expect(lineFault(line)).toContain('a value')
  expect(lineFault({ ...line, value: 40_000 })).toContain('a resolution')
  expect(lineFault({ ...line, kind: 'bibReader' })).toContain('a bib')
})
test('a sensed figure fills the next empty slot that takes it, a pulse as beats in the window', () => {
  const caseOf = (kind: string) => {
    const found = oneOfEach.find((one) => one.kind === kind)
    if (!found) throw new Error(`No case of ${kind}.`)
    return soundStandard(plainStandard([plainEvent(found, { kind: 'effort' })])).events[0]?.protocol
  }
  const step = caseOf('stepTest')
  if (step?.kind !== 'stepTest') throw new Error('A step test was expected.')
  const pulse = { instrument: 'strap-1', quantity: 'pulse' as const, value: 122, resolution: 1 }
  expect(readingFrom({ ...step, pulseWindowMs: 30_000 }, pulse, new Set())).toEqual({ slot: 'pulse', value: 61 })
  expect(readingFrom(step, pulse, new Set(['pulse']))).toBeNull()
  const sprint = caseOf('sprint')
  expect(sprint && readingFrom(sprint, pulse, new Set())).toBeNull()
})
