import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import type { Capture, Observation } from '@able-gauge/core'
import GateSwitch from './GateSwitch.vue'

const read = (value: number): Capture =>
  ({ id: String(value), kind: 'read', payload: { slot: 'electronic', value }, entryId: 'x', atMs: value }) as Capture
const observed = (own: readonly Capture[], to: boolean): unknown => {
  const gate = mount(GateSwitch, { props: { own, disabled: false } })
  gate.get('input').setValue(to)
  return gate.emitted<[Observation]>('observe')?.at(-1)?.[0]
}

test('a time is by hand until somebody says it is by a gate, and the other way round; each is a capture', () => {
  const shows = (own: readonly Capture[]): boolean =>
    mount(GateSwitch, { props: { own, disabled: false } }).get('input').element.checked
  expect([[], [read(1)], [read(1), read(0)]].map(shows)).toEqual([false, true, false])
  expect(observed([], true)).toEqual({ kind: 'read', payload: { slot: 'electronic', value: 1 } })
  expect(observed([read(1)], false)).toEqual({ kind: 'read', payload: { slot: 'electronic', value: 0 } })
})
