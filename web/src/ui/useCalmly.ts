/** For what nobody needs within a frame: made anew a while after what it rests on has changed, however often it changed meanwhile. */
import { onScopeDispose, ReactiveEffect, shallowRef, type ShallowRef } from 'vue'

const CALM_MS = 250

export const useCalmly = <Value>(make: () => Value): Readonly<ShallowRef<Value>> => {
  let timer: ReturnType<typeof setTimeout> | undefined
  const made = shallowRef() as ShallowRef<Value>
  const effect = new ReactiveEffect(() => {
    made.value = make()
  })
  // a change only sets the timer; nothing is made within the press that caused it
  effect.scheduler = () => {
    timer ??= setTimeout(() => {
      timer = undefined
      effect.run()
    }, CALM_MS)
  }
  effect.run()
  onScopeDispose(() => {
    clearTimeout(timer)
    effect.stop()
  })
  return made
}
