/** What has to be captured to put a slip right, to the letter: nothing is changed or removed. */
import { expect, test } from 'vitest'
import type { Capture, Observation } from './capture.ts'
import { notStarted, startedAt, wasAnother } from './putRight.ts'

const [ANNA, BEN] = ['00000000-0000-4000-8000-00000000000a', '00000000-0000-4000-8000-00000000000b']

const of = (id: string, observation: Observation, entryId: string | null = ANNA): Capture => ({
  id,
  eventId: 'press-ups',
  entryId,
  deviceId: 'one',
  deviceMs: 0,
  atMs: 1_000,
  uncertaintyMs: 10,
  ...observation,
})
const repetition: Observation = { kind: 'counted', payload: {} }
const decided: Observation = { kind: 'decided', payload: { as: 'met', reason: 'seen by two' } }
const start: Observation = { kind: 'started', payload: {} }

test('what belongs to another goes to them, but for what an officer said and what belongs to nobody', () => {
  expect(wasAnother([of('1', repetition), of('2', decided), of('3', repetition, null)], BEN)).toEqual([
    {
      entryId: BEN,
      observation: { kind: 'assigned', payload: { captureId: '1', reason: 'it was somebody else' } },
    },
  ])
})

test('every start that stands moves to the moment that is given', () => {
  expect(startedAt([of('1', start), of('2', start, null)], 500, 'set from the other watch')).toEqual([
    {
      entryId: ANNA,
      observation: { kind: 'moved', payload: { captureId: '1', toMs: 500, reason: 'set from the other watch' } },
    },
    {
      entryId: null,
      observation: { kind: 'moved', payload: { captureId: '2', toMs: 500, reason: 'set from the other watch' } },
    },
  ])
})

test('who did not start at all has the start taken back', () => {
  expect(notStarted(of('1', start))).toEqual({
    entryId: ANNA,
    observation: { kind: 'voided', payload: { captureId: '1', reason: 'false start' } },
  })
})
