import type { Directive } from 'vue'

/** Takes the focus when it appears; the attribute of that name does so for the first element of a page only. */
export const vFocus: Directive<HTMLElement> = { mounted: (element) => element.focus() }
