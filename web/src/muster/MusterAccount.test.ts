import { flushPromises, mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import { entry, json, MOUNTED, openDay, problem } from '../../testing/openDay.ts'
import MusterAccount from './MusterAccount.vue'

const STAFF = [
  { accountId: 'a', displayName: 'Pell Varga', role: 'timer', duty: 'timer' },
  { accountId: 'b', displayName: 'Joss Adair-Nakata', role: 'grader', duty: 'grader', entryId: entry(28).id },
  { accountId: 'g', displayName: 'A guest', role: 'grader', duty: 'station', isGuest: true },
]

const open = async (bib: number, staff: readonly object[] = STAFF) => {
  const opened = await openDay({ entries: [entry(28), entry(31)], role: 'clerk', change: { staff: staff as never } })
  const field = mount(MusterAccount, { props: { day: opened.day, entry: entry(bib) }, ...MOUNTED })
  await flushPromises()
  return { ...opened, field }
}
const asked = (server: Awaited<ReturnType<typeof open>>['server']) =>
  server.asked.map(({ method, path, body }) => [method, path, body])

test('the staff of the day are offered, without guests, and who it is stands there', async () => {
  const { field } = await open(28)
  expect(field.findAll('option').map((one) => one.text())).toEqual([
    'no',
    'Pell Varga, timer',
    'Joss Adair-Nakata, grader',
  ])
  expect((field.get('select').element as HTMLSelectElement).value).toBe('b')
})

test('choosing somebody says so by number, and takes back who it was', async () => {
  const { field, server } = await open(28)
  server.answer('PUT', '/person', () => json({}))
  await field.get('select').setValue('a')
  await flushPromises()
  expect(asked(server)).toEqual([
    ['PUT', '/api/accounts/b/person', { number: '' }],
    ['PUT', '/api/accounts/a/person', { number: 'T-28' }],
  ])
})

test('a refusal is told in words', async () => {
  const { field, server } = await open(31)
  server.answer('PUT', '/person', () => problem(422, 'input.invalid', 'Nobody on record has this number.'))
  await field.get('select').setValue('a')
  await flushPromises()
  expect(field.get('[role=alert]').text()).toContain('Nobody on record has this number.')
})

test('a day without staff asks nothing', async () => {
  const { field } = await open(31, [])
  expect(field.find('select').exists()).toBe(false)
})
