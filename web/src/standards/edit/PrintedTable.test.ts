import { mount } from '@vue/test-utils'
import type { TableContext } from '@able-gauge/core'
import { expect, test } from 'vitest'
import PrintedTable from './PrintedTable.vue'

const CONTEXT: TableContext = {
  school: 'pointsTable',
  form: { unit: 'mm', shownIn: 'm' },
  sense: 'atLeast',
  categories: [{ id: 'open', name: 'Open' }],
  roles: [],
}
const paste = async (text: string, context: TableContext = CONTEXT) => {
  const panel = mount(PrintedTable, { props: { context, hasTable: false } })
  await panel.find('textarea').trigger('paste', { clipboardData: { getData: () => text } })
  return panel
}
const button = (panel: Awaited<ReturnType<typeof paste>>, name: string) => {
  const found = panel.findAll('button').find((one) => one.text() === name)
  if (!found)
    throw new Error(
      `No button "${name}" among ${panel
        .findAll('button')
        .map((one) => one.text())
        .join(', ')}`,
    )
  return found
}

test('a sign before three digits is asked before anything is taken, the house’s reading first', async () => {
  const panel = await paste('Points\tFemale\n100\t2,800\n50\t2,400')
  expect(panel.text()).toContain('2,800 means')
  expect(button(panel, 'Take it').attributes('disabled')).toBeDefined()
  expect(panel.findAll('[role=group] button').map((one) => one.text())[0]).toBe('2800')
  await button(panel, '2800').trigger('click')
  expect(panel.text()).toContain('2 figures for 1 band understood')
  await button(panel, 'Take it').trigger('click')
  const [[table, categories] = []] = panel.emitted('take') ?? []
  expect(categories).toEqual(['Female'])
  expect(table).toEqual({
    bands: [
      {
        ageFrom: 0,
        category: 'female',
        rows: [
          { value: 2_400_000, centipoints: 5_000 },
          { value: 2_800_000, centipoints: 10_000 },
        ],
      },
    ],
  })
})

test('a cell that is not understood is marked and mended where it stands', async () => {
  const panel = await paste('Points\t18+\n100\tfar\n50\t2.4')
  const cell = panel.find('td.unread input')
  expect(cell.attributes('aria-label')).toContain('Row 2, column 2')
  expect(panel.text()).toContain('1 not, marked in its cell')
  await cell.setValue('2.8')
  expect(panel.find('td.unread').exists()).toBe(false)
  await button(panel, 'Take it').trigger('click')
  expect(panel.emitted('take')).toHaveLength(1)
})
