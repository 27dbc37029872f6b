/** Fields in the house's own form: what is typed stays, what is understood goes on. */
import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import { nextTick } from 'vue'
import DateField from './DateField.vue'
import TimeField from './TimeField.vue'

const dateField = (modelValue: string) => {
  const field = mount(DateField, {
    props: { modelValue, 'onUpdate:modelValue': (value: string) => field.setProps({ modelValue: value }) },
  })
  const input = field.get('input')
  const type = async (text: string): Promise<void> => {
    await input.setValue(text)
    await nextTick()
  }
  return { field, type, leave: () => input.trigger('blur'), shown: () => input.element.value }
}

test('a date is shown and typed as day, month, year, and goes on as the calendar writes it', async () => {
  const { field, type, leave, shown } = dateField('2026-11-27')
  expect(shown()).toBe('27 November 2026')
  await type('4.5.1999')
  expect(field.props('modelValue')).toBe('1999-05-04')
  // not written over while somebody may still be typing
  expect(shown()).toBe('4.5.1999')
  await leave()
  expect(shown()).toBe('4 May 1999')
})

test('what is no date stays as typed and says so once the field is left, and is no date meanwhile', async () => {
  const { field, type, leave, shown } = dateField('')
  await type('31.2.2026')
  expect(field.props('modelValue')).toBe('')
  expect(field.find('[role=alert]').exists()).toBe(false)
  await leave()
  expect(field.get('[role=alert]').text()).not.toBe('')
  expect(field.get('input').attributes('aria-describedby')).toBe(field.get('[role=alert]').attributes('id'))
  expect(shown()).toBe('31.2.2026')
  await type('28.2.2026')
  expect(field.find('[role=alert]').exists()).toBe(false)
  await type('')
  await leave()
  expect(field.find('[role=alert]').exists()).toBe(false)
})

test('a date that comes from elsewhere is shown', async () => {
  const { field, shown } = dateField('2026-11-27')
  await field.setProps({ modelValue: '2024-02-29' })
  expect(shown()).toBe('29 February 2024')
})

test.each([
  ['9:05', '09:05'],
  ['905', '09:05'],
  ['9.05', '09:05'],
  ['23h59', '23:59'],
  // no times of day: the one that stands comes back
  ['24:00', '08:00'],
  ['9:5', '08:00'],
  ['', '08:00'],
])('a time of day typed as "%s" is %s', async (typed, expected) => {
  const field = mount(TimeField, {
    props: { modelValue: '08:00', 'onUpdate:modelValue': (modelValue: string) => field.setProps({ modelValue }) },
  })
  const input = field.get('input')
  // as a browser does: each sign by itself, and once more when somebody goes on
  input.element.value = typed
  await input.trigger('input')
  await input.trigger('change')
  await nextTick()
  expect(field.props('modelValue')).toBe(expected)
  expect(field.get('input').element.value).toBe(expected)
})
