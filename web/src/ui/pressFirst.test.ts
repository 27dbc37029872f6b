import { createPinia, setActivePinia } from 'pinia'
import { effectScope } from 'vue'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { inQuietFrame } from './pressFirst.ts'
import { useTick } from './useTick.ts'

const FRAME_MS = 16

beforeEach(() => {
  setActivePinia(createPinia())
  vi.useFakeTimers()
})
afterEach(() => {
  vi.runOnlyPendingTimers()
  vi.useRealTimers()
  vi.restoreAllMocks()
})

test('what time changes is drawn in the next frame while nobody presses', () => {
  const draw = vi.fn()
  inQuietFrame(draw)
  expect(draw).not.toHaveBeenCalled()
  vi.advanceTimersByTime(FRAME_MS)
  expect(draw).toHaveBeenCalledOnce()
})

test.each(['keydown', 'pointerdown', 'click'])('a %s has its frame to itself', (kind) => {
  const draw = vi.fn()
  inQuietFrame(draw)
  window.dispatchEvent(new Event(kind))
  vi.advanceTimersByTime(FRAME_MS)
  expect(draw).not.toHaveBeenCalled()
  vi.advanceTimersByTime(2 * FRAME_MS)
  expect(draw).toHaveBeenCalledOnce()
})

test('a second press before the first is painted keeps the frame too', () => {
  const draw = vi.fn()
  window.dispatchEvent(new Event('keydown'))
  vi.advanceTimersByTime(FRAME_MS)
  inQuietFrame(draw)
  window.dispatchEvent(new Event('keydown'))
  vi.advanceTimersByTime(FRAME_MS)
  expect(draw).not.toHaveBeenCalled()
})

test('what is called off is not drawn', () => {
  const draw = vi.fn()
  inQuietFrame(draw)()
  vi.advanceTimersByTime(10 * FRAME_MS)
  expect(draw).not.toHaveBeenCalled()
})

const ticking = (everyMs: number) => {
  const scope = effectScope()
  const nowMs = scope.run(() => useTick(everyMs))
  if (!nowMs) throw new Error('The scope is not active.')
  return { scope, nowMs }
}

test('clocks of a page tick in one frame, whenever they began', () => {
  const { nowMs: first } = ticking(100)
  vi.advanceTimersByTime(37)
  const { nowMs: second } = ticking(100)
  vi.advanceTimersByTime(500)
  expect(second.value).toBe(first.value)
})

test('a clock goes on where nobody looks, where there are no frames', () => {
  vi.spyOn(document, 'hidden', 'get').mockReturnValue(true)
  vi.stubGlobal('requestAnimationFrame', () => 0)
  const { scope, nowMs } = ticking(100)
  const before = nowMs.value
  vi.advanceTimersByTime(500)
  expect(nowMs.value - before).toBeGreaterThanOrEqual(400)
  const last = nowMs.value
  scope.stop()
  vi.advanceTimersByTime(500)
  expect(nowMs.value).toBe(last)
  vi.unstubAllGlobals()
})
