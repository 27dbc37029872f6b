import fc from 'fast-check'
import { expect, test } from 'vitest'
import { standardNamed } from '../../testing/index.ts'
import type { Capture, Observation } from '../capture/capture.ts'
import { settleCaptures } from '../capture/settleCaptures.ts'
import { rehearseWave } from '../kinds/timedDistance/rehearse.ts'
import { rehearseRepetitions } from '../kinds/repetitionsInTime/rehearse.ts'
import { stamp } from '../kinds/stage.ts'
import { rehearseDay } from '../rehearsal/rehearseDay.ts'
import { seededRandom } from '../random/random.ts'
import { judgeDay, type DayCandidate } from './judgeDay.ts'
import { lapsOn, replayOf, standingAt } from './replay.ts'

const standard = standardNamed('v3')
const START_MS = 1_795_467_600_000
const candidates = Array.from({ length: 6 }, (_, at): DayCandidate => ({
  entryId: `entry-${at}`,
  wave: 1,
  category: at % 2 ? 'male' : 'female',
  ageYears: 27,
  ageCountedOn: '2026-11-24',
}))
const terms = { standard, testDate: '2026-11-24', asOfMs: START_MS + 86_400_000 }
const eventOf = (id: string) => {
  const event = standard.events.find((one) => one.id === id)
  if (!event) throw new Error(`The standard has no ${id}.`)
  return event
}
const stage = (eventId: string) => ({ eventId, deviceId: 'one', random: seededRandom(4) })
const inEvent = (captures: readonly Capture[], eventId: string) => captures.filter((one) => one.eventId === eventId)

test('whatever was captured, a replay ends on the very marks of the verdicts', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 500 }), (seed) => {
      const captures = rehearseDay(standard, candidates, seed, START_MS)
      const verdicts = judgeDay(terms, candidates, captures)
      for (const [place, event] of standard.events.entries()) {
        const replay = replayOf(terms, event, candidates, inEvent(captures, event.id))
        if (!replay) throw new Error('Nothing was made up.')
        const { marks } = standingAt(terms, event, candidates, replay, replay.toMs)
        for (const { entryId } of candidates) expect(marks.get(entryId)).toEqual(verdicts.get(entryId)?.marks[place])
      }
    }),
    { numRuns: 25 },
  )
})

const pressUps = eventOf('press-ups')
if (pressUps.protocol.kind !== 'repetitionsInTime') throw new Error('The standard has no press-ups.')
const attempt = rehearseRepetitions(stage('press-ups'), pressUps.protocol, {
  entryId: 'entry-0',
  startAtMs: START_MS,
  counted: 30,
  refused: ['depth'],
})

test('on the way it says what had been counted by then', () => {
  const replay = replayOf(terms, pressUps, candidates, attempt)
  if (!replay) throw new Error('Nothing was captured.')
  const tenth = attempt.filter(({ kind }) => kind === 'counted')[9]
  const markAt = (atMs: number) => standingAt(terms, pressUps, candidates, replay, atMs).marks.get('entry-0')
  expect(markAt(START_MS - 1)).toMatchObject({ kind: 'waiting' })
  expect(markAt(tenth?.atMs ?? 0)).toMatchObject({ kind: 'running', soFar: 10 })
  expect(markAt((tenth?.atMs ?? 0) - 1)).toMatchObject({ kind: 'running', soFar: 9 })
  expect(markAt(replay.toMs)).toMatchObject({ kind: 'met', rounded: 30 })
})

test('what was undone is seen and counts for nothing; a doubt stands where it began', () => {
  const wrong = attempt.filter(({ kind }) => kind === 'counted')[4]
  const undo: Observation = { kind: 'voided', payload: { captureId: wrong?.id ?? '', reason: 'slipped' } }
  const beside = attempt
    .filter(({ kind }) => kind !== 'refused')
    .map(({ entryId, atMs, kind, payload }) =>
      stamp({ ...stage('press-ups'), deviceId: 'two', random: seededRandom(9) }, entryId, atMs + 50, {
        kind,
        payload,
      } as Observation),
    )
    .slice(0, 12)
  const replay = replayOf(terms, pressUps, candidates, [
    ...attempt,
    ...beside,
    stamp(stage('press-ups'), 'entry-0', START_MS + 95_000, undo),
  ])
  expect(replay?.moments.filter(({ isVoided }) => isVoided).map(({ id }) => id)).toEqual([wrong?.id])
  expect(replay?.doubts).toMatchObject([{ entryId: 'entry-0', code: 'countsDiffer', atMs: beside[0]?.atMs }])
})

test('of nothing there is no replay', () => {
  expect(replayOf(terms, pressUps, candidates, [])).toBeNull()
})

