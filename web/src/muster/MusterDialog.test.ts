/** Checking somebody in: what would be passed over is asked about once, and a second, deliberate press saves it so. */
import { flushPromises, mount } from '@vue/test-utils'
import { FIRST_HOUSE_RULES } from '@able-gauge/core'
import { expect, test, vi } from 'vitest'
import { entry, json, MOUNTED, openDay } from '../../testing/openDay.ts'
import { useHouseRules } from '../day/houseRules.ts'
import MusterDialog from './MusterDialog.vue'
import MusterMissing from './MusterMissing.vue'

const FRAME = { template: '<div><slot /><slot name="footer" /></div>' }
const GLOBAL = { ...MOUNTED.global, stubs: { ...MOUNTED.global.stubs, BModal: FRAME } }

test('somebody whose identity nobody checked is asked about before they are here', async () => {
  const one = entry(28, { attendance: 'expected', consented: false, identityChecked: false })
  const { day, server } = await openDay({ entries: [one], role: 'clerk', change: { screened: [one.id] } })
  server.answer('GET', '/house-rules', () => json({ rules: FIRST_HOUSE_RULES, revision: 1 }))
  server.answer('PATCH', '', () => json({ revision: 2 }))
  useHouseRules().rules = FIRST_HOUSE_RULES
  const dialog = mount(MusterDialog, { props: { day, entry: one, hasNext: false }, global: GLOBAL })
  await flushPromises()
  const press = async (): Promise<void> => {
    await dialog
      .findAll('button')
      .find((button) => button.text() === 'Save')
      ?.trigger('click')
    await flushPromises()
  }
  const sent = () => server.asked.filter(({ method }) => method === 'PATCH')
  await press()
  expect(dialog.get('[role=alert]').text()).toContain('identity was not checked, there is no consent')
  expect(sent()).toEqual([])
  // what is still open changed: that is asked about anew
  await dialog.findAll('input[type=checkbox]')[0]?.setValue(true)
  await press()
  expect(dialog.get('[role=alert]').text()).toContain('but there is no consent')
  expect(sent()).toEqual([])
  await press()
  expect(sent()).toMatchObject([{ body: { identityChecked: true, consented: false, attendance: 'present' } }])
})

test('everybody still expected is listed, and told to be absent at once but for who is taken out', async () => {
  const entries = [1, 2, 3].map((bib) => entry(bib, { attendance: bib === 3 ? 'present' : 'expected' }))
  const { day, server } = await openDay({ entries, role: 'clerk' })
  server.answer('POST', '/attendance', () => json({ changed: 1 }))
  const dialog = mount(MusterMissing, { props: { day, modelValue: false }, global: GLOBAL })
  await dialog.setProps({ modelValue: true })
  await vi.waitFor(() => expect(dialog.findAll('li')).toHaveLength(2))
  await dialog.findAll('input')[1]?.setValue(false)
  await dialog
    .findAll('button')
    .find((button) => button.text() === 'This one is absent')
    ?.trigger('click')
  await flushPromises()
  expect(server.asked.find(({ path }) => path.endsWith('/attendance'))?.body).toEqual({
    entryIds: [entries[0]?.id],
    attendance: 'absent',
  })
})
