/** For what takes longer than a frame: the press that asks for it is painted first, so that whoever pressed sees it was heard. */
import { effect, onScopeDispose, shallowRef, type ShallowRef } from 'vue'
import { afterPaint } from './afterPaint.ts'

/** Follows a value, a painted frame later; it is not even worked out before. */
export const useAfterPaint = <Value>(value: () => Value): Readonly<ShallowRef<Value>> => {
  let callOff = (): void => undefined
  const take = (): void => {
    if (following.effect.dirty) following()
  }
  const followed = shallowRef() as ShallowRef<Value>
  const following = effect(() => void (followed.value = value()), { scheduler: () => (callOff = afterPaint(take)) })
  onScopeDispose(() => callOff())
  return followed
}
