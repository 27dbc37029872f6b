import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import ConsoleOver from './ConsoleOver.vue'

const open = () => {
  const over = mount(ConsoleOver, {
    props: { mark: undefined, following: undefined, mayUndo: true, moreLabel: '' },
    global: { stubs: { RouterLink: true } },
    attachTo: document.body,
  })
  const undo = over.get('button').element
  return { over, undo, undone: () => over.emitted('undo')?.length ?? 0 }
}
const lift = (on: HTMLElement): boolean =>
  on.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true, detail: 1 }))

test('the finger that ended the attempt undoes nothing when it is lifted over the button that appeared', () => {
  const { undo, undone } = open()
  lift(undo)
  expect(undone()).toBe(0)
  undo.dispatchEvent(new Event('pointerdown', { bubbles: true }))
  lift(undo)
  expect(undone()).toBe(1)
})

test('a key presses it at once', () => {
  const { undo, undone } = open()
  undo.click()
  expect(undone()).toBe(1)
})
