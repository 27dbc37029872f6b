/** A dialog whose parts come after the page it belongs to: a phone that opens a console needs none of them yet. */
import { defineAsyncComponent, defineComponent, h, onMounted, type Component } from 'vue'
import { fetchSoon } from './fetchSoon.ts'

const RETRY_MS = 1_000

/** @param loader of a component whose `modelValue` says whether it is open */
export const dialogLater = <Dialog extends Component>(loader: () => Promise<{ readonly default: Dialog }>): Dialog => {
  const dialog = defineAsyncComponent({
    loader: loader as () => Promise<{ default: Component }>,
    // opened while there is no network and before it was fetched: it comes as soon as it can
    onError: (_error, retry) => setTimeout(retry, RETRY_MS),
  })
  const later = defineComponent({
    inheritAttrs: false,
    setup: (_, { attrs }) => {
      let wasOpened = false
      onMounted(() => fetchSoon(loader))
      return () => {
        wasOpened ||= attrs['modelValue'] === true
        return wasOpened ? h(dialog, attrs) : null
      }
    },
  })
  // it takes what the dialog takes
  return later as unknown as Dialog
}
