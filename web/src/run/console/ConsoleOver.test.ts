import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import ConsoleOver from './ConsoleOver.vue'

const open = async () => {
  const over = mount(ConsoleOver, {
    props: { mark: undefined, following: undefined, mayUndo: true, moreLabel: '' },
    global: { stubs: { RouterLink: true } },
    attachTo: document.body,
  })
  // within the very millisecond of its mounting a listener hears nothing
  await new Promise((done) => setTimeout(done, 3))
  const undo = over.get('button').element
  return { over, undo, undone: () => over.emitted('undo')?.length ?? 0 }
}
const lift = (on: HTMLElement): boolean =>
  on.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true, detail: 1 }))

test('the finger that ended the attempt undoes nothing when it is lifted over the button that appeared', async () => {
  const { undo, undone } = await open()
  lift(undo)
  expect(undone()).toBe(0)
  undo.dispatchEvent(new Event('pointerdown', { bubbles: true }))
  lift(undo)
  expect(undone()).toBe(1)
})

test('a key presses it at once', async () => {
  const { undo, undone } = await open()
  undo.click()
  expect(undone()).toBe(1)
})
