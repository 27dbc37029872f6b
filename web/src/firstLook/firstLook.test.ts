/** The first look goes from place to place, only where somebody may go, and is left at any time. */
import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, test } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import FirstLook from './FirstLook.vue'
import { LOOK_STEPS, useFirstLook } from './firstLook.ts'

const NAMES = ['days', 'run', 'plan', 'verdicts', 'signOff', 'insight', 'practice'] as const
const open = () => {
  const routes = NAMES.map((name) => ({ path: `/${name}/:dayId?`, name, component: { template: '<i/>' } }))
  const router = createRouter({ history: createMemoryHistory(), routes })
  const page = mount(FirstLook, { global: { plugins: [router] }, attachTo: document.body })
  return { page, router }
}

beforeEach(() => {
  localStorage.removeItem('able-gauge-first-look')
  setActivePinia(createPinia())
})
afterEach(() => document.querySelectorAll('aside').forEach((sheet) => sheet.remove()))

test('it shows one place after another, each on its page, and ends by itself', async () => {
  const look = useFirstLook()
  const { page, router } = open()
  look.begin('day-7', () => true)
  await page.vm.$nextTick()
  for (const [at, { title }] of LOOK_STEPS.entries()) {
    expect(page.get('aside').text()).toContain(`${at + 1} of ${LOOK_STEPS.length}`)
    expect(page.get('h2').text()).toBe(title)
    await router.isReady()
    await page.get('.btn-primary').trigger('click')
    await new Promise((resolve) => setTimeout(resolve, 0))
  }
  expect(router.currentRoute.value.name).toBe('practice')
  expect(page.find('aside').exists()).toBe(false)
  expect(look.isDone).toBe(true)
  page.unmount()
})

test('it goes only where somebody may go, back again, and Escape leaves it', async () => {
  const look = useFirstLook()
  const { page, router } = open()
  look.begin('day-7', (action) => action === 'days.list' || action === 'day.read')
  await page.vm.$nextTick()
  expect(look.steps.map(({ title }) => title)).toEqual(['Days', 'One day, left to right', 'Run', 'Plan'])
  expect(page.text()).not.toContain('Back')
  await page.get('.btn-primary').trigger('click')
  await new Promise((resolve) => setTimeout(resolve, 0))
  expect(router.currentRoute.value.params['dayId']).toBe('day-7')
  await page
    .findAll('button')
    .find((button) => button.text() === 'Back')
    ?.trigger('click')
  expect(page.get('h2').text()).toBe('Days')
  window.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }))
  await page.vm.$nextTick()
  expect(page.find('aside').exists()).toBe(false)
  page.unmount()
})
