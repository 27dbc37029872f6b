import { standardNamed } from '../../testing/index.ts'
import { expect, test } from 'vitest'
import { rulesOf } from '../words/describeProtocol.ts'
import { askedIn } from './describeScoring.ts'

const [pressUps, run] = standardNamed('v3').events
if (!pressUps || run?.protocol.kind !== 'timedDistance') throw new Error('The demo standard changed.')

test('the rules of an event are told as an officer checks them', () => {
  expect(rulesOf(pressUps.protocol)).toContain('May begin again once within the first 5, after the fault is explained.')
  expect(rulesOf(run.protocol)).toEqual([
    '2,000 m on laps of 400 m: 5 crossings of the finish line.',
    'Start and finish are on the same line.',
    'The start: "On your marks", "Go".',
  ])
})

test('a part lap moves the start line', () => {
  const long = { ...run, protocol: { ...run.protocol, distanceMm: 2_500_000 } }
  expect(rulesOf(long.protocol)[1]).toBe(
    'The start line stands 100 m before the finish line, so that the part lap comes first.',
  )
})

test('what is asked fits one line', () => {
  expect(askedIn(pressUps)).toBe('As many as possible in 1:30, at least 24')
  expect(askedIn(standardNamed('v2').events[1] ?? run)).toBe('2,000 m in laps of 400 m, by age and scoring category')
})
