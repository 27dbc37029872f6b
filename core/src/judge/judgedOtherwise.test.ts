/** Where today's judge differs from what was signed: in the outcome or the figures of an event, not in how they are explained. */
import { expect, test } from 'vitest'
import { judgedOtherwise } from './judgedOtherwise.ts'
import type { Verdict } from './mark.ts'
import { storeVerdict } from './storedVerdict.ts'

const mark = (eventId: string, margin: number, change: object = {}) => ({
  eventId,
  kind: 'met',
  margin,
  trace: [],
  ...change,
})
const verdict = (outcome: string, ...marks: object[]): Verdict =>
  ({ outcome, settled: true, eventsToGo: 0, marks, trace: [] }) as unknown as Verdict
const signed = storeVerdict(verdict('met', mark('run', 1_000), mark('press-ups', 2)))
const differs = (today: Verdict) => judgedOtherwise('anna', signed, today)

test('nothing is told where only the explanation differs', () => {
  expect(differs(verdict('met', mark('run', 1_000), mark('press-ups', 2)))).toBeNull()
  const told = {
    trace: [{ code: 'tookPart' }],
    doubts: [{ code: 'countsDiffer', captures: [] }],
    span: { fromMs: 0, toMs: 1 },
  }
  expect(differs(verdict('met', mark('press-ups', 2, told), mark('run', 1_000)))).toBeNull()
})

test('events whose figures differ are named, and one that was not there', () => {
  expect(differs(verdict('met', mark('run', 999), mark('press-ups', 2)))).toEqual({
    entryId: 'anna',
    signed: 'met',
    today: 'met',
    eventIds: ['run'],
  })
  expect(differs(verdict('met', mark('run', 999), mark('press-ups', 3), mark('grip', 0)))?.eventIds).toEqual([
    'run',
    'press-ups',
    'grip',
  ])
})

test('another outcome is told though no event differs', () => {
  expect(differs(verdict('short', mark('run', 1_000), mark('press-ups', 2)))).toEqual({
    entryId: 'anna',
    signed: 'met',
    today: 'short',
    eventIds: [],
  })
})
