import fc from 'fast-check'
import { expect, test } from 'vitest'
import { standardNamed } from '../../testing/index.ts'
import type { Capture, Observation } from '../capture/capture.ts'
import { rehearseDay } from '../rehearsal/rehearseDay.ts'
import type { DayCandidate } from '../judge/judgeDay.ts'
import { replayOf, standingAt } from '../judge/replay.ts'
import { stamp } from '../kinds/stage.ts'
import { seededRandom } from '../random/random.ts'
import { sideBySide } from './sideBySide.ts'

const standard = standardNamed('v3')
const START_MS = 1_795_467_600_000
const candidates = Array.from({ length: 4 }, (_, at): DayCandidate => ({
  entryId: `entry-${at}`,
  wave: 1,
  category: at % 2 ? 'male' : 'female',
  ageYears: 27,
  ageCountedOn: '2026-11-24',
}))
const terms = { standard, testDate: '2026-11-24', asOfMs: START_MS + 86_400_000 }
const [event] = standard.events.filter(({ id }) => id === 'press-ups')
if (!event) throw new Error('The standard has no press-ups.')

const random = { one: seededRandom(3), two: seededRandom(4) }
/** What a grader pressed, s after the start: `+` counts, `d` not low enough, `l` not locked out. */
const pressed = (device: 'one' | 'two', at: readonly (readonly [number, '+' | 'd' | 'l'])[]): Capture[] => {
  const stage = { eventId: 'press-ups', deviceId: device, random: random[device] }
  const own = (seconds: number, observed: Observation) => stamp(stage, 'entry-0', START_MS + seconds * 1_000, observed)
  return [
    own(device === 'one' ? 0 : 0.2, { kind: 'started', payload: {} }),
    ...at.map(([seconds, what]) =>
      own(
        seconds,
        what === '+'
          ? { kind: 'counted', payload: {} }
          : { kind: 'refused', payload: { reason: what === 'd' ? 'depth' : 'lockout' } },
      ),
    ),
  ]
}
const played = (captures: readonly Capture[]) => {
  const replay = replayOf(terms, event, candidates, captures)
  if (!replay) throw new Error('Nothing was captured.')
  return { replay, ...sideBySide(terms, event, candidates, replay) }
}
const seconds = (atMs: number): number => (atMs - START_MS) / 1_000

const ONE = pressed('one', [
  [2, '+'],
  [4, '+'],
  [6, 'd'],
  [8, '+'],
])
const TWO = pressed('two', [
  [2.1, '+'],
  [4.2, 'l'],
  [6.1, '+'],
  [10, '+'],
])

test('where two differ is told by hand-worked pairs: another answer, nothing pressed, pressed alone', () => {
  const { differences } = played([...ONE, ...TWO])
  expect(differences.map(({ atMs, heldAnswer, answer }) => [seconds(atMs), heldAnswer, answer])).toEqual([
    [4, 'counted', 'lockout'],
    [6, 'depth', 'counted'],
    [8, 'counted', 'notSeen'],
    [10, 'notSeen', 'counted'],
  ])
  expect(differences.every(({ holder, deviceId }) => holder === 'one' && deviceId === 'two')).toBe(true)
})

test('each device has its own count at every moment, the one that stands first', () => {
  const { countsAt } = played([...ONE, ...TWO])
  const at = (after: number) =>
    countsAt(START_MS + after * 1_000)
      .get('entry-0')
      ?.map(({ soFar }) => soFar)
  expect([-1, 0, 2, 2.1, 4.2, 6.1, 8, 10].map(at)).toEqual([
    [0, 0],
    [0, 0],
    [1, 0],
    [1, 1],
    [2, 1],
    [2, 2],
    [3, 2],
    [3, 3],
  ])
  expect(
    countsAt(START_MS)
      .get('entry-0')
      ?.map(({ deviceId }) => deviceId),
  ).toEqual(['one', 'two'])
})

test('one device alone has nobody beside it', () => {
  const { countsAt, differences } = played(ONE)
  expect([countsAt(START_MS + 9_000).size, differences]).toEqual([0, []])
})

test('whatever was captured, the count that stands is the one the replay tells', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 200 }), fc.integer({ min: 0, max: 120 }), (seed, after) => {
      const made = rehearseDay(standard, candidates, seed, START_MS).filter(({ eventId }) => eventId === 'press-ups')
      const copy = seededRandom(seed)
      // a second grader who sees all but every fifth, a little later
      const beside = made
        .filter((_, place) => place % 5 !== 4)
        .map(({ entryId, atMs, kind, payload }) =>
          stamp({ eventId: 'press-ups', deviceId: 'beside', random: copy }, entryId, atMs + 120, {
            kind,
            payload,
          } as Observation),
        )
      const { replay, countsAt } = played([...made, ...beside])
      const atMs = replay.fromMs + after * 1_000
      const { marks } = standingAt(terms, event, candidates, replay, atMs)
      for (const [entryId, [held]] of countsAt(atMs)) {
        const mark = marks.get(entryId)
        if (mark?.kind === 'running') expect(held?.soFar).toBe(mark.soFar)
        else if (mark && 'rounded' in mark) expect(held?.soFar).toBe(mark.rounded)
      }
    }),
    { numRuns: 40 },
  )
})
