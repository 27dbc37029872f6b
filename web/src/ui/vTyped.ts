import type { Directive } from 'vue'

type Field = HTMLInputElement | HTMLTextAreaElement

const put = (field: Field, value: string | number): void => {
  if (field.value !== String(value)) field.value = String(value)
}

/**
 * The value of a field that is taken once somebody has left it. Bound as `:value` it would be put back by whatever draws the room anew, a
 * stamp of another device for instance, while somebody is still typing.
 */
export const vTyped: Directive<Field, string | number> = {
  mounted: (field, { value }) => put(field, value),
  updated: (field, { value, oldValue }) => {
    if (value !== oldValue || field !== document.activeElement) put(field, value)
  },
}
