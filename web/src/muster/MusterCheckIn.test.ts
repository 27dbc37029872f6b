/** The list at muster: who was looked at last stays found, and what somebody still lacks or does again stands beside the name. */
import { mount } from '@vue/test-utils'
import { beforeEach, expect, test } from 'vitest'
import { nextTick } from 'vue'
import { entry, MOUNTED, openDay } from '../../testing/openDay.ts'
import MusterCheckIn from './MusterCheckIn.vue'

beforeEach(() => sessionStorage.clear())
const open = async (...entries: ReturnType<typeof entry>[]) => {
  const { day } = await openDay({ entries, role: 'clerk' })
  const stubs = { ...MOUNTED.global.stubs, MusterDialog: true, MusterMissing: true }
  const list = mount(MusterCheckIn, { props: { day }, global: { ...MOUNTED.global, stubs } })
  const rowOf = (bib: number) => list.get(`[data-entry="${entry(bib).id}"]`)
  return { list, rowOf, day }
}

test('whom somebody looked at last is marked, also after another room', async () => {
  const { list, rowOf, day } = await open(entry(1), entry(2))
  await rowOf(2).get('button').trigger('click')
  await nextTick()
  expect([rowOf(1).classes('last'), rowOf(2).classes('last')]).toEqual([false, true])
  list.unmount()
  const stubs = { ...MOUNTED.global.stubs, MusterDialog: true, MusterMissing: true }
  const again = mount(MusterCheckIn, { props: { day }, global: { ...MOUNTED.global, stubs } })
  expect(again.get('.last').attributes('data-entry')).toBe(entry(2).id)
})

test('who is here without a look at a document is told apart; nobody is asked for one before they come', async () => {
  const { rowOf } = await open(
    entry(1, { identityChecked: false, note: 'left knee' }),
    entry(2, { identityChecked: false, attendance: 'expected' }),
    entry(3),
  )
  expect(rowOf(1).get('.attendance').text()).toContain('left knee; identity not checked')
  expect(rowOf(2).get('.attendance').text()).toBe('expected')
  expect(rowOf(3).get('.attendance').text()).toBe('here')
})

test('what is done again stands beside who does not do all of it', async () => {
  const mark = { eventId: 'press-ups', kind: 'met' }
  const carried = { 'press-ups': { occasionId: 'first', testDate: '2026-11-24', mark } }
  const whole = { variants: {}, alternates: {}, exemptions: {}, wholeBattery: true, reason: 'asked for it' }
  const { rowOf } = await open(entry(1, { carried }), entry(2, { carried, choices: whole }))
  expect(rowOf(1).get('.attendance').text()).toContain('again: Run 2,000 m')
  expect(rowOf(2).get('.attendance').text()).toBe('here')
})

test('telling many at once is offered while somebody is awaited, and then no more', async () => {
  const offers = ({ list }: Awaited<ReturnType<typeof open>>): boolean =>
    list.findAll('button').some((button) => button.text() === 'Who is not here')
  expect(offers(await open(entry(1), entry(2, { attendance: 'late' })))).toBe(true)
  expect(offers(await open(entry(1)))).toBe(false)
})
