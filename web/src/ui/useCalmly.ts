/** For what nobody needs within a frame: made anew in a pause after what it rests on has changed, however often it changed meanwhile. */
import { useDebounceFn } from '@vueuse/core'
import { onScopeDispose, ReactiveEffect, shallowRef, type ShallowRef } from 'vue'
import { afterPaint } from './afterPaint.ts'

const PAUSE_MS = 250
const AT_LATEST_MS = 3_000

export const useCalmly = <Value>(make: () => Value): Readonly<ShallowRef<Value>> => {
  const made = shallowRef() as ShallowRef<Value>
  const effect = new ReactiveEffect(() => {
    made.value = make()
  })
  let isOver = false
  const makeInPause = useDebounceFn(() => !isOver && effect.run(), PAUSE_MS, { maxWait: AT_LATEST_MS })
  const beginPause = (): void => void makeInPause()
  // a change only sets the timer, and that after it is painted; nothing is made within the press that caused it
  effect.scheduler = () => void afterPaint(beginPause)
  effect.run()
  onScopeDispose(() => {
    isOver = true
    effect.stop()
  })
  return made
}
