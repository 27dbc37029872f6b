import { effectScope, ref } from 'vue'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { useCalmly } from './useCalmly.ts'

beforeEach(() => void vi.useFakeTimers())
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
