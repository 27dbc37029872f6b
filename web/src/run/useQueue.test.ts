/** Who comes next: never somebody another device has, unless somebody chose them. */
import { flushPromises, mount } from '@vue/test-utils'
import { standardNamed } from '@able-gauge/core/testing'
import { expect, test, vi } from 'vitest'
import { reactive } from 'vue'
import { routeLocationKey, routerKey } from 'vue-router'
import { entry, json, MOUNTED, openDay } from '../../testing/openDay.ts'
import { deviceId } from '../sync/outbox.ts'
import CandidateRoom from './CandidateRoom.vue'
import { doesThis } from './useQueue.ts'

const [event] = standardNamed('v3').events
if (!event) throw new Error('The demo standard has no events.')
const entries = Array.from({ length: 10 }, (_, index) => entry(index + 1))

/** The room of the first event, against a server where another device has some bibs open. */
const openRoom = async (takenBibs: readonly number[], query: Record<string, string> = {}) => {
  const { server, day } = await openDay({ entries, role: 'grader' })
  const told: { entryIds: string[]; unlessTaken?: boolean }[] = []
  const claimOf = (entryId: string, device: string) => ({
    eventId: event.id,
    entryId,
    deviceId: device,
    by: 'Ines Calloway',
    sinceMs: 1,
  })
  const taken = takenBibs.map((bib) => entries[bib - 1]?.id ?? '')
  server.answer('PUT', '/claims', () => {
    const body = told.at(-1)
    const free = (body?.entryIds ?? []).filter((id) => body?.unlessTaken !== true || !taken.includes(id))
    const claims = [...taken.map((id) => claimOf(id, 'another')), ...free.map((id) => claimOf(id, deviceId()))]
    return json({ claims })
  })
  const { fetch } = globalThis
  vi.stubGlobal('fetch', (path: string, options: { body?: string }) => {
    if (path.endsWith('/claims')) told.push(JSON.parse(options.body ?? '{}') as (typeof told)[number])
    return fetch(path, options)
  })
  const route = reactive({ fullPath: '/', query, params: {} })
  const router = { replace: (to: { query: Record<string, string> }) => void Object.assign(route, to) }
  const room = mount(CandidateRoom, {
    props: { day, event },
    slots: { default: '<p class="on">{{ params.entry.bib }}</p><button class="next" @click="params.next()" />' },
    global: {
      ...MOUNTED.global,
      mocks: { $route: route },
      provide: { [routeLocationKey as symbol]: route, [routerKey as symbol]: router },
    },
  })
  await flushPromises()
  return { room, told, onConsole: () => room.get('.on').text() }
}

test('the first who waits comes by themselves, and is told to the others', async () => {
  const { onConsole, told } = await openRoom([])
  expect(onConsole()).toBe('1')
  await vi.waitFor(() => expect(told.at(-1)).toMatchObject({ entryIds: [entries[0]?.id], unlessTaken: true }))
})

test('whom another device has gives way to the next who is free, again and again', async () => {
  const { room, onConsole } = await openRoom([1, 2, 4])
  await vi.waitFor(() => expect(onConsole()).toBe('3'))
  await room.get('.next').trigger('click')
  expect(onConsole()).toBe('5')
  expect(room.text()).toContain('▸ I. Calloway')
})

test('whom somebody chooses stays, and both are told of each other', async () => {
  const { room, onConsole, told } = await openRoom([4], { bib: '4' })
  await vi.waitFor(() => expect(told.at(-1)?.entryIds).toEqual([entries[3]?.id]))
  expect(told.at(-1)?.unlessTaken).toBeUndefined()
  await vi.waitFor(() => expect(room.text()).toContain('Ines Calloway has this candidate open on another device.'))
  expect(onConsole()).toBe('4')
})

test('a bib or a part of a name is found, and nothing else is shown', async () => {
  const { room } = await openRoom([])
  const rows = () => room.findAll('.queue li').length
  expect(rows()).toBe(10)
  const field = room.get('input[type="search"]')
  await field.setValue('1')
  expect(rows()).toBe(2)
  await field.setValue('number-7')
  expect(rows()).toBe(1)
  await field.setValue('nobody')
  expect(room.text()).toContain('Nobody is found.')
})

test('whoever does an alternate is on the console of the alternate, and on no other', async () => {
  const { day } = await openDay({ entries: [], role: 'grader' })
  const pullUps = { ...event, id: 'press-ups' }
  const hang = { ...event, id: 'hang', name: 'Hang', protocol: { ...event.protocol } }
  const standard = {
    ...day.standard,
    alternateEvents: [hang],
    events: [{ ...pullUps, alternates: [{ eventId: 'hang', allowedBy: 'choice' as const }] }],
  }
  const withHang = { ...day, standard }
  const byChoice = entry(2, { choices: { variants: {}, alternates: { 'press-ups': 'hang' }, exemptions: {} } })
  const hangHere = { ...hang, id: 'press-ups', alternateId: 'hang' }
  expect([entry(1), byChoice].map((one) => doesThis(withHang, pullUps, one))).toEqual([true, false])
  expect([entry(1), byChoice].map((one) => doesThis(withHang, hangHere, one))).toEqual([false, true])
})
