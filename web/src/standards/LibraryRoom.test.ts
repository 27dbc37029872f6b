import { flushPromises, mount, RouterLinkStub } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, test, vi } from 'vitest'
import { routeLocationKey, routerKey } from 'vue-router'
import type { VersionSummary } from '@able-gauge/core'
import { json, problem } from '../../testing/openDay.ts'
import { useSession, type Role } from '../session/sessionStore.ts'
import LibraryRoom from './LibraryRoom.vue'

const push = vi.fn()
const PLACE = { [routerKey as symbol]: { push }, [routeLocationKey as symbol]: { path: '/standards' } }

const version = (change: Partial<VersionSummary>): VersionSummary => ({
  id: 'watch',
  version: 1,
  state: 'published',
  name: 'Harbour Watch Test',
  organisation: 'Tarn Isles',
  inForceFrom: '2020-01-01',
  inForceTo: null,
  events: 3,
  contentHash: 'a',
  days: 0,
  ...change,
})

const asked: { method: string; body: unknown }[] = []
let post = () => json({ id: 'watch', version: 7, revision: 1 }, 201)

beforeEach(() => {
  asked.length = 0
  push.mockClear()
  post = () => json({ id: 'watch', version: 7, revision: 1 }, 201)
})

const open = async (versions: readonly VersionSummary[], role: Role = 'officer') => {
  vi.stubGlobal('fetch', (path: string, { method, body }: { method: string; body?: string }) => {
    // a day that was open in an earlier test may still report its device
    if (!path.includes('/standards')) return Promise.resolve(json({}))
    if (method === 'GET') return Promise.resolve(json({ versions }))
    asked.push({ method, body: JSON.parse(body ?? '{}') })
    return Promise.resolve(post())
  })
  setActivePinia(createPinia())
  useSession().account = { id: 'a', signInName: 'a', displayName: 'A', role }
  const room = mount(LibraryRoom, {
    global: { stubs: { RouterLink: RouterLinkStub, BModal: true }, provide: PLACE },
  })
  await flushPromises()
  return room
}

test('each version is told with where today lies in its time', async () => {
  const room = await open([
    version({ version: 4, state: 'draft', inForceFrom: null, contentHash: null }),
    version({ version: 3, inForceFrom: '2999-01-01' }),
    version({ version: 2, inForceTo: '2998-12-31', days: 1 }),
    version({ version: 1, state: 'retired', inForceTo: '2020-06-30' }),
  ])
  const lines = room.findAll('.version').map((line) => line.text().replace(/\s+/g, ' '))
  expect(lines[0]).toMatch(/Draft ?no date yet/)
  expect(lines[1]).toMatch(/Coming ?from 1 January 2999/)
  expect(lines[2]).toMatch(/In force ?1 January 2020 to 31 December 2998 ?3 events ?1 day judged by it/)
  expect(lines[3]).toMatch(/Retired ?1 January 2020 to 30 June 2020/)
})

test('only the officer in charge writes and imports', async () => {
  expect((await open([], 'viewer')).text()).not.toContain('New standard')
  expect((await open([])).text()).toContain('New standard')
})

const choose = async (room: Awaited<ReturnType<typeof open>>, name: string, text: string): Promise<void> => {
  const input = room.find<HTMLInputElement>('input[type=file]')
  Object.defineProperty(input.element, 'files', { value: [new File([text], name)], configurable: true })
  await input.trigger('change')
  await flushPromises()
}

test('a file becomes a draft under its own id and version, and is opened', async () => {
  const room = await open([])
  const content = { id: 'watch', version: 7, name: 'Half a standard' }
  await choose(room, 'watch.json', JSON.stringify(content))
  expect(asked).toEqual([{ method: 'POST', body: { id: 'watch', version: 7, content } }])
  expect(push).toHaveBeenCalledWith({ name: 'edit', params: { standardId: 'watch', version: 7 } })
})

test.each([
  ['{', /broken\.json is not JSON/],
  ['[1, 2]', /broken\.json names no standard/],
  ['{"id": "watch"}', /broken\.json names no standard/],
])('a file that holds %s is refused in words, and nothing is sent', async (text, words) => {
  const room = await open([])
  await choose(room, 'broken.json', text)
  expect(room.find('[role=alert]').text()).toMatch(words)
  expect(asked).toEqual([])
})

test('a version that is there already is told in the server’s words', async () => {
  post = () => problem(409, 'standard.exists', '"watch" has a version 7 already. Nothing was stored.')
  const room = await open([])
  await choose(room, 'watch.json', '{"id":"watch","version":7}')
  expect(room.find('[role=alert]').text()).toContain('has a version 7 already')
  expect(push).not.toHaveBeenCalled()
})
