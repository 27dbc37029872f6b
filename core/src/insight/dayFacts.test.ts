import { expect, test } from 'vitest'
import { KIND_CASES, plainEvent, soundStandard, standardNamed } from '../../testing/index.ts'
import type { Capture, Observation, RecordedCapture } from '../capture/capture.ts'
import { judgeDay, type DayCandidate } from '../judge/judgeDay.ts'
import { amendVerdict } from '../judge/amend.ts'
import { rehearseRepetitions } from '../kinds/repetitionsInTime/rehearse.ts'
import { stamp } from '../kinds/stage.ts'
import { seededRandom } from '../random/random.ts'
import { factsOfDay, type DayFacts } from './dayFacts.ts'

const eventOf = (kind: string, id: string, scoring: object): object => {
  const one = KIND_CASES.find((other) => other.kind === kind)
  if (!one) throw new Error(`There is no case of ${kind}.`)
  return plainEvent(one, scoring, id)
}
const { events, ...rest } = standardNamed('v3')
const standard = soundStandard({
  ...rest,
  events: [
    ...events,
    eventOf('attempts', 'grip', { kind: 'singleCut', unit: 'g', atLeast: 30_000 }),
    eventOf('heldPosition', 'trunk-hold', { kind: 'singleCut', unit: 'ms', atLeast: 90_000 }),
    eventOf('sprint', 'drag', { kind: 'singleCut', unit: 'ms', atMost: 29_000 }),
  ],
})
const terms = { standard, testDate: '2026-11-24' }
const START_MS = 1_795_467_600_000
const candidates = ['ann', 'ben'].map((entryId): DayCandidate => ({
  entryId,
  wave: 1,
  category: 'female',
  ageYears: 27,
  ageCountedOn: '2026-11-24',
}))

const random = seededRandom(3)
const stage = (eventId: string, deviceId: string) => ({ eventId, deviceId, random })
const by = (actorId: string, captures: readonly Capture[]): RecordedCapture[] =>
  captures.map((capture) => ({ ...capture, seq: 0, actorId, receivedMs: capture.atMs }))
const at = (eventId: string, entryId: string | null, afterMs: number, observation: Observation, device = 'laptop') =>
  stamp(stage(eventId, device), entryId, START_MS + afterMs, observation)

const pressUps = standard.events.find(({ id }) => id === 'press-ups')?.protocol
if (pressUps?.kind !== 'repetitionsInTime') throw new Error('The plain standard has no press-ups.')
const counted = (entryId: string, count: number, refused: string[]) =>
  rehearseRepetitions(stage('press-ups', 'lane-1'), pressUps, { entryId, startAtMs: START_MS, counted: count, refused })

/** The same as seen a little later by somebody else, who counts what the first refused. */
const beside = (captures: readonly Capture[]): Capture[] =>
  captures.map((capture) => {
    const { atMs, ...observation } =
      capture.kind === 'refused' ? { ...capture, kind: 'counted' as const, payload: {} } : capture
    const { kind, payload } = observation
    return stamp(stage('press-ups', 'phone-2'), capture.entryId, atMs + 100, { kind, payload } as Observation)
  })

const factsFrom = (captures: readonly RecordedCapture[]): DayFacts =>
  factsOfDay(terms, candidates, judgeDay(terms, candidates, captures), captures)

test('each event of each person comes with its figure, cut and margin; who fell short, with the events that did it', () => {
  const run = [
    at('run', null, 600_000, { kind: 'waveStarted', payload: { wave: 1, entryIds: ['ann'] } }),
    at('run', 'ann', 1_190_000, { kind: 'read', payload: { slot: 'time', value: 590_000 } }),
  ]
  const { people } = factsFrom([...by('grader', counted('ann', 20, [])), ...by('timer', run)])
  const [ann, ben] = people
  const inEvent = (eventId: string) => ann?.events.find((event) => event.eventId === eventId)
  // 24 asked, and 9:40
  expect(inEvent('press-ups')).toMatchObject({ kind: 'short', value: 20, cut: 24, margin: -4, unit: 'count' })
  expect(inEvent('run')).toMatchObject({ kind: 'short', value: 590_000, cut: 580_000, margin: -10_000 })
  expect(ann).toMatchObject({ outcome: 'short', shortIn: ['press-ups', 'run'], category: 'female', ageYears: 27 })
  expect(ben).toMatchObject({ outcome: 'notStarted', shortIn: [], repeats: [], graded: [] })
  expect(ben?.events.map(({ kind }) => kind)).toContain('notDone')
})

