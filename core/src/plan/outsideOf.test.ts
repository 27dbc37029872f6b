import { expect, test } from 'vitest'
import { at } from '../../testing/stamped.ts'
import { asksBefore, type Outside } from '../referee/ruling.ts'
import type { StandardEvent } from '../standard/standard.ts'
import { outsideOf } from './outsideOf.ts'

// nothing else of an event is asked
const pullUps = { id: 'pull-ups', protocol: { clearBefore: ['No pain.', 'No dizziness.'] } } as StandardEvent
const run = { id: 'run', protocol: {} } as StandardEvent
const cleared = at(0, { kind: 'cleared', payload: { entryIds: ['anna'] } })
const codes = (outside: Outside, nowMs: number) => asksBefore(outside, nowMs).map(({ code }) => code)

test('a rest is asked about until its very end, and each check until all were found clear', () => {
  const resting = { kind: 'resting', eventId: 'pull-ups', untilMs: 1_000 } as const
  expect(codes(outsideOf(pullUps, 'anna', [], resting), 999)).toEqual(['resting', 'notClear', 'notClear'])
  expect(codes(outsideOf(pullUps, 'bela', [cleared], resting), 1_001)).toEqual(['notClear', 'notClear'])
  expect(codes(outsideOf(pullUps, 'anna', [cleared], resting), 999)).toEqual(['resting'])
  expect(codes(outsideOf(pullUps, 'anna', [cleared], resting), 1_000)).toEqual([])
})

test('whoever is at another event is asked about, whoever is at this one is not', () => {
  const underWay = { kind: 'underWay', eventId: 'run' } as const
  expect(codes(outsideOf(pullUps, 'anna', [cleared], underWay), 0)).toEqual(['underWayElsewhere'])
  expect(codes(outsideOf(run, 'anna', [], underWay), 0)).toEqual([])
  expect(codes(outsideOf(run, 'anna', [], undefined), 0)).toEqual([])
})
