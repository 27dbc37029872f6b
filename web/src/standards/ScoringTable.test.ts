import { standardNamed } from '@able-gauge/core/testing'
import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import ScoringTable from './ScoringTable.vue'

const cutsOf = (version: 'v2' | 'v3', index: number) => {
  const { events, categories } = standardNamed(version)
  const event = events[index]
  if (!event) throw new Error('The demo standard changed.')
  return mount(ScoringTable, { props: { event, categories } })
}

test('one cut for all is a gauge with its words', () => {
  expect(cutsOf('v3', 1).text()).toContain('The same for everybody: at most 9:40')
  expect(cutsOf('v3', 1).find('.notch').exists()).toBe(true)
})

// version 2 of the demo standard, annex A: 2,000 m
test('cuts by band are the table as it is published', () => {
  const rows = cutsOf('v2', 1)
    .findAll('tr')
    .map((row) => row.findAll('th, td').map((cell) => cell.text()))
  expect(rows).toEqual([
    ['Age, at most', 'Female', 'Male'],
    ['18 to 29', '10:20', '9:15'],
    ['30 to 39', '10:45', '9:40'],
    ['40 and over', '11:10', '10:05'],
  ])
})
