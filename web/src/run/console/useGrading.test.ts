import type { Capture } from '@able-gauge/core'
import { expect, test, vi } from 'vitest'
import { entry, inScope, openDay } from '../../../testing/openDay.ts'
import { deviceId } from '../../sync/outbox.ts'
import { useGrading } from './useGrading.ts'

test('on a device so slow that the marks of everybody come later, a console still hears what follows an end taken back', async () => {
  const candidate = entry(28)
  const { store, day } = await openDay({ entries: [candidate], role: 'grader' })
  const [event] = day.standard.events
  if (!event) throw new Error('The standard has no events.')
  // every look at the clock costs a moment, so that judging counts as slow and is put off
  let lookedMs = performance.now()
  vi.spyOn(performance, 'now').mockImplementation(() => (lookedMs += 10))
  const grading = inScope(() =>
    useGrading(
      () => day,
      event,
      () => candidate,
    ),
  )
  await grading.observe({ kind: 'started', payload: {} })
  await grading.observe({ kind: 'counted', payload: {} })
  expect(store.marksIn(event.id).value.get(candidate.id)).toBeDefined()
  await grading.stop('ended')
  expect(grading.isDone.value).toBe(true)
  await grading.undo()
  expect(grading.isDone.value).toBe(false)
  expect(grading.mark.value).toMatchObject({ kind: 'running', soFar: 1 })
  vi.restoreAllMocks()
})

test('what a second device presses is kept beside the count that stands, until somebody takes over', async () => {
  const candidate = entry(28)
  const nowMs = Date.now()
  const others = ['started', 'counted', 'counted'].map((kind, index) => ({
    id: `01890000-0000-7000-8000-00000000010${index}`,
    eventId: 'press-ups',
    entryId: candidate.id,
    kind,
    payload: {},
    deviceId: 'the-other-device',
    deviceMs: index,
    atMs: nowMs - 10_000 + index * 2_000,
    uncertaintyMs: 5,
    seq: index + 1,
    actorId: 'a',
    receivedMs: nowMs,
    // written as the ledger sends it
  })) as unknown as Capture[]
  const { day } = await openDay({ entries: [candidate], role: 'grader', captures: others })
  const event = day.standard.events.find(({ id }) => id === 'press-ups')
  if (!event) throw new Error('The demo standard holds no press-ups.')
  const grading = inScope(() =>
    useGrading(
      () => day,
      event,
      () => candidate,
    ),
  )
  expect(grading.heldElsewhere.value).toBe(true)
  expect(grading.undoable.value).toBeUndefined()
  await grading.observe({ kind: 'counted', payload: {} })
  expect(grading.mark.value).toMatchObject({ kind: 'running', soFar: 2 })
  expect(grading.ruling.value.second).toEqual([{ deviceId: deviceId(), soFar: 1 }])
  await grading.takeOver()
  await grading.observe({ kind: 'counted', payload: {} })
  expect(grading.heldElsewhere.value).toBe(false)
  expect(grading.mark.value).toMatchObject({ kind: 'running', soFar: 3 })
})
