import { standardNamed } from '@able-gauge/core/testing'
import { expect, test } from 'vitest'
import { entry, inScope, openDay } from '../../../../testing/openDay.ts'
import { useAgreedClock } from '../../../sync/agreedClock.ts'
import { useRepetitions, type RepetitionEvent } from './useRepetitions.ts'

const pressUps = standardNamed('v3').events[0]
if (pressUps?.protocol.kind !== 'repetitionsInTime') throw new Error('The demo standard changed.')
const event = pressUps as RepetitionEvent

const open = async ({
  attendance = 'present',
  signedOff = null,
}: { attendance?: 'present' | 'held'; signedOff?: { atMs: number; by: string } | null } = {}) => {
  const candidate = entry(28, { attendance })
  const { store, day } = await openDay({ entries: [candidate], role: 'grader', signedOff })
  return {
    reps: inScope(() =>
      useRepetitions(
        () => day,
        event,
        () => candidate,
      ),
    ),
    store,
  }
}
const start = async (reps: Awaited<ReturnType<typeof open>>['reps'], agoMs = 1_000) => {
  const moment = useAgreedClock().moment()
  if (moment) await reps.start({ ...moment, atMs: moment.atMs - agoMs })
}

test('counting, refusing and cautions are on the tally at once', async () => {
  const { reps } = await open()
  await start(reps)
  await Promise.all([reps.count(), reps.count(), reps.refuse('depth'), reps.caution()])
  expect(reps.attempt.value.tally).toEqual({ counted: 2, refused: { depth: 1 }, cautions: 1 })
  expect(reps.cautionsLeft.value).toBe(1)
})

test('undo sees what was pressed just before it', async () => {
  const { reps } = await open()
  await start(reps)
  await Promise.all([reps.refuse('depth'), reps.count(), reps.count(), reps.grading.undo()])
  expect(reps.attempt.value.tally).toMatchObject({ counted: 1, refused: { depth: 1 } })
  expect(reps.undoWords.value).toBe('last: counted 1')
})

test('before the start nothing is counted', async () => {
  const { reps, store } = await open()
  await reps.count()
  expect(store.allIn('press-ups')).toEqual([])
  expect(reps.phase.value).toBe('ready')
})

test('the caution over the limit ends it, and taking that caution back lets it go on', async () => {
  const { reps } = await open()
  await start(reps)
  for (let caution = 0; caution < 3; caution++) await reps.caution()
  expect(reps.phase.value).toBe('over')
  await reps.grading.undo()
  expect(reps.phase.value).toBe('running')
})

test('the time ends it at its own moment, however late it is noticed, and nothing is captured for it', async () => {
  const { reps, store } = await open()
  await start(reps, 300_000)
  expect(reps.phase.value).toBe('over')
  const { startedAtMs, end } = reps.attempt.value
  expect(end).toEqual({ by: 'time', atMs: (startedAtMs ?? 0) + 90_000 })
  expect(store.allIn('press-ups').map(({ kind }) => kind)).toEqual(['started'])
  expect(reps.grading.undoable.value?.kind).toBe('started')
})

test('a restart is offered within the first five only', async () => {
  const { reps } = await open()
  await start(reps)
  for (let count = 0; count < 5; count++) await reps.count()
  expect(reps.restartOffered.value).toBe(true)
  await reps.count()
  expect(reps.restartOffered.value).toBe(false)
  await reps.grading.undo()
  await reps.restart('fault explained')
  expect([reps.phase.value, reps.attempt.value.tally.counted]).toEqual(['ready', 0])
})

test('somebody who is held cannot be started, and a signed day takes nothing', async () => {
  expect((await open({ attendance: 'held' })).reps.grading.ready.value).toBe(false)
  expect((await open({ signedOff: { atMs: 0, by: 'Ines Calloway-Brandt' } })).reps.grading.mayCapture.value).toBe(false)
})

test('a stop for safety leaves the mark open', async () => {
  const { reps } = await open()
  await start(reps)
  await reps.stop('safety')
  expect(reps.grading.mark.value).toMatchObject({ kind: 'open', reason: 'stoppedForSafety' })
})
