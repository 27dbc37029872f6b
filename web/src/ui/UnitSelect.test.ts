/** Which unit something belongs to: what is offered to whom, and what stays when it is out of reach. */
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { expect, test, vi } from 'vitest'
import { json } from '../../testing/openDay.ts'
import { useSession } from '../session/sessionStore.ts'
import UnitSelect from './UnitSelect.vue'

const unit = (n: number): string => `01930000-0000-4000-8000-00000000000${n}`
const UNITS = [
  { id: unit(1), name: 'Constabulary', parentId: null, isClosed: false },
  { id: unit(2), name: 'North', parentId: unit(1), isClosed: false },
  { id: unit(3), name: 'Old watch', parentId: null, isClosed: true },
]
const optionsFor = async (ownUnit: string | undefined, chosen: string, units: object[] = UNITS): Promise<string[]> => {
  setActivePinia(createPinia())
  const unitId = ownUnit === undefined ? {} : { unitId: ownUnit }
  useSession().account = { id: 'a', signInName: 'a', displayName: 'A', role: 'officer', ...unitId }
  vi.stubGlobal('fetch', () => Promise.resolve(json({ units })))
  const select = mount(UnitSelect, { props: { id: 'unit', label: 'Unit', none: 'the whole', modelValue: chosen } })
  await flushPromises()
  return select.findAll('option').map((option) => option.text().trim())
}

test.each([
  ['who belongs to the whole organisation', undefined, '', ['the whole', 'Constabulary', 'North']],
  ['who belongs to a unit gives nothing to the whole', unit(1), unit(2), ['Constabulary', 'North']],
  ['what belongs to the whole may stay there', unit(1), '', ['the whole', 'Constabulary', 'North']],
  [
    'a closed unit stays until another is chosen',
    undefined,
    unit(3),
    ['the whole', 'Constabulary', 'North', 'Old watch'],
  ],
  ['a unit nobody here knows stays too', unit(2), unit(9), ['North', 'another unit']],
] as const)('%s', async (_who, own, chosen, options) => {
  expect(await optionsFor(own, chosen)).toEqual(options)
})

test('an organisation without units is not asked about them', async () => {
  expect(await optionsFor(undefined, '', [])).toEqual([])
})
