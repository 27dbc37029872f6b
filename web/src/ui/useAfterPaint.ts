/** For what takes longer than a frame: the press that asks for it is painted first, so that whoever pressed sees it was heard. */
import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue'

/** A page that is not looked at paints nothing; then it waits no longer than this. */
const AT_MOST_MS = 120

/** Follows a value, a painted frame later. */
export const useAfterPaint = <Value>(value: () => Value): Readonly<ShallowRef<Value>> => {
  const followed = shallowRef(value()) as ShallowRef<Value>
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
    followed.value = value()
  }
  watch(value, () => {
    cancelAnimationFrame(frame)
    clearTimeout(afterFrame)
    frame = requestAnimationFrame(() => (afterFrame = setTimeout(take)))
    // from the first change on, however many follow
    atMost ??= setTimeout(take, AT_MOST_MS)
  })
  onScopeDispose(stop)
  return followed
}
