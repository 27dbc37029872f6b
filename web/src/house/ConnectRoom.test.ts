/** The way in for phones: an address others reach, and honest words where there is none. */
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { expect, test, vi } from 'vitest'
import { routeLocationKey } from 'vue-router'
import { json, MOUNTED } from '../../testing/openDay.ts'
import ConnectRoom from './ConnectRoom.vue'

const FIELD = { addresses: ['192.168.43.1', '10.0.0.7'], httpPort: 4680, httpsPort: 4643, fingerprint: '8A2C CC3C' }

const openRoom = async (field: typeof FIELD | null) => {
  const pinia = createPinia()
  setActivePinia(pinia)
  vi.stubGlobal('fetch', () => Promise.resolve(json({ field })))
  const room = mount(ConnectRoom, {
    global: {
      ...MOUNTED.global,
      plugins: [pinia],
      provide: { [routeLocationKey as symbol]: { fullPath: '/connect', path: '/connect', query: {}, params: {} } },
    },
  })
  await flushPromises()
  const press = async (words: string): Promise<void> => {
    await room
      .findAll('button')
      .find((button) => button.text().includes(words))
      ?.trigger('click')
    await flushPromises()
  }
  return { room, press }
}

test('a machine that serves itself alone says how to change that, and shows nothing to scan', async () => {
  const { room } = await openRoom(null)
  expect(room.get('[role=status]').text()).toContain('npm start -- --field')
  expect(room.find('img').exists()).toBe(false)
})

test('opened on the machine itself, the address is one that others reach: http at once, https on demand', async () => {
  const { room, press } = await openRoom(FIELD)
  await vi.waitFor(() => expect(room.find('img.qr').exists()).toBe(true))
  expect(room.get('.address').text()).toBe('http://192.168.43.1:4680/connect')
  await press('https')
  expect(room.get('.address').text()).toBe('https://192.168.43.1:4643/connect')
  expect(room.text()).toContain('8A2C CC3C')
  expect(room.get('a[download]').attributes('href')).toBe('/field/authority.crt')
})

test('each common device has steps of its own', async () => {
  const { room } = await openRoom(FIELD)
  const stepsOf = async (index: number): Promise<string[]> => {
    await room.findAll('option')[index]?.setValue()
    await flushPromises()
    return room.findAll('ol li').map((step) => step.text())
  }
  const all = [await stepsOf(0), await stepsOf(1), await stepsOf(2)]
  expect(new Set(all.map(String)).size).toBe(3)
  for (const steps of all) expect(steps.at(-1)).toContain('https address')
})
