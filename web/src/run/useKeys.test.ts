import { mount } from '@vue/test-utils'
import { defineComponent, h } from 'vue'
import { expect, test } from 'vitest'
import { isForConsole, useKeys } from './useKeys.ts'

const press = (name: string, where: { tag?: string; inDialog?: boolean; inOwnField?: boolean } = {}) => ({
  name,
  tag: '',
  inDialog: false,
  inOwnField: false,
  ...where,
})
const never = () => false

test('keys are heard wherever nothing else has the focus', () => {
  expect(isForConsole(press('u', { tag: 'BODY' }), never)).toBe(true)
  expect(isForConsole(press('u', { tag: 'BUTTON' }), never)).toBe(true)
})

test('Enter and Space work a focused button, unless the console needs them', () => {
  expect(isForConsole(press(' ', { tag: 'BUTTON' }), never)).toBe(false)
  expect(isForConsole(press('Enter', { tag: 'A' }), never)).toBe(false)
  expect(isForConsole(press(' ', { tag: 'BUTTON' }), (name) => name === ' ')).toBe(true)
})

test('typing into a field or a dialog captures nothing', () => {
  expect(isForConsole(press('u', { tag: 'INPUT' }), never)).toBe(false)
  expect(isForConsole(press('5', { tag: 'INPUT', inOwnField: true }), never)).toBe(true)
  expect(isForConsole(press('u', { tag: 'BUTTON', inDialog: true }), never)).toBe(false)
  expect(isForConsole(press('?', { tag: 'BUTTON', inDialog: true }), never)).toBe(true)
})

test('a key held down acts once, and a shortcut of the browser never', () => {
  let count = 0
  const component = defineComponent({
    setup: () => {
      useKeys({ actionFor: (name) => (name === 'n' ? () => (count += 1) : undefined) })
      return () => h('div')
    },
  })
  const mounted = mount(component)
  const key = (change: KeyboardEventInit) => window.dispatchEvent(new KeyboardEvent('keydown', { key: 'N', ...change }))
  key({})
  key({ repeat: true })
  key({ ctrlKey: true })
  expect(count).toBe(1)
  mounted.unmount()
  key({})
  expect(count).toBe(1)
})
