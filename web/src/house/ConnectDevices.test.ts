/** Devices at work: what is told of each, and what stands out because somebody should look. */
import { flushPromises, mount } from '@vue/test-utils'
import { expect, test, vi } from 'vitest'
import { json } from '../../testing/openDay.ts'
import ConnectDevices from './ConnectDevices.vue'

const NOW_MS = 1_795_500_000_000
const device = (change: object) => ({
  deviceId: 'phone-3',
  by: 'Wanda Lofthouse',
  occasionId: 'day',
  day: 'Entry test',
  waiting: 0,
  refused: 0,
  seenMs: NOW_MS - 20_000,
  clockMs: 8,
  batteryPercent: 80,
  ...change,
})
const rowOf = async (change: object) => {
  vi.stubGlobal('fetch', () => Promise.resolve(json({ devices: [device(change)], nowMs: NOW_MS })))
  const list = mount(ConnectDevices)
  await flushPromises()
  const cells = list.findAll('td')
  return {
    texts: cells.map((cell) => cell.text().replace(/\s+/g, ' ')),
    looks: cells.map((cell) => cell.classes('look')),
  }
}

test('a device at work with nothing to look at', async () => {
  const { texts, looks } = await rowOf({})
  expect(texts).toEqual(['Wanda Lofthouse phone-3', 'Entry test', 'at work', 'nothing', 'good to 8 ms', '80 %'])
  expect(looks).not.toContain(true)
})

test.each([
  [{ seenMs: NOW_MS - 300_000 }, 2, 'away for 5 min'],
  [{ waiting: 3 }, 3, '3 to send'],
  [{ waiting: 1, refused: 2 }, 3, '1 to send, 2 refused, to look at'],
  [{ clockMs: 450 }, 4, 'good to 450 ms'],
  [{ clockMs: undefined }, 4, 'not agreed yet'],
  [{ batteryPercent: 12 }, 5, '12 %'],
] as const)('%o is looked at', async (change, cell, words) => {
  const { texts, looks } = await rowOf(change)
  expect(texts[cell]).toBe(words)
  expect(looks.map((look, at) => (look ? at : -1)).filter((at) => at >= 0)).toEqual([cell])
})

test('a browser that tells no battery is no reason to look, and an empty list says what will be there', async () => {
  const { texts, looks } = await rowOf({ batteryPercent: undefined })
  expect([texts[5], looks[5]]).toEqual(['not told', false])
  vi.stubGlobal('fetch', () => Promise.resolve(json({ devices: [], nowMs: NOW_MS })))
  const list = mount(ConnectDevices)
  await flushPromises()
  expect(list.text()).toContain('Each one that opens a day appears here')
})
