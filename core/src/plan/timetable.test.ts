import fc from 'fast-check'
import { expect, test } from 'vitest'
import { demoStandard } from '../../testing/demoStandard.ts'
import { checkTimetable } from './checkTimetable.ts'
import { firstPlan, planFor, type DayPlan } from './dayPlan.ts'
import { makeTimetable, timetableTask, type TimetableTask } from './timetable.ts'
import { timetableBound } from './timetableBound.ts'

const MINUTE = 60_000
const people = (from: number, to: number): string[] =>
  Array.from({ length: to - from + 1 }, (_, index) => `p${from + index}`)
const event = (eventId: string, change: Partial<TimetableTask['events'][number]> = {}) => ({
  eventId,
  stations: 1,
  together: 1,
  slotMs: 2 * MINUTE,
  staff: [],
  day: 0,
  restAfterMs: 0,
  ...change,
})
const task = (change: Partial<TimetableTask>): TimetableTask => ({
  events: [event('press-ups')],
  waves: [{ wave: 1, entryIds: people(1, 2) }],
  pins: [],
  dayStartsMs: [0],
  ...change,
})
const startsOf = (made: ReturnType<typeof makeTimetable>, eventId: string) =>
  made.sittings
    .filter((one) => one.eventId === eventId)
    .flatMap(({ starts }) => starts.map(({ startMs }) => startMs / MINUTE))

test('two people at one station follow each other, at two stations they start together', () => {
  expect(startsOf(makeTimetable(task({})), 'press-ups')).toEqual([0, 2])
  const two = makeTimetable(task({ events: [event('press-ups', { stations: 2 })] }))
  expect(startsOf(two, 'press-ups')).toEqual([0, 0])
  expect(two.endMs).toEqual([2 * MINUTE])
})

test('each person starts the next event as soon as their own rest is over', () => {
  const events = [event('press-ups', { restAfterMs: 8 * MINUTE }), event('grip', { slotMs: MINUTE })]
  // the first ends at 2 and rests until 10, the second ends at 4 and rests until 12
  expect(startsOf(makeTimetable(task({ events })), 'grip')).toEqual([10, 12])
})

test('a start that takes several waits for the last of them', () => {
  const events = [event('press-ups', { restAfterMs: 5 * MINUTE }), event('run', { together: 10, slotMs: 12 * MINUTE })]
  const made = makeTimetable(task({ events }))
  expect(startsOf(made, 'run')).toEqual([9])
  expect(made.endMs).toEqual([21 * MINUTE])
  expect(timetableBound(task({ events }), 0)).toBe(21 * MINUTE)
})

test('two events with the same grader wait for each other', () => {
  const events = [event('press-ups', { staff: ['joss'] }), event('grip', { staff: ['joss'] })]
  const waves = [
    { wave: 1, entryIds: people(1, 1) },
    { wave: 2, entryIds: people(2, 2) },
  ]
  const made = makeTimetable(task({ events, waves }))
  expect(checkTimetable(task({ events, waves }), made)).toEqual([])
  expect(made.endMs).toEqual([8 * MINUTE])
  expect(timetableBound(task({ events, waves }), 0)).toBe(8 * MINUTE)
})

test('an event on another day begins with that day, when the rest is over by then', () => {
  const events = [event('march', { restAfterMs: 24 * 60 * MINUTE }), event('run', { day: 1 })]
  const sooner = task({ events, dayStartsMs: [9 * 60 * MINUTE, 33 * 60 * MINUTE] })
  // the first ends at 9:02 and rests until 9:02 of the next day
  expect(startsOf(makeTimetable(sooner), 'run')).toEqual([2, 4])
  const later = task({ events, dayStartsMs: [9 * 60 * MINUTE, 58 * 60 * MINUTE] })
  expect(startsOf(makeTimetable(later), 'run')).toEqual([0, 2])
})

test('a turn somebody has put in place stays there, and what it breaks is named', () => {
  const events = [event('press-ups', { restAfterMs: 8 * MINUTE }), event('grip')]
  const pinned = task({ events, pins: [{ eventId: 'grip', wave: 1, startMs: 6 * MINUTE }] })
  const made = makeTimetable(pinned)
  expect(startsOf(made, 'grip')).toEqual([6, 8])
  expect(checkTimetable(pinned, made)).toEqual([
    { code: 'rest', entryId: 'p1', wave: 1, afterEventId: 'press-ups', eventId: 'grip', missingMs: 4 * MINUTE },
    { code: 'rest', entryId: 'p2', wave: 1, afterEventId: 'press-ups', eventId: 'grip', missingMs: 4 * MINUTE },
  ])
})

test('the others are laid around a turn that was put in place', () => {
  const waves = [
    { wave: 1, entryIds: people(1, 2) },
    { wave: 2, entryIds: people(3, 3) },
  ]
  const pinned = task({ waves, pins: [{ eventId: 'press-ups', wave: 1, startMs: 1 * MINUTE }] })
  const made = makeTimetable(pinned)
  expect(checkTimetable(pinned, made)).toEqual([])
  expect(made.sittings.find(({ wave }) => wave === 2)?.startMs).toBe(5 * MINUTE)
})

