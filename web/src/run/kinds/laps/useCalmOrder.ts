/** An order that waits: while stamps come in, tiles stay where they are under the finger and move when there is a pause. */
import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue'

const PAUSE_MS = 800

/** @param wanted ids in the order they should stand in */
export const useCalmOrder = (wanted: () => readonly string[]): Readonly<ShallowRef<readonly string[]>> => {
  const order = shallowRef(wanted())
  let timer: ReturnType<typeof setTimeout> | undefined

  watch(wanted, (ids) => {
    clearTimeout(timer)
    // other people, another wave: there is nothing to keep in place
    const shown = new Set(order.value)
    if (ids.length !== shown.size || ids.some((id) => !shown.has(id))) order.value = ids
    else timer = setTimeout(() => (order.value = ids), PAUSE_MS)
  })
  onScopeDispose(() => clearTimeout(timer))

  return order
}
