import { flushPromises, mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import { standardNamed } from '@able-gauge/core/testing'
import { NO_CHOICES, type StandardEvent } from '@able-gauge/core'
import { entry, MOUNTED, openDay } from '../../../testing/openDay.ts'
import VariantChoice from './VariantChoice.vue'

const standard = standardNamed('v3')
const plain = standard.events[0] as StandardEvent
const KNEES = { id: 'knees', name: 'Press-ups on the knees' }
const withForm = { ...plain, variants: [{ ...plain, ...KNEES }] } as StandardEvent

const open = async (event: StandardEvent, change: object = {}) => {
  const { store, day } = await openDay({
    entries: [entry(28, change)],
    role: 'grader',
    plain: { ...standard, events: [event, ...standard.events.slice(1)] },
  })
  const choice = mount(VariantChoice, { ...MOUNTED, props: { event, entry: day.entries[0] ?? entry(28) } })
  const choose = async (index: number): Promise<void> => {
    await choice.findAll('option')[index]?.setValue()
    await flushPromises()
  }
  const varied = () => store.allIn(event.id).filter(({ kind }) => kind === 'varied')
  return { choice, choose, varied }
}

test('an event with one form asks nothing', async () => {
  const { choice } = await open(plain)
  expect(choice.find('select').exists()).toBe(false)
})

test('another form is a capture, and choosing the one that is on is none', async () => {
  const { choose, varied } = await open(withForm)
  await choose(0)
  expect(varied()).toEqual([])
  await choose(1)
  expect(varied()).toMatchObject([{ entryId: entry(28).id, payload: { variant: 'knees' } }])
  await choose(1)
  expect(varied()).toHaveLength(1)
  await choose(0)
  expect(varied().at(-1)?.payload).toEqual({})
})

test('the form that was planned is the one that is shown', async () => {
  const { choice } = await open(withForm, { choices: { ...NO_CHOICES, variants: { [plain.id]: 'knees' } } })
  expect(choice.get('select').element.value).toBe('knees')
})
