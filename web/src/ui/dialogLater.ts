/** A dialog whose parts are fetched when it is first opened: a phone that opens a console needs none of them yet. */
import { defineAsyncComponent, defineComponent, h, type Component } from 'vue'

/** @param loader of a component whose `modelValue` says whether it is open */
export const dialogLater = <Dialog extends Component>(loader: () => Promise<{ readonly default: Dialog }>): Dialog => {
  const dialog = defineAsyncComponent(loader as () => Promise<{ default: Component }>)
  const later = defineComponent({
    inheritAttrs: false,
    setup: (_, { attrs }) => {
      let wasOpened = false
      return () => {
        wasOpened ||= attrs['modelValue'] === true
        return wasOpened ? h(dialog, attrs) : null
      }
    },
  })
  // it takes what the dialog takes
  return later as unknown as Dialog
}
