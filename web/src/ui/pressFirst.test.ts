import { createPinia, setActivePinia } from 'pinia'
import { effectScope } from 'vue'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { afterPress, inPause, inQuietFrame } from './pressFirst.ts'
import { useTick } from './useTick.ts'

const FRAME_MS = 16

/** Each test begins long after the presses of the one before. */
let beginsAtMs = 0

beforeEach(() => {
  setActivePinia(createPinia())
  vi.useFakeTimers()
  vi.advanceTimersByTime((beginsAtMs += 10_000))
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

test('what is only looked at is drawn with what follows a press, and then not until there is a pause', () => {
  const draw = vi.fn()
  window.dispatchEvent(new Event('keydown'))
  inPause(draw)
  vi.advanceTimersByTime(FRAME_MS)
  expect(draw).not.toHaveBeenCalled()
  vi.advanceTimersByTime(2 * FRAME_MS)
  expect(draw).toHaveBeenCalledOnce()

  inPause(draw)
  vi.advanceTimersByTime(200)
  expect(draw).toHaveBeenCalledOnce()
  vi.advanceTimersByTime(100)
  expect(draw).toHaveBeenCalledTimes(2)
})

test('the next press of a burst brings it with what follows that one', () => {
  const draw = vi.fn()
  window.dispatchEvent(new Event('keydown'))
  vi.advanceTimersByTime(100)
  inPause(draw)
  vi.advanceTimersByTime(50)
  window.dispatchEvent(new Event('keydown'))
  expect(draw).not.toHaveBeenCalled()
  vi.advanceTimersByTime(3 * FRAME_MS)
  expect(draw).toHaveBeenCalledOnce()
  inPause(draw)()
  vi.advanceTimersByTime(1_000)
  expect(draw).toHaveBeenCalledOnce()
})

test('what is worked out waits for the frame of a press and for nothing else', () => {
  const act = vi.fn()
  afterPress(act)
  expect(act).toHaveBeenCalledOnce()
  window.dispatchEvent(new Event('keydown'))
  afterPress(act)
  afterPress(vi.fn(() => expect.unreachable('It was called off.')))()
  expect(act).toHaveBeenCalledOnce()
  vi.advanceTimersByTime(FRAME_MS + 1)
  expect(act).toHaveBeenCalledTimes(2)
})

test('a clock that waits for a pause goes on however fast somebody presses', () => {
  const { nowMs } = ticking(100, inPause)
  const before = nowMs.value
  for (let pressed = 0; pressed < 20; pressed++) {
    window.dispatchEvent(new Event('keydown'))
    vi.advanceTimersByTime(50)
  }
  expect(nowMs.value - before).toBeGreaterThanOrEqual(600)
})

const ticking = (everyMs: number, when = inQuietFrame) => {
  const scope = effectScope()
  const nowMs = scope.run(() => useTick(everyMs, when))
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
