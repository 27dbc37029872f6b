/** Which captures a verdict rests on, and what is on record about starts. */
import { expect, test } from 'vitest'
import { at, bare, crossed, ENTRY, waveStarted } from '../../testing/stamped.ts'
import { inputsIn } from './inputsOf.ts'
import { startsOnRecord } from './startsOnRecord.ts'

const OTHER = '00000000-0000-4000-8000-000000000002'
const THIRD = '00000000-0000-4000-8000-000000000003'
const voided = (captureId: string, entryId: string | null = null) =>
  at(9_000, { kind: 'voided', payload: { captureId, reason: 'wrong' } }, { entryId })

test('one’s own and everybody’s, in the order given, with what corrects them and what they correct', () => {
  const start = waveStarted()
  const mine = crossed(1_000)
  const theirs = { ...crossed(2_000), entryId: OTHER }
  const taken = { ...crossed(3_000), entryId: OTHER }
  const assigned = at(4_000, { kind: 'assigned', payload: { captureId: taken.id } })
  const undone = { ...voided(mine.id), entryId: OTHER }
  const broughtBack = { ...voided(undone.id), entryId: OTHER }
  const elsewhere = { ...voided('no-such-capture'), entryId: OTHER }
  const all = [broughtBack, theirs, start, taken, assigned, elsewhere, undone, mine]
  const of = inputsIn(all)
  // the stamp that was taken from another is an input of both
  expect(of(ENTRY)).toEqual([broughtBack, start, taken, assigned, undone, mine])
  expect(of(OTHER)).toEqual([broughtBack, theirs, start, taken, assigned, elsewhere, undone, mine])
  expect(of(THIRD)).toEqual([start])
  expect(inputsIn([mine])(OTHER)).toEqual([])
  expect(inputsIn([])(ENTRY)).toEqual([])
})

test('what a second press answered when somebody was started, of every start that stands', () => {
  const first = { ...bare(0, 'started'), despite: ['restRuns'] as never }
  const second = { ...bare(1_000, 'started'), despite: ['notClear'] as never }
  const undone = { ...bare(2_000, 'started'), despite: ['early'] as never }
  const wave = { ...waveStarted(3_000), eventId: 'run', despite: ['restRuns'] as never }
  const record = startsOnRecord([first, second, undone, voided(undone.id), wave, bare(4_000, 'counted')])
  expect([...record.answered('event', ENTRY)]).toEqual(['restRuns', 'notClear'])
  expect([...record.answered('run', ENTRY)]).toEqual(['restRuns'])
  expect([...record.answered('event', OTHER)]).toEqual([])
})

test('who was found clear, in which event, unless it was taken back', () => {
  const clear = (eventId: string, entryId = ENTRY) =>
    at(0, { kind: 'cleared', payload: { entryIds: [entryId] } }, { eventId, entryId: null })
  const takenBack = clear('run', OTHER)
  const { isClear } = startsOnRecord([clear('event'), takenBack, voided(takenBack.id), bare(0, 'started')])
  expect([isClear('event', ENTRY), isClear('event', OTHER), isClear('run', ENTRY), isClear('run', OTHER)]).toEqual([
    true,
    false,
    false,
    false,
  ])
})
