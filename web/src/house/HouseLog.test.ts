import { flushPromises, mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import { entry, json, MOUNTED, openDay, problem } from '../../testing/openDay.ts'
import HouseLog from './HouseLog.vue'

const event = (id: number, kind: string, by: string | null, detail: object = {}) => ({
  id,
  atMs: 1_795_467_600_000 + id,
  kind,
  accountId: by,
  by,
  detail,
})

const open = async (answer: () => Response) => {
  const { server } = await openDay({ entries: [entry(9)], role: 'officer' })
  server.answer('GET', '/security-events', answer)
  const log = mount(HouseLog, MOUNTED)
  await flushPromises()
  return { server, log }
}
const FIRST = [event(9, 'signIn.refused', null, { address: '10.0.0.7' }), event(8, 'screenings.read', 'Mara Quill')]

test('who did what stands in words, newest first, and what was refused stands out', async () => {
  const { log } = await open(() => json({ events: FIRST, more: true }))
  const rows = log.findAll('tbody tr').map((row) => row.text())
  expect(rows[0]).toMatch(/nobody known\s*Refused: a wrong name or password\s*from 10\.0\.0\.7/)
  expect(rows[1]).toMatch(/Mara Quill\s*read screening answers/)
})

test('older ones are read on from the last, until there are none', async () => {
  const { log, server } = await open(() => json({ events: FIRST, more: true }))
  server.answer('GET', '?before=8', () => json({ events: [event(3, 'houseRules.changed', 'Mara Quill')], more: false }))
  await log.get('button').trigger('click')
  await flushPromises()
  expect(log.findAll('tbody tr')).toHaveLength(3)
  expect(log.find('button').exists()).toBe(false)
})

test('only what was refused can be shown', async () => {
  const { log } = await open(() => json({ events: FIRST, more: true }))
  await log.get('input[type=checkbox]').setValue(true)
  expect(log.findAll('tbody tr')).toHaveLength(1)
})

test('a log that cannot be had says why', async () => {
  const { log } = await open(() => problem(403, 'access.role', 'A grader may not do this.'))
  expect(log.get('[role=alert]').text()).toContain('A grader may not do this.')
})
