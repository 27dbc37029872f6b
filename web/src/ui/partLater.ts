/** Parts that come after the page they belong to: a phone that opens a console needs none of them yet. */
import { defineAsyncComponent, defineComponent, h, onMounted, type Component } from 'vue'
import { fetchSoon } from './fetchSoon.ts'

const RETRY_MS = 1_000

type PartLoader<Part extends Component> = () => Promise<{ readonly default: Part }>

/** A part that is fetched when it is first shown; `fetchSoon` has it there before. */
export const partLater = <Part extends Component>(loader: PartLoader<Part>): Part =>
  defineAsyncComponent<Component>({
    loader: loader as () => Promise<{ default: Component }>,
    // shown while there is no network and before it was fetched: it comes as soon as it can
    onError: (_error, retry) => setTimeout(retry, RETRY_MS),
    // it takes what the part takes
  }) as Part

/** @param loader of a component whose `modelValue` says whether it is open */
export const dialogLater = <Dialog extends Component>(loader: PartLoader<Dialog>): Dialog => {
  const dialog = partLater(loader)
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
