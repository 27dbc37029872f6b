/** The mark of the house: made small on the device, kept at once, taken away; a file that is no picture is told so. */
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { json } from '../../testing/openDay.ts'
import { useSession } from '../session/sessionStore.ts'
import HouseMark from './HouseMark.vue'

const asked: { method: string; body: unknown }[] = []
let since: number | null
beforeEach(() => {
  asked.length = 0
  since = null
  setActivePinia(createPinia())
  vi.stubGlobal('fetch', (path: string, { method, body }: { method: string; body?: string }) => {
    if (path === '/api/session') {
      const asks = { secondFactor: false, codeToSign: false }
      const about = {
        organisation: 'Tarn Isles',
        markSinceMs: since,
        publicAddress: null,
        standardsPublic: false,
        style: null,
      }
      return Promise.resolve(json({ account: null, asks, endsInMs: null, demo: null, isUnfounded: false, ...about }))
    }
    // a timer of another file on this page may ask for something meanwhile
    if (path !== '/api/house-mark') return Promise.resolve(json({}))
    asked.push({ method, body: body === undefined ? undefined : JSON.parse(body) })
    since = method === 'PUT' ? 17 : null
    return Promise.resolve(new Response(null, { status: 204 }))
  })
  vi.stubGlobal('createImageBitmap', ({ name }: File) =>
    name.endsWith('.png')
      ? Promise.resolve({ width: 1_920, height: 480, close: () => undefined })
      : Promise.reject(new Error('not decodable')),
  )
})

afterEach(() => vi.restoreAllMocks())

const choose = async (name: string) => {
  const part = mount(HouseMark)
  const drawn: [number, number][] = []
  vi.spyOn(HTMLCanvasElement.prototype, 'toDataURL').mockImplementation(function (this: HTMLCanvasElement) {
    drawn.push([this.width, this.height])
    return 'data:image/png;base64,c21hbGw='
  })
  const input = part.get<HTMLInputElement>('input[type=file]')
  Object.defineProperty(input.element, 'files', { value: [new File(['x'], name)] })
  await input.trigger('change')
  await flushPromises()
  return { part, drawn }
}

test('a picture is drawn small, sent, and shown with the name of the organisation', async () => {
  const { part, drawn } = await choose('mark.png')
  expect(drawn).toEqual([[480, 120]])
  expect(asked).toEqual([{ method: 'PUT', body: { image: 'c21hbGw=' } }])
  expect(part.get('img').attributes()).toMatchObject({ src: '/api/session/mark?since=17', alt: 'Mark of Tarn Isles' })
  await vi.waitFor(() =>
    expect(part.findAll('button').every((button) => button.attributes('disabled') === undefined)).toBe(true),
  )
  const away = part.findAll('button').find((button) => button.text() === 'Take it away')
  await away?.trigger('click')
  await flushPromises()
  expect(asked.at(-1)?.method).toBe('DELETE')
  await vi.waitFor(() => expect(part.find('img').exists()).toBe(false))
  expect(useSession().markSinceMs).toBeNull()
})

test('what is no picture is told by its name, and nothing is sent', async () => {
  const { part } = await choose('mark.txt')
  expect(part.get('[role=alert]').text()).toBe('mark.txt is no picture this browser can open.')
  expect(asked).toEqual([])
})
