import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import WaveChoice from './WaveChoice.vue'

test('choosing the wave that is shown says so too, so that it stays when its last runner is home', async () => {
  const choice = mount(WaveChoice, { props: { waves: [1, 2, 3], modelValue: 2 } })
  const buttons = choice.findAll('button')
  expect(buttons.map((button) => button.attributes('aria-pressed'))).toEqual(['false', 'true', 'false'])
  await buttons[1]?.trigger('click')
  await buttons[2]?.trigger('click')
  expect(choice.emitted('update:modelValue')).toEqual([[2], [3]])
})

test('with one wave there is nothing to choose', () => {
  expect(
    mount(WaveChoice, { props: { waves: [1], modelValue: 1 } })
      .find('button')
      .exists(),
  ).toBe(false)
})
