import fc from 'fast-check'
import { expect, test } from 'vitest'
import { DAY_START_MS, standardNamed } from '../../testing/index.ts'
import { measureEntry } from '../kinds/measureEntry.ts'
import { settleCaptures } from '../capture/settleCaptures.ts'
import { seededRandom } from '../random/random.ts'
import { rehearseRepetitions } from '../kinds/repetitionsInTime/rehearse.ts'
import { rehearseWave } from '../kinds/timedDistance/rehearse.ts'

const [pressUps, run] = standardNamed('v3').events
if (pressUps?.protocol.kind !== 'repetitionsInTime' || run?.protocol.kind !== 'timedDistance')
  throw new Error('The demo standard changed.')
const { protocol: repetitions } = pressUps
const { protocol: distance } = run
const entryId = '00000000-0000-4000-8000-000000000001'

test('a rehearsed attempt measures what was wanted', () => {
  fc.assert(
    fc.property(
      fc.nat({ max: 55 }),
      fc.nat({ max: 6 }),
      fc.nat({ max: 2 }),
      fc.nat(),
      (counted, refusals, cautions, seed) => {
        const stage = { eventId: 'press-ups', deviceId: 'd', random: seededRandom(seed) }
        const refused = Array.from({ length: refusals }, () => 'depth')
        const captures = rehearseRepetitions(stage, repetitions, {
          entryId,
          startAtMs: DAY_START_MS,
          counted,
          refused,
          cautions,
        })
        expect(measureEntry(pressUps, { entryId, wave: 1 }, settleCaptures(captures))).toMatchObject({
          kind: 'complete',
          value: counted,
        })
      },
    ),
  )
})

test('a rehearsed wave finishes each runner at the wanted millisecond', () => {
  fc.assert(
    fc.property(fc.integer({ min: 360_000, max: 900_000 }), fc.nat(), (finishMs, seed) => {
      const stage = { eventId: 'run', deviceId: 'd', random: seededRandom(seed) }
      const captures = rehearseWave(stage, distance, 1, DAY_START_MS, [{ entryId, finishMs }])
      expect(measureEntry(run, { entryId, wave: 1 }, settleCaptures(captures))).toMatchObject({
        kind: 'complete',
        value: finishMs,
      })
    }),
  )
})

test('the same seed rehearses the same captures', () => {
  const of = (seed: number) =>
    rehearseWave({ eventId: 'run', deviceId: 'd', random: seededRandom(seed) }, distance, 1, DAY_START_MS, [
      { entryId, finishMs: 500_000 },
    ])
  expect(of(5)).toEqual(of(5))
  expect(of(5)).not.toEqual(of(6))
})
