/** What is typed in the house stays until it is saved or dropped, and never writes over what somebody else saved. */
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, test, vi } from 'vitest'
import { defineComponent, h } from 'vue'
import { FIRST_HOUSE_RULES, type HouseRules } from '@able-gauge/core'
import { json, problem } from '../../testing/openDay.ts'
import { useHouseDraft } from './useHouseDraft.ts'

let stored: HouseRules
let revision = 4
const written: { revision: number; rules: HouseRules }[] = []
let refuse: (() => Response) | null = null
beforeEach(() => {
  stored = { ...FIRST_HOUSE_RULES, organisation: 'Tarn Isles' }
  revision = 4
  written.length = 0
  refuse = null
  sessionStorage.clear()
  vi.stubGlobal('fetch', (_path: string, { method, body = '{}' }: { method: string; body?: string }) => {
    if (method === 'GET') return Promise.resolve(json({ rules: stored, revision }))
    if (refuse) return Promise.resolve(refuse())
    const asked = JSON.parse(body) as (typeof written)[number]
    written.push(asked)
    stored = asked.rules
    revision += 1
    return Promise.resolve(json({ revision }))
  })
})

/** A room that edits the organisation's name. */
const openRoom = async () => {
  setActivePinia(createPinia())
  let room: ReturnType<typeof useHouseDraft<{ name: string }>> | undefined
  const component = defineComponent(() => {
    room = useHouseDraft<{ name: string }>(
      'name',
      ({ organisation = '' }) => ({ name: organisation }),
      (rules, { name }) => ({ ...rules, organisation: name }),
    )
    return () => h('div')
  })
  const mounted = mount(component)
  await flushPromises()
  if (!room?.draft.value) throw new Error('The room did not open.')
  return { room, draft: room.draft.value, leave: () => mounted.unmount() }
}

test('a change is kept while the room is left, and written with all other rules as they are', async () => {
  const first = await openRoom()
  expect(first.room.isChanged.value).toBe(false)
  first.draft.name = 'Tarn Isles Testing Office'
  await flushPromises()
  first.leave()
  const { room, draft } = await openRoom()
  expect(draft.name).toBe('Tarn Isles Testing Office')
  expect(room.isChanged.value).toBe(true)
  await room.save()
  expect(written).toMatchObject([
    { revision: 4, rules: { ...FIRST_HOUSE_RULES, organisation: 'Tarn Isles Testing Office' } },
  ])
  expect([room.saved.value, room.isChanged.value]).toEqual([true, false])
  expect((await openRoom()).room.isChanged.value).toBe(false)
})

test('what is dropped is gone', async () => {
  const { room, draft } = await openRoom()
  draft.name = 'Other'
  await flushPromises()
  room.drop()
  await flushPromises()
  expect(room.draft.value).toEqual({ name: 'Tarn Isles' })
  expect((await openRoom()).draft.name).toBe('Tarn Isles')
})

test('of two who write at once the second is told, keeps what was typed, and saves on top of the first', async () => {
  const { room, draft } = await openRoom()
  draft.name = 'Mine'
  await flushPromises()
  stored = { ...stored, consent: 'Theirs' }
  revision = 5
  refuse = () => problem(409, 'houseRules.editedMeanwhile', 'Somebody else changed the house rules meanwhile.')
  await room.save()
  expect(room.problem.value).toContain('Somebody else changed')
  expect(room.draft.value).toEqual({ name: 'Mine' })
  refuse = null
  await room.save()
  expect(written).toMatchObject([{ revision: 5, rules: { consent: 'Theirs', organisation: 'Mine' } }])
})
