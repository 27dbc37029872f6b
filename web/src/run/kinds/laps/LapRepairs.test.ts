import { mount } from '@vue/test-utils'
import type { LapFault } from '@able-gauge/core'
import { expect, test } from 'vitest'
import { entry } from '../../../../testing/openDay.ts'
import LapRepairs from './LapRepairs.vue'

const ANNA = entry(7)
/** Stamped this long after the start, sooner than anybody comes round. */
const tooSoon = (afterMs: number): LapFault => ({
  kind: 'doubled',
  entryId: ANNA.id,
  lap: 0,
  captureId: `capture ${afterMs}`,
  atMs: 1_000_000 + afterMs,
})
const shown = (faults: readonly LapFault[]) =>
  mount(LapRepairs, {
    props: { faults, lapWord: 'lap', startedAtMs: 1_000_000, entryOf: () => ANNA, mayRepair: true },
  })
const timesIn = (wrapper: ReturnType<typeof shown>): (string | undefined)[] =>
  wrapper.findAll('li').map((one) => /at (\S+),/.exec(one.text())?.[1])

test('two stamps of one runner that came too soon are two, and the one that is answered goes', async () => {
  const [first, second, third] = [tooSoon(400), tooSoon(700), tooSoon(1_000)]
  const wrapper = shown([first, second, third])
  expect(timesIn(wrapper)).toEqual(['0:00.4', '0:00.7', '0:01.0'])
  await wrapper.findAll('li')[1]?.find('button').trigger('click')
  expect(wrapper.emitted('repair')).toEqual([[second]])
  await wrapper.setProps({ faults: [first, third] })
  expect(timesIn(wrapper)).toEqual(['0:00.4', '0:01.0'])
})

test('very many come up one after the other, and how many are left is said', async () => {
  const faults = Array.from({ length: 9 }, (_, at) => tooSoon(400 + 100 * at))
  const wrapper = shown(faults)
  expect(wrapper.text()).toContain('9 stamps to look at')
  expect(wrapper.findAll('li')).toHaveLength(6)
  expect(wrapper.text()).toContain('3 more come up as these are answered.')
  await wrapper.setProps({ faults: faults.slice(3) })
  expect(timesIn(wrapper)).toEqual(['0:00.7', '0:00.8', '0:00.9', '0:01.0', '0:01.1', '0:01.2'])
  expect(wrapper.text()).not.toContain('more come up')
})
