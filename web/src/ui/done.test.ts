import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { nextTick } from 'vue'
import { useDone } from './done.ts'
import DoneToasts from './DoneToasts.vue'

beforeEach(() => {
  setActivePinia(createPinia())
  vi.useFakeTimers()
})
afterEach(() => vi.useRealTimers())

const shown = (toasts: ReturnType<typeof mount>): string[] => toasts.findAll('[role="status"]').map((one) => one.text())

test('what was done is told, and goes by itself', async () => {
  const toasts = mount(DoneToasts, { attachTo: document.body, global: { stubs: { transition: false } } })
  useDone().tell('17 A. Marsh is checked in.')
  await nextTick()
  expect(shown(toasts)).toEqual(['17 A. Marsh is checked in.'])
  await vi.advanceTimersByTimeAsync(5_000)
  expect(shown(toasts)).toHaveLength(1)
  await vi.advanceTimersByTimeAsync(3_000)
  expect(shown(toasts)).toEqual([])
  expect(useDone().told).toEqual([])
})

test('it can be closed, and no more than three are told at once', async () => {
  const toasts = mount(DoneToasts, { attachTo: document.body, global: { stubs: { transition: false } } })
  const done = useDone()
  for (const what of ['One.', 'Two.', 'Three.', 'Four.']) done.tell(what)
  await nextTick()
  expect(shown(toasts)).toEqual(['Two.', 'Three.', 'Four.'])
  await toasts.get('[aria-label="Close what was told"]').trigger('click')
  await vi.advanceTimersByTimeAsync(200)
  expect(shown(toasts)).toEqual(['Three.', 'Four.'])
})
