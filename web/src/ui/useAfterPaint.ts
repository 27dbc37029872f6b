/** For what takes longer than a frame: the press that asks for it is painted first, so that whoever pressed sees it was heard. */
import { effect, onScopeDispose, shallowRef, type ShallowRef } from 'vue'

/** A page that is not looked at paints nothing; then it waits no longer than this. */
const AT_MOST_MS = 120

/** Follows a value, a painted frame later; it is not even worked out before. */
export const useAfterPaint = <Value>(value: () => Value): Readonly<ShallowRef<Value>> => {
  let frame = 0
  let afterFrame: ReturnType<typeof setTimeout> | undefined
  let atMost: ReturnType<typeof setTimeout> | undefined
  const stop = (): void => {
    cancelAnimationFrame(frame)
    clearTimeout(afterFrame)
    clearTimeout(atMost)
    atMost = undefined
  }
  const take = (): void => {
    stop()
    if (following.effect.dirty) following()
  }
  const ask = (): void => {
    cancelAnimationFrame(frame)
    clearTimeout(afterFrame)
    frame = requestAnimationFrame(() => (afterFrame = setTimeout(take)))
    // from the first change on, however many follow
    atMost ??= setTimeout(take, AT_MOST_MS)
  }
  const followed = shallowRef() as ShallowRef<Value>
  const following = effect(() => void (followed.value = value()), { scheduler: ask })
  onScopeDispose(stop)
  return followed
}