test('the checker names every rule that is broken', () => {
  const one = task({ events: [event('press-ups', { staff: ['joss'] }), event('grip', { staff: ['joss'] })] })
  const start = (startMs: number, entryIds: string[], station = 1, slotMs = 2 * MINUTE) => ({
    station,
    entryIds,
    startMs,
    endMs: startMs + slotMs,
  })
  const sitting = (eventId: string, starts: ReturnType<typeof start>[], wave = 1) => ({
    eventId,
    wave,
    day: 0,
    pinned: false,
    startMs: Math.min(...starts.map(({ startMs }) => startMs)),
    endMs: Math.max(...starts.map(({ endMs }) => endMs)),
    starts,
  })
  const broken = {
    sittings: [
      sitting('press-ups', [start(0, ['p1', 'p2']), start(MINUTE, ['p1'], 1, MINUTE), start(0, ['p2'], 2)]),
      sitting('grip', [start(MINUTE, ['p1'])]),
    ],
  }
  const codes = checkTimetable(one, broken, new Map([['joss', 'p2']])).map(({ code }) => code)
  expect(new Set(codes)).toEqual(
    new Set([
      'tooMany',
      'shortSlot',
      'stationTaken',
      'noStation',
      'seatedTwice',
      'notSeated',
      'rest',
      'staffTwice',
      'ownWave',
    ]),
  )
})

const wavesOf = (heads: number, size: number) =>
  Array.from({ length: Math.ceil(heads / size) }, (_, index) => ({
    wave: index + 1,
    entryIds: people(index * size + 1, Math.min(heads, (index + 1) * size)),
  }))

const arbitraryTask: fc.Arbitrary<TimetableTask> = fc
  .record({
    events: fc.array(
      fc.record({
        stations: fc.integer({ min: 1, max: 4 }),
        together: fc.integer({ min: 1, max: 12 }),
        slots: fc.integer({ min: 1, max: 20 }),
        rest: fc.integer({ min: 0, max: 20 }),
        staff: fc.uniqueArray(fc.constantFrom('joss', 'wanda', 'pell'), { maxLength: 2 }),
      }),
      { minLength: 1, maxLength: 5 },
    ),
    heads: fc.integer({ min: 1, max: 40 }),
    size: fc.integer({ min: 1, max: 15 }),
  })
  .map(({ events, heads, size }) =>
    task({
      events: events.map(({ stations, together, slots, rest, staff }, index) =>
        event(`e${index}`, { stations, together, slotMs: slots * MINUTE, restAfterMs: rest * MINUTE, staff }),
      ),
      waves: wavesOf(heads, size),
    }),
  )

test('every timetable keeps every rule, and none is shorter than the bound', () => {
  fc.assert(
    fc.property(arbitraryTask, (any) => {
      const made = makeTimetable(any)
      expect(checkTimetable(any, made)).toEqual([])
      expect(made.endMs[0]).toBeGreaterThanOrEqual(timetableBound(any, 0))
    }),
    { numRuns: 120 },
  )
})

/** Demo days: the Constabulary with two graders at the press-ups, the Guard over three days, the fire service's yard. */
const planned = (name: string, change: (plan: DayPlan) => DayPlan, heads: number, size: number): TimetableTask => {
  const standard = demoStandard(name)
  return timetableTask(change(firstPlan(standard)), standard, wavesOf(heads, size))
}
const withStations =
  (stations: Readonly<Record<string, number>>) =>
  (plan: DayPlan): DayPlan => ({
    ...plan,
    events: plan.events.map((one) => ({ ...one, stations: stations[one.eventId] ?? one.stations })),
  })

test.each([
  ['the Constabulary, 24 in 2 waves', planned('constabulary-entry-v3', withStations({}), 24, 12)],
  ['the Constabulary, 60 in 5 waves', planned('constabulary-entry-v3', withStations({ drag: 2, grip: 2 }), 60, 12)],
  [
    'the Constabulary, 200 in 9 waves',
    planned('constabulary-entry-v3', withStations({ drag: 4, grip: 3, 'press-ups': 2 }), 200, 24),
  ],
  ['the drill yard, 18 one after another', planned('drill-yard-course-v1', withStations({}), 18, 6)],
  ['the staff check, 60 in 8 waves', planned('active-staff-check-v1', withStations({}), 60, 8)],
])('%s: every rule is kept, and the day is at most 15 %% longer than the bound', (_, demo) => {
  const made = makeTimetable(demo)
  expect(checkTimetable(demo, made)).toEqual([])
  const [lengthMs = 0, boundMs] = [made.endMs[0], timetableBound(demo, 0)]
  expect(lengthMs).toBeLessThanOrEqual(1.15 * boundMs)
  expect(lengthMs).toBeGreaterThanOrEqual(boundMs)
})

test('a plan follows the battery: what the standard does not hold is left out, what is missing is added', () => {
  const standard = demoStandard('constabulary-entry-v3')
  const plan = firstPlan(standard)
  const [first, ...others] = plan.events
  const odd = {
    ...plan,
    events: [...others.slice(1), { ...(first ?? others[0]), eventId: 'nowhere' } as (typeof others)[number]],
  }
  expect(planFor(standard, odd).events.map(({ eventId }) => eventId)).toEqual(standard.events.map(({ id }) => id))
})
