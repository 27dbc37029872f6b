import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import { nextTick } from 'vue'
import NumberPad from './NumberPad.vue'

const pad = (modelValue = '', disabled = false) => {
  const mounted = mount(NumberPad, {
    props: {
      modelValue,
      disabled,
      'onUpdate:modelValue': (value: string) => void mounted.setProps({ modelValue: value }),
    },
  })
  const press = async (key: string): Promise<void> => {
    await mounted
      .findAll('button')
      .find((button) => button.text() === key)
      ?.trigger('click')
    await nextTick()
  }
  return { mounted, press, text: () => mounted.props('modelValue') }
}

test('keys write one after the other, Delete takes the last, Enter takes it all', async () => {
  const { mounted, press, text } = pad()
  for (const key of ['3', '8', '.', '5', '5', 'Delete']) await press(key)
  expect(text()).toBe('38.5')
  await press('Enter')
  expect(mounted.emitted('enter')).toHaveLength(1)
})

test('with nothing typed there is nothing to take, and a console that is not ready takes nothing', async () => {
  const empty = pad()
  await empty.press('Enter')
  expect(empty.mounted.emitted('enter')).toBeUndefined()
  const closed = pad('12', true)
  for (const key of ['3', 'Delete', 'Enter']) await closed.press(key)
  expect(closed.text()).toBe('12')
  expect(closed.mounted.emitted('enter')).toBeUndefined()
})

test('a press leaves the focus in the field it writes to', () => {
  const event = new Event('pointerdown', { cancelable: true, bubbles: true })
  pad().mounted.get('button').element.dispatchEvent(event)
  expect(event.defaultPrevented).toBe(true)
})
