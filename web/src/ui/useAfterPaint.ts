/** For what takes longer than a frame: the press that asks for it is painted first, so that whoever pressed sees it was heard. */
import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue'

/** A page that is not looked at paints nothing; then it waits no longer than this. */
const AT_MOST_MS = 120

/** Follows a value, a painted frame later. */
export const useAfterPaint = <Value>(value: () => Value): Readonly<ShallowRef<Value>> => {
  const followed = shallowRef(value()) as ShallowRef<Value>
  let stop = (): void => {}
  watch(value, () => {
    stop()
    const take = (): void => {
      stop()
      followed.value = value()
    }
    let afterFrame: ReturnType<typeof setTimeout> | undefined
    const frame = requestAnimationFrame(() => (afterFrame = setTimeout(take)))
    const atMost = setTimeout(take, AT_MOST_MS)
    stop = () => {
      cancelAnimationFrame(frame)
      clearTimeout(afterFrame)
      clearTimeout(atMost)
    }
  })
  onScopeDispose(() => stop())
  return followed
}
