import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { afterPaint } from './afterPaint.ts'

const FRAME_MS = 16

beforeEach(() => void vi.useFakeTimers())
afterEach(() => {
  vi.runAllTimers()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

test('all that waits is asked one frame for, and done one after the other', () => {
  const ask = vi.spyOn(window, 'requestAnimationFrame')
  const done: string[] = []
  afterPaint(() => done.push('list'))
  afterPaint(() => done.push('words'))
  expect(ask).toHaveBeenCalledOnce()
  vi.advanceTimersToNextTimer()
  expect(done).toEqual([])
  vi.advanceTimersToNextTimer()
  expect(done).toEqual(['list'])
  vi.advanceTimersToNextTimer()
  expect(done).toEqual(['list', 'words'])
  ask.mockRestore()
})

test('what changes while things are done is painted before the next of them', () => {
  const done: string[] = []
  afterPaint(() => {
    done.push('list')
    // a press comes before the words have their turn
    afterPaint(() => done.push('press'))
  })
  afterPaint(() => done.push('words'))
  vi.advanceTimersByTime(FRAME_MS)
  vi.advanceTimersToNextTimer()
  expect(done).toEqual(['list'])
  vi.advanceTimersByTime(2 * FRAME_MS)
  expect(done).toEqual(['list', 'words', 'press'])
})

test('asked twice it is done once, and called off not at all', () => {
  const [act, other] = [vi.fn(), vi.fn()]
  afterPaint(act)
  afterPaint(act)
  afterPaint(other)()
  vi.advanceTimersByTime(10 * FRAME_MS)
  expect(act).toHaveBeenCalledOnce()
  expect(other).not.toHaveBeenCalled()
})

test('however fast changes follow each other, nothing waits for ever', () => {
  const act = vi.fn()
  afterPaint(act)
  for (let change = 0; change < 20; change++) {
    vi.advanceTimersByTime(10)
    afterPaint(() => undefined)
  }
  expect(act).toHaveBeenCalledOnce()
})

test('a frame that was asked for and never came keeps nothing back', () => {
  vi.stubGlobal('requestAnimationFrame', () => 1)
  afterPaint(() => undefined)
  // timers are lost too, as of a page that was frozen
  vi.clearAllTimers()
  vi.unstubAllGlobals()
  vi.advanceTimersByTime(300)
  const act = vi.fn()
  afterPaint(act)
  vi.advanceTimersByTime(FRAME_MS + 1)
  expect(act).toHaveBeenCalledOnce()
})

test('a page that paints nothing still gets on', () => {
  vi.stubGlobal('requestAnimationFrame', () => 1)
  const act = vi.fn()
  afterPaint(act)
  vi.advanceTimersByTime(200)
  expect(act).toHaveBeenCalledOnce()
})
