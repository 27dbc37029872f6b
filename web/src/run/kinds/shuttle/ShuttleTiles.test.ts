import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import type { ShuttleRun } from '@able-gauge/core'
import { entry } from '../../../../testing/openDay.ts'
import { shallowRef } from 'vue'
import ShuttleTiles from './ShuttleTiles.vue'
import type { ShuttleTile } from './useShuttle.ts'

const tile = (bib: number, missesInRow = 0, out = false): ShuttleTile => ({
  entry: entry(bib),
  run: { missesInRow } as ShuttleRun,
  mark: undefined,
  out,
})
const shown = (tiles: readonly ShuttleTile[], change: object = {}) =>
  mount(ShuttleTiles, { props: { tiles: shallowRef(tiles), active: true, arming: false, ...change } })
const bibsIn = (wrapper: ReturnType<typeof shown>): string[] => wrapper.findAll('.miss strong').map((bib) => bib.text())

test('tiles keep the place of their bib, whoever is warned or out', async () => {
  const wrapper = shown([tile(3), tile(7), tile(9)])
  await wrapper.setProps({ tiles: shallowRef([tile(3, 0, true), tile(7, 1), tile(9)]) })
  expect(bibsIn(wrapper)).toEqual(['3', '7', '9'])
  expect(
    wrapper.findAll('.tile').map((one) => one.classes().filter((name) => !['tile', 'sheet', 'roomy'].includes(name))),
  ).toEqual([['over'], ['warned'], []])
  expect(wrapper.findAll('.miss')[0]?.attributes('disabled')).toBeDefined()
  expect(wrapper.findAll('.miss small').map((state) => state.text())).toEqual(['out', '1 missed', ''])
})

test('a touch is a missed line; armed, it is the way out', async () => {
  const wrapper = shown([tile(3), tile(7)])
  await wrapper.get('[data-bib="7"]').trigger('click')
  expect(wrapper.emitted('miss')).toEqual([[entry(7)]])
  await wrapper.setProps({ arming: true })
  expect(wrapper.get('[data-bib="7"]').attributes('aria-label')).toContain('steps out')
  await wrapper.get('[data-bib="7"]').trigger('click')
  expect(wrapper.emitted('out')).toEqual([[entry(7)]])
  expect(wrapper.emitted('miss')).toHaveLength(1)
})

test('before the start and after the end a touch says nothing', async () => {
  const wrapper = shown([tile(3)], { active: false })
  await wrapper.get('[data-bib="3"]').trigger('click')
  expect(wrapper.emitted('miss')).toBeUndefined()
})

test.each([
  [20, 'roomy', true],
  [21, 'close', false],
  [44, 'close', false],
  [45, 'dense', false],
  [80, 'dense', false],
])('%i stand %s', (count, density, hasOut) => {
  const wrapper = shown(Array.from({ length: count }, (_, index) => tile(index + 1)))
  expect(wrapper.get('ol').classes()).toContain(density)
  expect(wrapper.find('button.out').exists()).toBe(hasOut)
  expect(wrapper.findAll('.miss')).toHaveLength(count)
})
