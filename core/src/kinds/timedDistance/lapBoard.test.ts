import { expect, test } from 'vitest'
import { annasCaptures, protocolWith } from '../../../testing/rulePairs.ts'
import { START_MS } from '../../../testing/stamped.ts'
import type { Capture } from '../../capture/capture.ts'
import { lapBoard } from './lapBoard.ts'
import type { TimedDistance } from './protocol.ts'

const at = (entryId: string, afterMs: number, kind = 'crossed', payload: object = {}): Capture =>
  ({
    ...annasCaptures([[0, 'waveStarted', { wave: 1, entryIds: [] }]])[0],
    id: `${entryId} ${afterMs}`,
    entryId,
    atMs: START_MS + afterMs,
    kind,
    payload,
  }) as Capture
test('runners stand in the order they are due, then who waits, who is home by their time, and who ended', () => {
  const run = protocolWith('timedDistance', {
    distanceMm: 800_000,
    lapLengthMm: 400_000,
    limitMs: 900_000,
  }) as TimedDistance
  const people = ['home-late', 'slow', 'ended', 'fast', 'home-soon', 'second'].map((entryId) => ({ entryId, wave: 1 }))
  const start = {
    ...at('x', 0, 'waveStarted', { wave: 1, entryIds: people.map(({ entryId }) => entryId) }),
    entryId: null,
  }
  const settled = [
    start,
    at('fast', 80_000),
    at('home-soon', 90_000),
    at('home-late', 95_000),
    at('second', 100_000),
    at('slow', 120_000),
    at('ended', 130_000, 'stopped', { reason: 'didNotFinish' }),
    at('home-soon', 180_000),
    at('home-late', 190_000),
  ] as Capture[]
  const board = lapBoard(run, 1, people, settled, 400_000)
  expect(board.runners.map(({ entryId }) => entryId)).toEqual([
    'fast',
    'second',
    'slow',
    'home-soon',
    'home-late',
    'ended',
  ])
  expect(board.crossings.map(({ entryId }) => entryId)).toEqual([
    'home-late',
    'home-soon',
    'slow',
    'second',
    'home-late',
    'home-soon',
    'fast',
  ])
  expect(lapBoard(run, 1, people, [], 400_000).runners.map(({ entryId }) => entryId)).toEqual(
    people.map(({ entryId }) => entryId),
  )
})
