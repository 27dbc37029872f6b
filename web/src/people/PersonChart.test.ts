/** A person's chart: years or months that are told once, better always up, and a goal as the way to it. */
import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import PersonChart from './PersonChart.vue'
import type { LinePoint, PersonLine } from './personLines.ts'

const point = (date: string, value: number, change: Partial<LinePoint> = {}): LinePoint => ({
  date,
  value,
  cut: { value: 24, sense: 'atLeast', unit: 'count', band: null },
  state: 'good',
  own: false,
  about: 'version 3',
  className: '',
  ...change,
})
const open = (points: LinePoint[], goal?: { value: number; byDate: string }) => {
  const line: PersonLine = {
    standardId: 'entry',
    eventId: 'press-ups',
    name: 'Press-ups',
    unit: 'count',
    points,
  }
  const chart = mount(PersonChart, { props: { line, goal } })
  const ticks = chart.findAll('text[text-anchor=middle]').map((tick) => tick.text())
  return { chart, ticks }
}

test('years are told once each', () => {
  const { ticks } = open([point('2021-05-01', 20), point('2023-05-16', 30), point('2026-11-24', 32)])
  expect(ticks).toEqual(['2021', '2023', '2025', '2027'])
  expect(open([point('2008-05-01', 20), point('2026-11-24', 32)]).ticks.length).toBeLessThanOrEqual(6)
})

test('within a year the first and the last month are told, and a single test by its own', () => {
  expect(open([point('2024-03-01', 20), point('2024-11-24', 32)]).ticks).toEqual(['Mar 2024', 'Nov 2024'])
  expect(open([point('2024-03-01', 20)]).ticks).toEqual(['Mar 2024'])
})

test('a goal is drawn from the last figure on, said to who hears the page, and kept within the chart', () => {
  const { chart } = open([point('2024-03-01', 30), point('2024-11-24', 32)], { value: 45, byDate: '2025-03-01' })
  const way = chart.get('.wanted line').attributes()
  const [x1, x2, y1, y2] = [way['x1'], way['x2'], way['y1'], way['y2']].map(Number)
  expect(x2).toBeGreaterThan(x1 ?? Infinity)
  // more is better, and better is up
  expect(y2).toBeLessThan(y1 ?? -Infinity)
  expect(x2).toBeLessThan(440)
  expect(chart.get('svg').attributes('aria-label')).toContain('goal 45 by 1 March 2025')
  expect(
    open([point('2024-03-01', 30)])
      .chart.find('.wanted')
      .exists(),
  ).toBe(false)
})

test('where less is better a shorter time stands higher', () => {
  const cut = { value: 580_000, sense: 'atMost' as const, unit: 'ms' as const, band: null }
  const { chart } = open([point('2024-03-01', 600_000, { cut }), point('2026-11-24', 560_000, { cut })])
  const [first, last] = chart.findAll('rect').map((mark) => Number(mark.attributes('y')))
  expect(last).toBeLessThan(first ?? -Infinity)
})
