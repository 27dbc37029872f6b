import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import { nextTick } from 'vue'
import TypedField from './TypedField.vue'

const fieldOf = (rows?: number) => {
  const field = mount(TypedField, {
    props: { value: 1, ...(rows === undefined ? {} : { rows }) },
    attrs: { class: 'figures', 'aria-label': 'Stations' },
    attachTo: document.body,
  })
  const input = field.get<HTMLInputElement | HTMLTextAreaElement>(rows === undefined ? 'input' : 'textarea')
  return { field, input }
}

for (const rows of [undefined, 3]) {
  test(`what somebody is typing stays when the room is drawn anew, and gives way once they have left or the value is another (${rows ?? 1} lines)`, async () => {
    const { field, input } = fieldOf(rows)
    const { element } = input
    expect(element.value).toBe('1')
    element.focus()
    element.value = ' 24 '
    await input.trigger('input')
    await field.setProps({ class: 'drawn anew' })
    expect(element.value).toBe(' 24 ')
    await input.trigger('change')
    expect(field.emitted('typed')?.at(-1)).toEqual(['24'])
    await field.setProps({ value: 3 })
    expect(element.value).toBe('3')
    await input.setValue('no number')
    await input.trigger('blur')
    await nextTick()
    await nextTick()
    expect(element.value).toBe('3')
    expect(element.getAttribute('aria-label')).toBe('Stations')
  })
}
