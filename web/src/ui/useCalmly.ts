/** For what nobody needs within a frame: made anew in a pause after what it rests on has changed, however often it changed meanwhile. */
import { onScopeDispose, ReactiveEffect, shallowRef, type ShallowRef } from 'vue'
import { afterPaint } from './afterPaint.ts'
import { sincePressMs } from './pressFirst.ts'

/** Without a change, and without a press: the next digit of a bib would have to wait for what is made. */
const PAUSE_MS = 250
const AT_LATEST_MS = 3_000

export const useCalmly = <Value>(make: () => Value): Readonly<ShallowRef<Value>> => {
  const made = shallowRef() as ShallowRef<Value>
  const effect = new ReactiveEffect(() => {
    made.value = make()
  })
  let [firstMs, changedMs] = [0, 0]
  let timer: ReturnType<typeof setTimeout> | undefined
  const makeInPause = (): void => {
    const nowMs = performance.now()
    const pauseMs = PAUSE_MS - Math.min(nowMs - changedMs, sincePressMs())
    const leftMs = Math.min(pauseMs, firstMs + AT_LATEST_MS - nowMs)
    timer = leftMs > 0 ? setTimeout(makeInPause, leftMs) : undefined
    if (timer === undefined) effect.run()
  }
  const noteChange = (): void => {
    changedMs = performance.now()
    if (timer !== undefined) return
    firstMs = changedMs
    makeInPause()
  }
  let callOff = (): void => undefined
  // a change only sets the timer, and that after it is painted; nothing is made within the press that caused it
  effect.scheduler = () => void (callOff = afterPaint(noteChange))
  effect.run()
  onScopeDispose(() => {
    callOff()
    clearTimeout(timer)
    effect.stop()
  })
  return made
}
