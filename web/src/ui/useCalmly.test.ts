import { effectScope, ref } from 'vue'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { useCalmly } from './useCalmly.ts'

const press = (): void => void window.dispatchEvent(new KeyboardEvent('keydown', { key: '1' }))

beforeEach(() => {
  vi.useFakeTimers()
  // by the clock of this test, the last press and what followed it are long over
  press()
  vi.advanceTimersByTime(1_000)
})
afterEach(() => void vi.useRealTimers())

test('is made at once, and again a moment after what it rests on changed, once for many changes', () => {
  const scope = effectScope()
  const source = ref(1)
  const make = vi.fn(() => source.value * 10)
  const made = scope.run(() => useCalmly(make))
  expect(made?.value).toBe(10)
  source.value = 2
  source.value = 3
  expect([made?.value, make.mock.calls.length]).toEqual([10, 1])
  vi.advanceTimersByTime(1_000)
  expect([made?.value, make.mock.calls.length]).toEqual([30, 2])
  source.value = 4
  scope.stop()
  vi.advanceTimersByTime(1_000)
  expect(made?.value).toBe(30)
})

test('waits while somebody presses, but not for ever', () => {
  const scope = effectScope()
  const source = ref(1)
  const made = scope.run(() => useCalmly(() => source.value * 10))
  const pressFor = (ms: number): void => {
    for (let passedMs = 0; passedMs < ms; passedMs += 100) {
      press()
      vi.advanceTimersByTime(100)
    }
  }
  source.value = 2
  pressFor(2_000)
  expect(made?.value).toBe(10)
  vi.advanceTimersByTime(300)
  expect(made?.value).toBe(20)
  source.value = 3
  pressFor(4_000)
  expect(made?.value).toBe(30)
  scope.stop()
})
