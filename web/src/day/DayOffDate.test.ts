import { flushPromises, mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import { entry, MOUNTED, openDay, problem } from '../../testing/openDay.ts'
import type { Role } from '../session/sessionStore.ts'
import { dateIn } from '../ui/localTime.ts'
import DayOffDate from './DayOffDate.vue'

const DAY_MS = 86_400_000
const openOn = async (testDate: string, role: Role = 'officer') => {
  const opened = await openDay({ entries: [entry(9)], role, testDate })
  return { ...opened, notice: mount(DayOffDate, { props: { day: opened.day }, ...MOUNTED }) }
}
const today = () => dateIn(Date.now(), 'Etc/GMT-12')
const lastWeek = () => dateIn(Date.now() - 7 * DAY_MS, 'Etc/GMT-12')

test('on its own date a day says nothing', async () => {
  const { notice } = await openOn(today())
  expect(notice.find('aside').exists()).toBe(false)
})

test('on another date everybody is told what becomes of captures, and the officer opens the day with a reason', async () => {
  const { notice, server } = await openOn(lastWeek())
  expect(notice.text()).toContain('counts in the order it arrives and is doubtful')
  await notice.get('input').setValue('  storm last week ')
  await notice.get('form').trigger('submit')
  await flushPromises()
  expect(server.asked.at(-1)).toMatchObject({
    method: 'POST',
    body: { content: { kind: 'dayOpened', date: today(), reason: 'storm last week' } },
  })
})

test('a grader is told, and cannot open the day', async () => {
  const { notice } = await openOn(lastWeek(), 'grader')
  expect(notice.find('aside').exists()).toBe(true)
  expect(notice.find('form').exists()).toBe(false)
})

test('a refusal stays on the screen', async () => {
  const { notice, server } = await openOn(lastWeek())
  server.answer('POST', '/records', () => problem(409, 'day.signedOff', 'The day is signed off. Nothing was stored.'))
  await notice.get('input').setValue('storm')
  await notice.get('form').trigger('submit')
  await flushPromises()
  expect(notice.get('[role="alert"]').text()).toBe('The day is signed off. Nothing was stored.')
})
