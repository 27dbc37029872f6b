import { expect, test, vi } from 'vitest'
import { entry, openDay } from '../../../testing/openDay.ts'
import { useWork } from './useWork.ts'

test('on a device so slow that the marks of everybody come later, a console still hears what follows an end taken back', async () => {
  const candidate = entry(28)
  const { store, day } = await openDay({ entries: [candidate], role: 'grader' })
  const [event] = day.standard.events
  if (!event) throw new Error('The standard has no events.')
  // every look at the clock costs a moment, so that judging counts as slow and is put off
  let lookedMs = performance.now()
  vi.spyOn(performance, 'now').mockImplementation(() => (lookedMs += 10))
  const work = useWork(
    () => day,
    event,
    () => candidate,
  )
  await work.observe({ kind: 'started', payload: {} })
  await work.observe({ kind: 'counted', payload: {} })
  expect(store.marksIn(event.id).value.get(candidate.id)).toBeDefined()
  await work.stop('ended')
  expect(work.isDone.value).toBe(true)
  await work.undo()
  expect(work.isDone.value).toBe(false)
  expect(work.mark.value).toMatchObject({ kind: 'running', soFar: 1 })
  vi.restoreAllMocks()
})