test('between two crossings a runner is where an even pace puts them', () => {
  const run = eventOf('run')
  if (run.protocol.kind !== 'timedDistance') throw new Error('The standard has no run.')
  const made = rehearseWave(stage('run'), run.protocol, 1, START_MS, [
    { entryId: 'entry-0', finishMs: 550_000 },
    { entryId: 'entry-1', finishMs: 560_000, stop: { reason: 'withdrawn', afterLaps: 2 } },
  ])
  const settled = settleCaptures(made)
  const laps = made.filter(({ kind, entryId }) => kind === 'crossed' && entryId === 'entry-0').map(({ atMs }) => atMs)
  const at = lapsOn(settled, candidates, laps.length).get('entry-0')
  const [first = 0, second = 0] = laps
  expect(at?.(START_MS - 1)).toBeNull()
  expect(at?.(START_MS)).toBe(0)
  expect(at?.((START_MS + first) / 2)).toBeCloseTo(0.5, 10)
  expect(at?.((first + second) / 2)).toBeCloseTo(1.5, 10)
  expect(at?.(laps.at(-1) ?? 0)).toBe(laps.length)
  expect(at?.(START_MS + 9_999_999)).toBe(laps.length)
  // whoever stopped stays where they stopped
  const stopped = lapsOn(settled, candidates, laps.length).get('entry-1')
  expect(stopped?.(START_MS + 9_999_999)).toBeGreaterThan(2)
  expect(stopped?.(START_MS + 9_999_999)).toBeLessThan(3)
  // nobody put the others on the line
  expect(lapsOn(settled, candidates, laps.length).has('entry-5')).toBe(false)
})

test('a replay begins a little before the first capture and lasts until the last of them, or of what followed by itself', () => {
  const [started, ...others] = attempt
  if (!started || pressUps.protocol.kind !== 'repetitionsInTime') throw new Error('Nothing was made up.')
  const counted = others.filter(({ kind }) => kind === 'counted').slice(0, 2)
  const alone = replayOf(terms, pressUps, candidates, [started, ...counted])
  expect(alone).toMatchObject({ fromMs: START_MS - 5_000, toMs: START_MS + pressUps.protocol.durationMs })
  // the decision comes long after, and belongs to the end
  const decided = stamp(stage('press-ups'), 'entry-0', START_MS + 900_000, {
    kind: 'decided',
    payload: { as: 'met', reason: 'seen by two' },
  })
  const stopped = stamp(stage('press-ups'), 'entry-0', START_MS + 30_000, {
    kind: 'stopped',
    payload: { reason: 'safety' },
  })
  const ruled = replayOf(terms, pressUps, candidates, [decided, stopped, started, ...counted])
  if (!ruled) throw new Error('Nothing was captured.')
  expect(ruled.toMs).toBe(START_MS + 30_000)
  expect(ruled.moments.map(({ capture: { kind } }) => kind)).toEqual([
    'started',
    'counted',
    'counted',
    'stopped',
    'decided',
  ])
  const kindAt = (atMs: number) => standingAt(terms, pressUps, candidates, ruled, atMs).marks.get('entry-0')?.kind
  expect([kindAt(ruled.toMs - 1), kindAt(ruled.toMs)]).toEqual(['running', 'decided'])
  expect(replayOf(terms, pressUps, candidates, [decided])).toBeNull()
})

test('after the last crossing a runner goes on at the pace of the lap before, not over the line, until they stop', () => {
  const at = (afterMs: number, kind: 'crossed' | 'stopped', watch?: number) =>
    stamp(
      stage('run'),
      'entry-0',
      START_MS + afterMs,
      kind === 'crossed'
        ? { kind, payload: watch === undefined ? {} : { watch } }
        : { kind, payload: { reason: 'withdrawn' } },
    )
  const begun = stamp(stage('run'), null, START_MS, {
    kind: 'waveStarted',
    payload: { wave: 1, entryIds: ['entry-0'] },
  })
  const lapsAt = (captures: readonly Capture[], afterMs: number) =>
    lapsOn(settleCaptures([begun, ...captures]), candidates, 3).get('entry-0')?.(START_MS + afterMs)
  const two = [at(100_000, 'crossed'), at(200_000, 'crossed')]
  const stopsAt = (afterMs: number) => [...two, at(afterMs, 'stopped')]
  expect([225_000, 250_000, 999_000].map((ms) => lapsAt(stopsAt(250_000), ms))).toEqual([2.25, 2.5, 2.5])
  expect(lapsAt(stopsAt(400_000), 390_000)).toBeCloseTo(2.9, 10)
  expect([200_000, 225_000].map((ms) => lapsAt(two, ms))).toEqual([2, 2])
  expect(lapsAt([at(90_000, 'stopped')], 50_000)).toBe(0)
  // another watch is no crossing of its own, and three laps are all there are
  expect(lapsAt([...two, at(205_000, 'crossed', 2)], 205_000)).toBe(2)
  const three = [...two, at(300_000, 'crossed')]
  expect([299_999, 300_000, 350_000].map((ms) => lapsAt([...three, at(400_000, 'crossed')], ms) === 3)).toEqual([
    false,
    true,
    true,
  ])
})
