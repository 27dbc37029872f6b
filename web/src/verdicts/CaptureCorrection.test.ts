import { KIND_CASES, plainEvent, plainStandard, soundStandard, standardNamed } from '@able-gauge/core/testing'
import { slotsOf } from '@able-gauge/core'
import { mount } from '@vue/test-utils'
import { expect, test, vi } from 'vitest'
import { entry, MOUNTED, openDay } from '../../testing/openDay.ts'
import CaptureCorrection from './CaptureCorrection.vue'

const standard = standardNamed('v3')
const attempts = KIND_CASES.find(({ kind }) => kind === 'attempts')
if (!attempts) throw new Error('No case of attempts.')
const grip = soundStandard(plainStandard([plainEvent(attempts, { kind: 'effort' })]))
const eventOf = (kind: string) => {
  const found = [...standard.events, ...grip.events].find(({ protocol }) => protocol.kind === kind)
  if (!found) throw new Error(`The demo standard holds no ${kind}.`)
  return found
}

const open = async (
  kind: string,
  observation: Parameters<Awaited<ReturnType<typeof openDay>>['store']['capture']>[2],
) => {
  const candidate = entry(28)
  const { store, day } = await openDay({
    entries: [candidate],
    role: 'officer',
    ...(kind === 'attempts' ? { plain: grip } : {}),
  })
  const event = eventOf(kind)
  const capture = await store.capture(event.id, candidate.id, observation)
  const form = mount(CaptureCorrection, { ...MOUNTED, props: { day, event, capture } })
  const submit = async (): Promise<void> => {
    await form.find('form').trigger('submit')
    await new Promise((resolve) => setTimeout(resolve, 30))
  }
  return { store, event, capture, form, submit }
}

test('a correction without a reason is not recorded', async () => {
  const { store, event, form, submit } = await open('timedDistance', { kind: 'crossed', payload: {} })
  await submit()
  expect(form.text()).toContain('A correction needs its reason.')
  expect(store.allIn(event.id)).toHaveLength(1)
})
test('a stamp is moved by seconds, earlier with a minus, and the move is a capture of its own', async () => {
  const { store, event, capture, form, submit } = await open('timedDistance', { kind: 'crossed', payload: {} })
  await form.findAll('input[type=radio]').at(-1)?.setValue(true)
  const [shift, reason] = form.findAll('input.form-control')
  await reason?.setValue('touched late')
  await shift?.setValue('soon')
  await submit()
  expect(form.text()).toContain('"soon" is not a number of seconds')
  await shift?.setValue('-1.5')
  await submit()
  await vi.waitFor(() => expect(form.emitted('done')).toHaveLength(1))
  expect(store.settledIn(event.id).value.map(({ atMs }) => atMs)).toEqual([capture.atMs - 1_500])
})
test('a figure is replaced in the form it is read in', async () => {
  const slot = slotsOf(eventOf('attempts').protocol)[0]?.id ?? ''
  const { store, event, form, submit } = await open('attempts', { kind: 'read', payload: { slot, value: 14_500 } })
  await form.findAll('input[type=radio]').at(1)?.setValue(true)
  const [figure, reason] = form.findAll('input.form-control')
  await figure?.setValue('41.5')
  await reason?.setValue('digits turned round')
  await submit()
  await vi.waitFor(() => expect(store.settledIn(event.id).value).toMatchObject([{ payload: { slot, value: 41_500 } }]))
})
