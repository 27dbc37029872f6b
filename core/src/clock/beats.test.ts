import fc from 'fast-check'
import { expect, test } from 'vitest'
import { beatsBetween, cyclesPerMinute, sampleOf } from './beats.ts'

test('a beat a second from the start, the end left out', () => {
  const beats = beatsBetween([{ beatsPerMinute: 60, durationMs: Infinity }], 0, 3_000)
  expect(beats.map(({ atMs }) => atMs)).toEqual([0, 1_000, 2_000])
})
test('a slower beginning passes into the beat of the stage at its moment', () => {
  const plan = [
    { beatsPerMinute: 42, durationMs: 30_000 },
    { beatsPerMinute: 54, durationMs: 150_000 },
  ]
  const beats = beatsBetween(plan, 0, Infinity)
  // 42 a minute for half a minute are 21, 54 a minute for 2:30 are 135
  expect(beats.filter(({ stretch }) => stretch === 0)).toHaveLength(21)
  expect(beats.filter(({ stretch }) => stretch === 1)).toHaveLength(135)
  expect(beats[21]).toEqual({ atMs: 30_000, index: 21, stretch: 1 })
})
test('over twenty minutes every beat lies on its audio sample, whatever the tempo: nothing drifts', () => {
  for (const beatsPerMinute of [44, 92, 96, 113]) {
    const beats = beatsBetween([{ beatsPerMinute, durationMs: 1_200_000 }], 0, Infinity)
    expect(beats).toHaveLength(beatsPerMinute * 20)
    for (const { atMs, index } of beats) {
      // the sample worked out from whole numbers alone: index × 60 s × 48,000 / beats a minute
      expect(sampleOf(atMs, 48_000)).toBe(Math.round((index * 60 * 48_000) / beatsPerMinute))
    }
  }
})
test('scheduling piece by piece gives the same beats as all at once', () => {
  const piece = fc.integer({ min: 25, max: 900 })
  fc.assert(
    fc.property(fc.integer({ min: 10, max: 300 }), fc.array(piece, { minLength: 1, maxLength: 60 }), (bpm, pieces) => {
      const plan = [{ beatsPerMinute: bpm, durationMs: Infinity }]
      let fromMs = 0
      const scheduled = pieces.flatMap((ms) => beatsBetween(plan, fromMs, (fromMs += ms)))
      expect(scheduled).toEqual(beatsBetween(plan, 0, fromMs))
    }),
  )
})
test('96 beats a minute are 24 cycles of four', () => {
  expect(cyclesPerMinute(96, 4)).toBe(24)
})
