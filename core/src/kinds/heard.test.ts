import { expect, test } from 'vitest'
import { KIND_CASES, plainEvent, plainStandard, soundStandard } from '../../testing/index.ts'
import { kindOf } from './kinds.ts'

const heard = (kind: string, change: object = {}) => {
  const found = KIND_CASES.find((one) => one.kind === kind)
  if (!found) throw new Error(`There is no hand-worked case of "${kind}".`)
  const changed = { ...found, protocol: { ...found.protocol, ...change } }
  const [event] = soundStandard(plainStandard([plainEvent(changed, { kind: 'effort' })])).events
  const { protocol } = event as NonNullable<typeof event>
  return kindOf(protocol).heard?.(protocol) ?? []
}

test('eight seconds of a step test at 90 beats, four to a cycle: the first of each cycle is accented', () => {
  const signals = heard('stepTest', { beatsPerMinute: 90, beatsPerCycle: 4 })
  expect(signals.map(({ atMs }) => Math.round(atMs))).toEqual([
    0, 667, 1_333, 2_000, 2_667, 3_333, 4_000, 4_667, 5_333, 6_000, 6_667, 7_333,
  ])
  expect(signals.flatMap(({ tone }, index) => (tone === 'accent' ? [index] : []))).toEqual([0, 4, 8])
})

test('eight seconds of repetitions to 40 beats, two to a repetition', () => {
  const signals = heard('repetitionsToCadence', { beatsPerMinute: 40, beatsPerRepetition: 2 })
  expect(signals).toEqual([
    { atMs: 0, tone: 'accent' },
    { atMs: 1_500, tone: 'beat' },
    { atMs: 3_000, tone: 'accent' },
    { atMs: 4_500, tone: 'beat' },
    { atMs: 6_000, tone: 'accent' },
    { atMs: 7_500, tone: 'beat' },
  ])
})

test('the first three signals of a shuttle, the end of a level told from the others', () => {
  const levels = [
    { metresPerHour: 9_000, shuttles: 2 },
    { metresPerHour: 10_000, shuttles: 2 },
  ]
  const signals = heard('progressiveShuttle', { lineDistanceMm: 20_000, speeds: undefined, levels })
  // 20 m at 9 km/h take 8 s, at 10 km/h 7.2 s
  expect(signals).toEqual([
    { atMs: 8_000, tone: 'signal' },
    { atMs: 16_000, tone: 'level' },
    { atMs: 23_200, tone: 'signal' },
  ])
})

test('a hold lets the tone be heard that starts it, a lift has nothing to hear', () => {
  expect(heard('heldPosition')).toEqual([{ atMs: 0, tone: 'level' }])
  expect(heard('heaviestLift')).toEqual([])
})
