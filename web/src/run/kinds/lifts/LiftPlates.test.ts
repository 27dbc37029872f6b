import { mount } from '@vue/test-utils'
import { afterEach, expect, test } from 'vitest'
import LiftPlates from './LiftPlates.vue'

afterEach(() => localStorage.clear())

const plates = (loadG: number) => mount(LiftPlates, { props: { loadG } })

test('the plates of one side are drawn, the heaviest at the collar and tallest', () => {
  const drawn = plates(62_500).findAll('b')
  expect(drawn.map((plate) => plate.text())).toEqual(['20', '1.25'])
  const [heavy = 0, light = 0] = drawn.map((plate) => parseInt(plate.attributes('style')?.match(/\d+/)?.[0] ?? ''))
  expect(heavy).toBeGreaterThan(light)
})

test('what no pair makes up is told, and a load lighter than the bar', () => {
  expect(plates(40_200).text()).toContain('Each side: 10 kg. 0.2 kg more than plates make.')
  expect(plates(20_000).text()).toContain('The bar alone.')
  expect(plates(15_000).text()).toContain('The bar alone is heavier by 5 kg.')
})

test('another bar is remembered by the device, and without one no plates are drawn', async () => {
  const first = plates(62_500)
  await first.findAll('option')[2]?.setValue()
  expect(first.findAll('b').map((plate) => plate.text())).toEqual(['25', '1.25'])
  expect(plates(62_500).findAll('b')).toHaveLength(2)
  await first.findAll('option')[3]?.setValue()
  expect(first.findAll('b')).toHaveLength(0)
})
