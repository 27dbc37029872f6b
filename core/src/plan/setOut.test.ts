import { expect, test } from 'vitest'
import { demoStandard } from '../../testing/demoStandard.ts'
import type { Protocol } from '../kinds/kinds.ts'
import { protocolTemplate } from '../kinds/protocolTemplates.ts'
import type { MeasuredGround } from '../day/measuredGround.ts'
import { courseInWords, measuredLap, saySetOut, setOut } from './setOut.ts'

const run = (distanceMm: number): Protocol =>
  ({ ...(protocolTemplate('timedDistance') as Protocol), distanceMm }) as Protocol
const ground = (
  shape: MeasuredGround['shape'],
  lengthMm: number,
  change: Partial<MeasuredGround> = {},
): MeasuredGround => ({
  shape,
  lengthMm,
  surface: '',
  ...change,
})

test('2,500 m on a 400 m track are 6 laps and 100 m, the start line 100 m before the finish line', () => {
  const set = setOut(run(2_500_000), ground('loop', 400_000))
  expect(set).toMatchObject({ whole: 6, partMm: 100_000, startBeforeFinishMm: 100_000 })
  expect(set && saySetOut(set)).toEqual([
    '2,500 m are 6 laps and 100 m of 400 m. The start line lies 100 m before the finish line.',
  ])
})
test('a distance of whole laps starts and finishes on one line', () => {
  const set = setOut(run(2_000_000), ground('loop', 400_000))
  expect(set).toMatchObject({ whole: 5, partMm: 0 })
  expect(set && saySetOut(set)[0]).toContain('Start and finish are one line.')
})
test.each([
  // 2,400 m with the turn at 500 m: twice out and back are 2,000 m, 400 m are left, all of it on the way home
  [2_400_000, 2, 400_000, 'from there the way goes to the finish line first'],
  // 2,700 m: 700 m are left, so 300 m from the finish line, out to the turn and home
  [2_700_000, 2, 700_000, 'The start line lies 300 m from the finish line; from there the way goes to the turn first'],
])('out and back over %i mm', (distanceMm, whole, partMm, words) => {
  const set = setOut(run(distanceMm), ground('outAndBack', 500_000))
  expect(set).toMatchObject({ whole, partMm })
  expect(set && saySetOut(set)[0]).toContain(words)
})
test('a tolerance adds up over the laps, and another lap than the published one is told', () => {
  const set = setOut(run(2_000_000), ground('loop', 333_000, { toleranceMm: 100, surface: 'grass', slopePermille: 5 }))
  // 0.1 m on 333 m is 0.6007 m on 2,000 m
  expect(set).toMatchObject({ uncertaintyMm: 601, publishedLapMm: 400_000 })
  expect(set && saySetOut(set).join(' ')).toMatch(/laps of 400 m.*Surface: grass\. Slope 0\.5 %\./)
})
test('lines that are too far apart are told by how much over all lengths', () => {
  const drag = demoStandard('constabulary-entry-v3').events.find(({ id }) => id === 'drag')
  if (!drag) throw new Error('The demo standard changed.')
  const set = setOut(drag.protocol, ground('straight', 30_200))
  expect(set).toMatchObject({ offMm: 200 })
  expect(set && saySetOut(set)).toContain('The ground is 20 cm too long for this. Measure again, or move a line.')
})
test('marks are set for a run in a fixed time, and nothing is laid out for a count', () => {
  const set = setOut(protocolTemplate('distanceInTime') as Protocol, ground('loop', 400_000))
  expect(set).toMatchObject({ marksEveryMm: 10_000, distanceMm: null })
  expect(setOut(protocolTemplate('repetitionsInTime') as Protocol, ground('loop', 400_000))).toBeNull()
})

test('the lap of the ground belongs to the start where it is not the published one', () => {
  expect(measuredLap(run(2_000_000), ground('loop', 400_000))).toBeUndefined()
  expect(measuredLap(run(2_000_000), ground('loop', 333_000))).toBe(333_000)
  // out and back is twice the way to the turn
  expect(measuredLap(run(2_000_000), ground('outAndBack', 200_000))).toBeUndefined()
  expect(measuredLap(run(2_000_000), ground('outAndBack', 250_000))).toBe(500_000)
  expect(measuredLap(run(2_000_000), ground('straight', 2_000_000))).toBeUndefined()
  expect(measuredLap(run(2_000_000), undefined)).toBeUndefined()
  expect(measuredLap(protocolTemplate('repetitionsInTime') as Protocol, ground('loop', 333_000))).toBeUndefined()
})
test('a course is told as it was measured, else as it is published; swimmers count lengths', () => {
  expect(courseInWords(run(2_000_000))).toBe('2,000 m are 5 laps of 400 m. Start and finish are one line.')
  expect(courseInWords(run(2_000_000), ground('loop', 333_000))).toBe(
    '2,000 m are 6 laps and 2 m of 333 m. The start line lies 2 m before the finish line.',
  )
  const swim = { ...run(300_000), by: 'swim', lapLengthMm: 25_000 } as Protocol
  expect(courseInWords(swim)).toBe('300 m are 12 lengths of 25 m. Every length ends at the wall.')
  expect(courseInWords(protocolTemplate('repetitionsInTime') as Protocol)).toBe('')
})
