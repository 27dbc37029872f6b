import { expect, test } from 'vitest'
import { KIND_CASES, plainEvent, plainStandard, soundStandard } from '../../testing/index.ts'
import { resultFormOf, ruledFindings } from './ruled.ts'

const eventOf = (kind: string, change: object = {}) => {
  const found = KIND_CASES.find((one) => one.kind === kind)
  if (!found) throw new Error(`There is no hand-worked case of "${kind}".`)
  const changed = { ...found, protocol: { ...found.protocol, ...change } }
  const [event] = soundStandard(plainStandard([plainEvent(changed, { kind: 'effort' })])).events
  return event as NonNullable<typeof event>
}
const pullUps = eventOf('repetitionsToFailure')
const crawl = eventOf('untimedTask')
const shuttle = eventOf('progressiveShuttle', {
  speeds: undefined,
  levels: [
    { metresPerHour: 9_000, shuttles: 7 },
    { metresPerHour: 10_000, shuttles: 8 },
  ],
  counts: 'lastShuttle',
})

test('a ruling is a word or a measure, never both and never neither', () => {
  const wrong = { place: 'as', code: 'decision', expected: 'either a word or a value' }
  expect(ruledFindings({}, [pullUps], '')).toEqual([{ ...wrong, found: 'neither' }])
  expect(ruledFindings({ as: 'met', value: 12 }, [pullUps], '')).toEqual([{ ...wrong, found: 'both' }])
  expect(ruledFindings({ as: 'short' }, [pullUps], '')).toEqual([])
  expect(ruledFindings({ value: 12 }, [pullUps], '')).toEqual([])
})

test('what is done or not has no measure to be ruled', () => {
  expect(ruledFindings({ value: 1 }, [crawl], 'payload.')).toEqual([
    { place: 'payload.value', code: 'decision', found: '1', expected: 'a word: it is done or not' },
  ])
  expect(ruledFindings({ as: 'met' }, [crawl], 'payload.')).toEqual([])
  // an alternate in its place may have one
  expect(ruledFindings({ value: 12 }, [crawl, pullUps], '')).toEqual([])
})

test('level and shuttle have to be of the schedule', () => {
  expect(ruledFindings({ value: 207 }, [shuttle], '')).toEqual([])
  expect(ruledFindings({ value: 109 }, [shuttle], 'captures[0].payload.')).toEqual([
    {
      place: 'captures[0].payload.value',
      code: 'schedule',
      found: '109',
      expected: 'a level and shuttle of the schedule',
    },
  ])
  expect(resultFormOf(shuttle)).toMatchObject({ unit: 'levelShuttle', shuttles: [7, 8] })
  expect(resultFormOf(pullUps).unit).toBe('count')
})
