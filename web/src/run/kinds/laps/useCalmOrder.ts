/** An order that waits: while stamps come in or a finger is down, tiles stay where they are, and move when there is a pause. */
import { useEventListener } from '@vueuse/core'
import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue'

const PAUSE_MS = 800

/** @param wanted ids in the order they should stand in */
export const useCalmOrder = (wanted: () => readonly string[]): Readonly<ShallowRef<readonly string[]>> => {
  const order = shallowRef(wanted())
  let latest = order.value
  let fingers = 0
  let timer: ReturnType<typeof setTimeout> | undefined

  const whenCalm = (): void => {
    clearTimeout(timer)
    timer = setTimeout(() => {
      if (fingers === 0) order.value = latest
    }, PAUSE_MS)
  }
  watch(wanted, (ids) => {
    latest = ids
    // other people, another wave: there is nothing to keep in place
    const shown = new Set(order.value)
    if (ids.length === shown.size && ids.every((id) => shown.has(id))) whenCalm()
    else order.value = ids
  })
  useEventListener(window, 'pointerdown', () => (fingers += 1), { passive: true })
  useEventListener(
    window,
    ['pointerup', 'pointercancel'],
    () => {
      fingers = Math.max(0, fingers - 1)
      whenCalm()
    },
    { passive: true },
  )
  onScopeDispose(() => clearTimeout(timer))

  return order
}
