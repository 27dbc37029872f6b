import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import Gauge from './Gauge.vue'

const run = { value: 580_000, unit: 'ms', sense: 'atMost' } as const
const pressUps = { value: 24, unit: 'count', sense: 'atLeast' } as const

test('a gauge says in words what it shows', () => {
  expect(mount(Gauge, { props: { cut: run, value: 582_000, state: 'short' } }).attributes('aria-label')).toBe(
    '9:42, asked: at most 9:40',
  )
  expect(mount(Gauge, { props: { cut: pressUps, value: null } }).attributes('aria-label')).toBe('Asked: at least 24')
})

test('the met side is filled from the cut towards the better values', () => {
  const filled = (cut: typeof run | typeof pressUps) =>
    mount(Gauge, { props: { cut, value: null } })
      .find('.met')
      .attributes('style')
  expect(filled(pressUps)).toContain('left: 50%; right: 0%')
  expect(filled(run)).toMatch(/^left: 0%; right: 31\.6/)
})

test('the marker stands where the person is, and at the end beyond it', () => {
  const at = (value: number) =>
    mount(Gauge, { props: { cut: pressUps, value } })
      .find('.marker')
      .attributes('style')
  expect(at(12)).toBe('--at: 25;')
  expect(at(60)).toBe('--at: 100;')
})

test('figures stand at notch and ends of a large gauge only', () => {
  expect(mount(Gauge, { props: { cut: run, value: null, size: 'large', cutWord: 'limit' } }).text()).toBe(
    '9:40 limit6:1511:15',
  )
  expect(mount(Gauge, { props: { cut: run, value: null } }).text()).toBe('')
})
