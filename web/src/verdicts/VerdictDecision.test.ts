import { flushPromises, mount } from '@vue/test-utils'
import { expect, test, vi } from 'vitest'
import { entry, MOUNTED, openDay } from '../../testing/openDay.ts'
import VerdictDecision from './VerdictDecision.vue'

const open = async () => {
  const anna = entry(1)
  const { store, day } = await openDay({ entries: [anna], role: 'officer' })
  const event = day.standard.events.find(({ id }) => id === 'run')
  if (!event) throw new Error('The demo standard has no run.')
  const form = mount(VerdictDecision, { props: { eventId: 'run', event, entry: anna }, ...MOUNTED })
  const choose = (value: string) => form.find(`input[value=${value}]`).setValue(true)
  const decide = async () => {
    await form.find('form').trigger('submit')
    await flushPromises()
  }
  const decided = () => store.allIn('run').map(({ kind, payload }) => [kind, payload])
  return { form, choose, decide, decided }
}

test('a word or another figure is recorded with its reason', async () => {
  const { form, choose, decide, decided } = await open()
  await form.find('textarea').setValue('Backup watch.')
  await choose('met')
  await decide()
  await vi.waitFor(() => expect(decided()).toEqual([['decided', { as: 'met', reason: 'Backup watch.' }]]))
  await choose('figure')
  await form.find('#decision-figure').setValue('9:38,4')
  await decide()
  await vi.waitFor(() => expect(decided()[1]).toEqual(['decided', { value: 578_400, reason: 'Backup watch.' }]))
})

test('a figure that cannot be read is told and not recorded', async () => {
  const { form, choose, decide, decided } = await open()
  await form.find('textarea').setValue('Backup watch.')
  await choose('figure')
  expect(form.text()).toContain('Write a time, such as 9:41.9.')
  await form.find('#decision-figure').setValue('9:75')
  expect(form.text()).toContain('has 75 seconds')
  await decide()
  expect(decided()).toEqual([])
})
