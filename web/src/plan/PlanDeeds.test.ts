/** A day as a whole: what is offered on which day, what is asked of the server, and what is said when it refuses. */
import { flushPromises, mount } from '@vue/test-utils'
import { expect, test, vi } from 'vitest'
import { routerKey } from 'vue-router'
import type { Capture } from '@able-gauge/core'
import { entry, json, MOUNTED, openDay, problem, type DayOptions } from '../../testing/openDay.ts'
import PlanDeeds from './PlanDeeds.vue'

const STAFF = [{ accountId: 'account', displayName: 'Pell Varga', role: 'officer', duty: 'officer in charge' }]
const DIALOG = { template: '<div><slot /><button class="ok" @click="$emit(\'ok\', $event)" /></div>', emits: ['ok'] }
const pushed = vi.fn()

const open = async (options: Partial<DayOptions> = {}) => {
  pushed.mockClear()
  const { server, day } = await openDay({
    entries: [entry(1), entry(2)],
    role: 'officer',
    ...options,
    change: { staff: STAFF, ...options.change },
  })
  server.answer('GET', '/standards', () => json({ versions: [] }))
  const room = mount(PlanDeeds, {
    props: { day },
    global: {
      ...MOUNTED.global,
      stubs: { ...MOUNTED.global.stubs, BModal: DIALOG },
      provide: { ...MOUNTED.global.provide, [routerKey as symbol]: { push: pushed } },
    },
  })
  const press = async (words: string): Promise<void> => {
    const button = room.findAll('button').find((one) => one.text() === words)
    if (!button) throw new Error(`Nothing offers "${words}": ${room.text()}`)
    await button.trigger('click')
    await flushPromises()
  }
  const confirm = async (): Promise<void> => {
    await room.get('.ok').trigger('click')
    await flushPromises()
  }
  const offers = (): string[] => room.findAll('.deeds button').map((one) => one.text())
  return { room, server, press, confirm, offers }
}

const STARTED = {
  id: '01930000-0000-7000-8000-00000000abcd',
  eventId: 'press-ups',
  entryId: entry(1).id,
  kind: 'started',
  payload: {},
  deviceId: 'd',
  deviceMs: 0,
  atMs: 1_795_500_000_000,
  uncertaintyMs: 1,
} as Capture

test('until something is captured the day can be cancelled or put under another standard; afterwards it is copied alone', async () => {
  expect((await open()).offers()).toEqual(['Copy the day', 'Another standard', 'Cancel the day'])
  expect((await open({ captures: [STARTED] })).offers()).toEqual(['Copy the day'])
  expect((await open({ change: { staff: [] } })).offers()).toEqual(['Copy the day'])
  expect((await open({ role: 'grader' })).room.text()).toBe('')
})

test('a rehearsal is thrown away and not copied', async () => {
  const { press, confirm, offers, server, room } = await open()
  const { day } = room.props() as { day: { occasion: object } }
  await room.setProps({
    day: { ...day, occasion: { ...day.occasion, rehearsal: { fromMs: 0, speed: 1, ownEventId: null } } } as never,
  })
  expect(offers()).toEqual(['Throw the rehearsal away'])
  server.answer('DELETE', '', () => new Response(null, { status: 204 }))
  await press('Throw the rehearsal away')
  await confirm()
  expect(server.asked.at(-1)).toMatchObject({ method: 'DELETE', path: expect.stringMatching(/^\/api\/rehearsals\//) })
  expect(pushed).toHaveBeenCalledWith({ name: 'days' })
})

test('a copy asks for name, date, version and people, and leads to its plan', async () => {
  const { press, confirm, server, room } = await open()
  server.answer('POST', '/copy', () => json({ id: 'the-copy' }, 201))
  await press('Copy the day')
  await room.get('#copy-name').setValue('Group B')
  await room.get('input[type=checkbox]').setValue(true)
  await confirm()
  expect(server.asked.at(-1)?.body).toMatchObject({ name: 'Group B', version: 3, withPeople: true })
  expect(pushed).toHaveBeenCalledWith({ name: 'plan', params: { dayId: 'the-copy' } })
})

test('a cancellation needs a reason, and what the server says against it is told', async () => {
  const { press, confirm, server, room } = await open()
  server.answer('PUT', '/cancellation', () => problem(409, 'day.begun', 'Something was captured on this day already.'))
  await press('Cancel the day')
  await room.get('#cancel-reason').setValue(' Storm warning ')
  await confirm()
  expect(server.asked.at(-1)).toMatchObject({ method: 'PUT', body: { reason: 'Storm warning' } })
  expect(room.get('[role=alert]').text()).toContain('Something was captured')
})
