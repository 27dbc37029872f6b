/** Keys of a console: heard wherever the focus is, unless something on the screen has a better claim to them. */
import { useEventListener } from '@vueuse/core'

export interface KeyPress {
  /** The key's name; letters are small. */
  readonly name: string
  /** Name of the focused element's tag, in capitals, or empty. */
  readonly tag: string
  /** Whether the focus is in a dialog. */
  readonly inDialog: boolean
  /** Whether the focus is in the console's own field. */
  readonly inOwnField: boolean
}

/**
 * Whether a key press is the console's.
 * Dialogs keep their keys, but for the one that closes the help. Fields keep what is typed into them. A focused button or link
 * is worked with Enter and Space as everywhere, unless the console needs that key now.
 */
export const isForConsole = (press: KeyPress, winsOverButtons: (name: string) => boolean): boolean => {
  if (press.inDialog) return press.name === '?'
  if (press.inOwnField) return true
  if (/^(INPUT|SELECT|TEXTAREA)$/.test(press.tag)) return false
  const worksTheButton = /^(BUTTON|A)$/.test(press.tag) && (press.name === 'Enter' || press.name === ' ')
  return !worksTheButton || winsOverButtons(press.name)
}

export interface KeyOptions {
  /** What a key does now, if anything. */
  readonly actionFor: (name: string) => (() => void) | undefined
  readonly ownField?: () => HTMLElement | null
  /** Keys that act even while a button has the focus. */
  readonly winsOverButtons?: (name: string) => boolean
}

const nameOf = (key: string): string => (key.length === 1 ? key.toLowerCase() : key)

/** Listens as long as the component lives. A key held down is one press: stamps are never made by repetition. */
export const useKeys = ({ actionFor, ownField = () => null, winsOverButtons = () => false }: KeyOptions): void => {
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    const target = event.target instanceof Element ? event.target : null
    const press = {
      name: nameOf(event.key),
      tag: target?.tagName ?? '',
      inDialog: target?.closest('[role="dialog"]') !== null && target !== null,
      inOwnField: target !== null && target === ownField(),
    }
    if (!isForConsole(press, winsOverButtons)) return
    const action = actionFor(press.name)
    if (!action) return
    event.preventDefault()
    if (!event.repeat || press.name === 'Backspace') action()
  })
}
