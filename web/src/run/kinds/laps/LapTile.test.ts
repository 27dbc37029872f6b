import type { LapRunner } from '@able-gauge/core'
import { mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import { nextTick, ref } from 'vue'
import LapTile from './LapTile.vue'

const RUNNING: LapRunner = {
  entryId: 'a',
  state: 'running',
  lapsDone: 3,
  lapsToGo: 2,
  dueAtMs: 100_000,
  elapsedMs: null,
  endedBy: null,
}
const tile = (runner: Partial<LapRunner>, change: object = {}, nowMs = ref(97_000)) =>
  mount(LapTile, {
    props: {
      runner: { ...RUNNING, ...runner },
      bib: 28,
      name: 'T. Okafor-Lind',
      laps: 5,
      lapWord: 'lap',
      next: false,
      nowMs,
      active: true,
      ...change,
    },
  })

test('a runner on the course shows when they are due and the laps to go', () => {
  expect(tile({}).text()).toContain('due in0:03')
  expect(tile({}).text()).toContain('2 to go')
})

test('its seconds go on', async () => {
  const nowMs = ref(97_000)
  const mounted = tile({}, {}, nowMs)
  nowMs.value = 104_500
  await nextTick()
  expect(mounted.text()).toContain('over by0:04')
})

test('laps done are filled and the next one is marked', () => {
  const strip = tile({}).find('.laps')
  expect(strip.attributes('style')).toContain('--laps: 5; --done: 3')
  expect(strip.find('i').classes()).toEqual(['now'])
})

test('a touch stamps a crossing', async () => {
  const mounted = tile({})
  await mounted.trigger('click')
  expect(mounted.emitted('cross')).toHaveLength(1)
})

test.each([
  ['somebody home', { state: 'home', lapsDone: 5, lapsToGo: 0, elapsedMs: 475_990 }, 'home7:55.9'],
  ['somebody who withdrew', { state: 'ended', endedBy: 'withdrawn' }, 'withdrawn'],
  ['somebody not started', { state: 'waiting', lapsDone: 0, lapsToGo: 5 }, 'ready'],
] as const)('%s cannot be stamped by touch', async (_, runner, words) => {
  const mounted = tile(runner)
  expect(mounted.text()).toContain(words)
  expect(mounted.attributes('disabled')).toBeDefined()
})

test('the tile is told in full to those who cannot see it', () => {
  const mounted = tile({}, { next: true })
  expect(mounted.attributes('aria-label')).toBe('Bib 28, T. Okafor-Lind, 2 laps to go')
  expect(mounted.find(`#${mounted.attributes('aria-describedby')}`).text()).toBe('due in0:03')
})
