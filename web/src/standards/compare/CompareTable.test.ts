import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import { compareStandards } from '@able-gauge/core'
import { standardNamed } from '@able-gauge/core/testing'
import CompareTable from './CompareTable.vue'

const [v2, v3] = [standardNamed('v2'), standardNamed('v3')]
const rowsOf = (before: typeof v2, after: typeof v2, at: number) => {
  const event = compareStandards(before, after).events[at]
  if (!event) throw new Error('The demo standard changed.')
  const table = mount(CompareTable, {
    props: { event, from: before.version, to: after.version, categories: after.categories },
  })
  return table.findAll('tbody tr').map((row) => row.findAll('th, td').map((cell) => cell.text()))
}

// version 2, annex A against 9:40 for all
test('each band stands with both values and what that means, in words and a shape', () => {
  expect(rowsOf(v2, v3, 1)).toEqual([
    ['18 to 29', 'Female', 'Cut', '10:20', '9:40', 'asks more'],
    ['30 to 39', 'Female', 'Cut', '10:45', '9:40', 'asks more'],
    ['40 and over', 'Female', 'Cut', '11:10', '9:40', 'asks more'],
    ['18 to 29', 'Male', 'Cut', '9:15', '9:40', 'asks less'],
    ['30 to 39', 'Male', 'Cut', '9:40', '9:40', 'the same'],
    ['40 and over', 'Male', 'Cut', '10:05', '9:40', 'asks more'],
  ])
})

test('what is the same for everybody is told once', () => {
  expect(rowsOf(v3, v3, 1)).toEqual([['all ages', 'everybody', 'Cut', '9:40', '9:40', 'the same']])
})