test('a second count stands beside the one that counts, decision by decision, and each grader has their own tally', () => {
  const first = counted('ann', 30, ['depth', 'depth', 'lock-out'])
  const { people } = factsFrom([...by('joss', first), ...by('wanda', beside(first))])
  expect(people[0]?.repeats).toEqual([
    {
      eventId: 'press-ups',
      of: 'count',
      part: '',
      first: 30,
      second: 33,
      unit: 'count',
      firstBy: 'joss',
      secondBy: 'wanda',
      decisions: [
        { first: 'counted', second: 'counted', times: 30 },
        { first: 'depth', second: 'counted', times: 2 },
        { first: 'lock-out', second: 'counted', times: 1 },
      ],
    },
  ])
  expect(people[0]?.graded).toEqual([
    { eventId: 'press-ups', accountId: 'joss', isSecond: false, counted: 30, refused: { depth: 2, 'lock-out': 1 } },
    { eventId: 'press-ups', accountId: 'wanda', isSecond: true, counted: 33, refused: {} },
  ])
})

test('two tries, each side for itself, and a second watch are repeats', () => {
  const read = (slot: string, value: number) => at('grip', 'ann', 0, { kind: 'read', payload: { slot, value } })
  const grip = [read('left-1', 30_000), read('left-2', 31_000), read('right-1', 35_000)]
  const drag = ['try-1', 'try-2'].map((slot, index) =>
    at('drag', 'ann', 100, { kind: 'read', payload: { slot, value: 27_000 + index * 300 } }),
  )
  const { people } = factsFrom(by('grader', [...grip, ...drag]))
  expect(people[0]?.repeats.map(({ of, part, first, second, unit }) => [of, part, first, second, unit])).toEqual([
    ['tries', 'left', 30_000, 31_000, 'g'],
    ['tries', '', 27_000, 27_300, 'ms'],
  ])
})

test('a figure read beside one that was stamped tells two methods apart', () => {
  const start = at('trunk-hold', 'ann', 0, { kind: 'started', payload: {} })
  const stop = at('trunk-hold', 'ann', 100_000, { kind: 'stopped', payload: { reason: 'ended' } })
  const read = at('trunk-hold', 'ann', 101_000, { kind: 'read', payload: { slot: 'time', value: 99_000 } })
  const { people } = factsFrom(by('grader', [start, stop, read]))
  expect(people[0]?.repeats).toMatchObject([{ eventId: 'trunk-hold', of: 'method', first: 100_000, second: 99_000 }])
})

test('what was put right by somebody else is told apart from what one put right oneself', () => {
  const [one, other] = [counted('ann', 25, []), counted('ben', 25, [])]
  const voided = (captureId: string): Observation => ({ kind: 'voided', payload: { captureId, reason: 'slipped' } })
  const own = at('press-ups', 'ann', 95_000, voided(one[1]?.id ?? ''))
  const others = at('press-ups', 'ben', 96_000, voided(other[1]?.id ?? ''))
  const decided = at('press-ups', 'ben', 97_000, { kind: 'decided', payload: { as: 'met', reason: 'seen' } })
  const { staff } = factsFrom([...by('joss', [...one, ...other, own]), ...by('ines', [others, decided])])
  expect(staff).toEqual([
    { accountId: 'joss', captured: one.length + other.length, corrected: 1, overruled: 0, decided: 0, tookOver: 0 },
    { accountId: 'ines', captured: 0, corrected: 0, overruled: 1, decided: 1, tookOver: 0 },
  ])
})

test('an amended mark counts as what it was amended to', () => {
  const captures = by('joss', counted('ann', 20, []))
  const signed = judgeDay(terms, candidates, captures)
  const [ann] = candidates
  const verdict = signed.get('ann')
  if (!ann || !verdict) throw new Error('Nobody was judged.')
  const amendment = { entryId: 'ann', eventId: 'press-ups', value: 26, reason: 'counted from the recording' }
  const amended = new Map(signed).set('ann', amendVerdict(terms, ann, verdict, [amendment]))
  const { people } = factsOfDay(terms, candidates, amended, captures)
  expect(people[0]?.events[0]).toMatchObject({ eventId: 'press-ups', kind: 'met', value: 26, margin: 2 })
})
