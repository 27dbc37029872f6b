import type { Protocol } from '@able-gauge/core'
import { KIND_CASES, plainEvent, plainStandard, soundStandard } from '@able-gauge/core/testing'
import { expect, test } from 'vitest'
import { modesFor } from './captureMode.ts'

const sprintOf = (peopleAtOnce: number): Protocol => {
  const sprint = KIND_CASES.find(({ kind }) => kind === 'sprint')
  if (!sprint) throw new Error('No case of kind sprint.')
  const notes = { measures: 'Speed', effort: 'maximal', peopleAtOnce, secondsEach: 60 }
  const [event] = soundStandard(
    plainStandard([plainEvent({ ...sprint, protocol: { ...sprint.protocol, notes } }, { kind: 'effort' })]),
  ).events
  if (!event) throw new Error('The standard has no event.')
  return event.protocol
}

test('several together are offered where a kind has it, and more than one can be tested at a station', () => {
  expect(modesFor(sprintOf(2))).toEqual(['live', 'lanes', 'typed'])
  expect(modesFor(sprintOf(1))).toEqual(['live', 'typed'])
})
