import { effectScope, nextTick, ref } from 'vue'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { afterPaint } from './afterPaint.ts'
import { useAfterPaint } from './useAfterPaint.ts'

beforeEach(async () => {
  // the one queue may still wait by the real clock for what another test asked for
  await new Promise<void>((resolve) => void afterPaint(resolve))
  vi.useFakeTimers({ toFake: ['requestAnimationFrame', 'cancelAnimationFrame', 'setTimeout', 'clearTimeout'] })
})
afterEach(() => void vi.useRealTimers())

const follow = () => {
  const scope = effectScope()
  const value = ref('chart')
  const followed = scope.run(() => useAfterPaint(() => value.value))
  if (!followed) throw new Error('The scope is not active.')
  return { scope, value, followed }
}

test('what is asked for comes a frame later, and only the last that was asked for', async () => {
  const { value, followed } = follow()
  const seen: string[] = [followed.value]
  value.value = 'list'
  await nextTick()
  seen.push(followed.value)
  value.value = 'staff'
  await nextTick()
  vi.advanceTimersByTime(16)
  seen.push(followed.value)
  vi.advanceTimersByTime(1)
  seen.push(followed.value)
  expect(seen).toEqual(['chart', 'chart', 'chart', 'staff'])
})

test('a page that is not painted does not wait for ever', async () => {
  vi.stubGlobal('requestAnimationFrame', () => 0)
  const { value, followed } = follow()
  value.value = 'list'
  await nextTick()
  vi.advanceTimersByTime(200)
  expect(followed.value).toBe('list')
  vi.unstubAllGlobals()
})

test('nothing is followed once the page is gone', async () => {
  const { scope, value, followed } = follow()
  value.value = 'list'
  await nextTick()
  scope.stop()
  vi.advanceTimersByTime(500)
  expect(followed.value).toBe('chart')
})
