import { KIND_CASES, plainEvent, plainStandard, soundStandard } from '@able-gauge/core/testing'
import { expect, test, vi } from 'vitest'
import { effectScope } from 'vue'
import { entry, openDay } from '../../../testing/openDay.ts'
import { useAgreedClock } from '../../sync/agreedClock.ts'
import { useGrading } from '../console/useGrading.ts'
import { useInstrument } from './useInstrument.ts'

const attempts = KIND_CASES.find(({ kind }) => kind === 'attempts')
if (!attempts) throw new Error('No case of attempts.')
const standard = soundStandard(plainStandard([plainEvent(attempts, { kind: 'effort' })]))

const open = async () => {
  const candidate = entry(28)
  const { store, day } = await openDay({ entries: [candidate], role: 'grader', plain: standard })
  const [event] = standard.events
  if (!event) throw new Error('The standard has no event.')
  const scope = effectScope()
  const parts = scope.run(() => {
    const grading = useGrading(
      () => day,
      event,
      () => candidate,
    )
    return { grading, instrument: useInstrument(event, grading) }
  })
  if (!parts) throw new Error('The scope ran nothing.')
  const send = (value: number, agoMs = 0) => {
    const moment = useAgreedClock().moment()
    const payload = { instrument: 'board-1', quantity: 'force' as const, value, resolution: 100 }
    return store.capture(
      event.id,
      null,
      { kind: 'sensed', payload },
      moment && { ...moment, atMs: moment.atMs - agoMs },
    )
  }
  return { ...parts, send, store, event }
}

test('what an instrument sent is offered for the next empty slot, and is gone once taken', async () => {
  const { instrument, send, grading } = await open()
  const sensed = await send(41_300)
  expect(instrument.offered.value?.id).toBe(sensed.id)
  const slot = instrument.reading.value?.slot
  await instrument.take()
  expect(instrument.offered.value).toBeUndefined()
  expect(grading.own.value).toMatchObject([{ kind: 'read', payload: { slot, value: 41_300, sensedBy: sensed.id } }])
  await send(43_000)
  expect(instrument.reading.value?.slot).not.toBe(slot)
})
test('what was sent more than a minute ago belonged to somebody before', async () => {
  const { instrument, send } = await open()
  await send(41_300, 61_000)
  expect(instrument.offered.value).toBeUndefined()
})
test('attached, figures are taken as they come, each once', async () => {
  const { instrument, send, grading } = await open()
  instrument.attached.value = true
  await send(41_300)
  await vi.waitFor(() => expect(grading.own.value).toHaveLength(1))
  await send(44_100)
  await vi.waitFor(() => expect(grading.own.value).toHaveLength(2))
  instrument.attached.value = false
})
