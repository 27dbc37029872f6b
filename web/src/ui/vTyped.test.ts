import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import { defineComponent, h, withDirectives } from 'vue'
import { vTyped } from './vTyped.ts'

const Room = defineComponent({
  props: { value: { type: Number, required: true }, news: { type: Number, required: true } },
  setup: (props) => () => h('label', [String(props.news), withDirectives(h('input'), [[vTyped, props.value]])]),
})

test('what somebody is typing stays when the room is drawn anew, and gives way once they have left or the value is another', async () => {
  const room = mount(Room, { props: { value: 1, news: 0 }, attachTo: document.body })
  const { element } = room.get('input')
  expect(element.value).toBe('1')
  element.focus()
  element.value = '24'
  await room.setProps({ news: 1 })
  expect(element.value).toBe('24')
  await room.setProps({ value: 3 })
  expect(element.value).toBe('3')
  element.value = 'no number'
  element.blur()
  await room.setProps({ news: 2 })
  expect(element.value).toBe('3')
})
