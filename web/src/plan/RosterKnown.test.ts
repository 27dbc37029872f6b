import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { Day } from '../day/day.ts'
import { useDone } from '../ui/done.ts'
import RosterKnown from './RosterKnown.vue'

const person = (number: string, familyName: string) => ({
  id: `01930000-0000-7000-8000-00000000${number}`,
  number,
  givenName: 'Ása',
  familyName,
  birthDate: '1999-05-04',
  erased: false,
  tests: 0,
  lastTest: null,
})
const PEOPLE = [person('1001', 'Merrow'), person('1002', 'Ardent')]
const day = {
  occasion: { id: 'day' },
  standard: { categories: [{ id: 'open', name: 'Open' }] },
  entries: [],
} as unknown as Day // nothing else of a day is asked

const sent: unknown[] = []
beforeEach(() => {
  setActivePinia(createPinia())
  sent.length = 0
  vi.stubGlobal('fetch', async (address: string, request?: RequestInit) => {
    if (address.includes('/roster')) {
      sent.push(JSON.parse(String(request?.body)))
      return Response.json({ outcomes: [] })
    }
    const search = new URL(address, 'http://field.test').searchParams.get('search')
    const found = PEOPLE.filter(({ familyName }) => search === '' || familyName === search)
    return Response.json({ people: found })
  })
})
afterEach(() => vi.unstubAllGlobals())

test('whoever was chosen is entered, though somebody else was looked for since', async () => {
  const page = mount(RosterKnown, { props: { day, waveOf: 12 } })
  await flushPromises()
  for (const { familyName } of PEOPLE) {
    await page.get('input').setValue(familyName)
    await vi.waitFor(() => expect(page.findAll('li')).toHaveLength(1))
    await vi.waitFor(() => expect(page.get('li').text()).toContain(familyName))
    await page.get('select').setValue('open')
  }
  expect(page.get('button').text()).toBe('Enter 2 people')
  await page.get('button').trigger('click')
  await flushPromises()
  expect(sent).toMatchObject([{ waveOf: 12, people: [{ familyName: 'Merrow' }, { familyName: 'Ardent' }] }])
  expect(useDone().told.map(({ what }) => what)).toEqual(['0 people entered.'])
  page.unmount()
})
