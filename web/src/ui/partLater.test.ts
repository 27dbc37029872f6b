import { flushPromises, mount } from '@vue/test-utils'
import { expect, test, vi } from 'vitest'
import { defineComponent, h } from 'vue'
import { dialogLater } from './partLater.ts'

const Dialog = defineComponent({
  props: { modelValue: Boolean, name: { type: String, default: '' } },
  setup: (props) => () => h('p', props.modelValue ? `open for ${props.name}` : 'closed'),
})

/** As a module that was fetched. */
const FETCHED = { default: Dialog, [Symbol.toStringTag]: 'Module' }

test('nothing of a dialog is fetched before it is opened, and then it takes what it is given', async () => {
  const loader = vi.fn(() => Promise.resolve(FETCHED))
  const later = mount(dialogLater(loader), { props: { modelValue: false, name: 'Anna' } })
  await flushPromises()
  expect(loader).not.toHaveBeenCalled()
  expect(later.find('p').exists()).toBe(false)
  await later.setProps({ modelValue: true })
  await flushPromises()
  expect(later.text()).toBe('open for Anna')
  // closed it stays, so that what was typed in it does
  await later.setProps({ modelValue: false })
  expect(later.text()).toBe('closed')
  expect(loader).toHaveBeenCalledTimes(1)
})

test('a dialog that does not come for lack of a network comes once there is one', async () => {
  vi.useFakeTimers()
  try {
    let isAway = true
    const loader = vi.fn(() => (isAway ? Promise.reject(new Error('away')) : Promise.resolve(FETCHED)))
    const later = mount(dialogLater(loader), { props: { modelValue: true, name: 'Bo' } })
    await vi.advanceTimersByTimeAsync(1_500)
    expect(later.find('p').exists()).toBe(false)
    isAway = false
    await vi.advanceTimersByTimeAsync(2_500)
    expect(later.text()).toBe('open for Bo')
  } finally {
    vi.useRealTimers()
  }
})
