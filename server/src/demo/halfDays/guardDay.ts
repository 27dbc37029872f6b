/** The Guard's test: sixty in four waves that change over, alternates, a strict grader, second counts. */
import {
  bell,
  kindOf,
  NO_CHOICES,
  seededRandom,
  stamp,
  type Capture,
  type Standard,
  type StandardEvent,
} from '@able-gauge/core'
import type { DemoPerson } from '../demoHouse.ts'
import { natureOf } from '../nature.ts'
import { countedBeside } from '../secondGrader.ts'
import {
  briefed,
  cleared,
  clockOf,
  conditions,
  dayUnder,
  entriesOf,
  eventOf,
  ofUnits,
  SECOND_MS,
  turnOf,
  type HalfDay,
  type HalfEntry,
  type Place,
} from './halfDay.ts'

export const GUARD_ID = '01930000-0000-7000-8000-000000604d26'

const GUARD = 'rurik.stenmark-vale'
const BARS = ['ilse.brandvold', 'bram.ekholm', 'tamsin.oake-reyes'] as const
const STRICT: (typeof BARS)[number] = 'tamsin.oake-reyes'
const BESIDE = 'joss.adair-nakata'
const [HANG, SHUTTLE] = [new Set([3, 11, 18, 24, 33, 39, 47, 55]), new Set([5, 9, 14, 17, 22, 28, 34, 41, 46, 52, 58])]
const SECOND_COUNTS = new Set([1, 8, 16, 25, 31, 37, 42])
const TURN_MS = 100 * SECOND_MS
/** Of the repetitions somebody makes. */
const REFUSED = { usual: 0.06, strict: 0.3 } as const

export const guardDay = (people: readonly DemoPerson[], standard: Standard, testDate: string): HalfDay => {
  const random = seededRandom(60)
  const at = clockOf(testDate)
  const entries = entriesOf(ofUnits(people, ['A Company', 'B Company', 'C Company'], 60), random, 15).map((entry) => ({
    ...entry,
    attendance: entry.bib === 44 ? ('absent' as const) : entry.attendance,
    choices: {
      ...NO_CHOICES,
      alternates: {
        ...(HANG.has(entry.bib) ? { 'pull-ups': 'bent-arm-hang' } : {}),
        ...(SHUTTLE.has(entry.bib) ? { run: 'shuttle' } : {}),
      },
    },
  }))
  const inWave = (wave: number): HalfEntry[] =>
    entries.filter((entry) => entry.wave === wave && entry.attendance === 'present')
  const bars = BARS.map((actor) => ({ actor, captures: [] as Capture[] }))
  const beside: Capture[] = []
  // waves change over: two at the bars first, two at the throw
  const AT_BARS: readonly (readonly [wave: number, fromMs: number])[] = [
    [1, at(9)],
    [2, at(9, 30)],
    [3, at(10, 5)],
  ]
  for (const [wave, fromMs] of AT_BARS) {
    inWave(wave).forEach((entry, index) => {
      const bar = bars[index % bars.length]
      if (!bar) return
      const startAtMs = fromMs + Math.floor(index / bars.length) * TURN_MS
      const place = { eventId: 'pull-ups', deviceId: `tablet-bar-${1 + (index % bars.length)}`, random }
      const made = HANG.has(entry.bib)
        ? turnOf(place, eventOf(standard, 'bent-arm-hang'), entry.id, startAtMs, 46_000 + bell(random) * 14_000)
        : pullUps(place, entry, startAtMs, bar.actor === STRICT ? REFUSED.strict : REFUSED.usual)
      const { protocol } = eventOf(standard, HANG.has(entry.bib) ? 'bent-arm-hang' : 'pull-ups')
      if (protocol.clearBefore) bar.captures.push(cleared(place, [entry.id], startAtMs - 5 * SECOND_MS))
      bar.captures.push(...made)
      if (SECOND_COUNTS.has(entry.bib) && !HANG.has(entry.bib))
        beside.push(...countedBeside(made, 'phone-second', PULL_UP_REASONS, random))
    })
  }
  const AT_THROW: readonly (readonly [wave: number, fromMs: number])[] = [
    [2, at(9)],
    [1, at(9, 32)],
    [4, at(10, 2)],
  ]
  const throws = AT_THROW.flatMap(([wave, fromMs]) =>
    inWave(wave).flatMap(({ id, person }, index) =>
      turnOf(
        { eventId: 'throw', deviceId: 'tablet-throw', random },
        eventOf(standard, 'throw'),
        id,
        fromMs + index * 70 * SECOND_MS,
        (person.category === 'male' ? 5_600 : 4_500) + bell(random) * 420,
      ),
    ),
  )
  const runners = inWave(1)
  const track = { eventId: 'run', deviceId: 'tablet-track', random, isMended: true } as const
  const wave = (
    eventId: string,
    startAtMs: number,
    own: readonly HalfEntry[],
    targetOf: (entry: HalfEntry) => number,
  ) => {
    const { protocol } = eventOf(standard, eventId)
    const turns = own.map((entry) => ({ entryId: entry.id, target: Math.max(1, Math.round(targetOf(entry))) }))
    return kindOf(protocol).rehearseWave?.(track, protocol, 1, startAtMs, turns) ?? []
  }
  const run = wave(
    'run',
    at(10, 12),
    runners.filter(({ bib }) => !SHUTTLE.has(bib)),
    ({ person }) => (person.category === 'male' ? 770_000 : 850_000) - bell(random) * 40_000,
  )
  const shuttle = wave(
    'shuttle',
    at(10, 40),
    runners.filter(({ bib }) => SHUTTLE.has(bib)),
    () => shuttleTarget(eventOf(standard, 'shuttle'), bell(random)),
  )
  return {
    id: GUARD_ID,
    name: 'Guard service test, late autumn',
    venue: 'Skerry Barracks square',
    ...dayUnder(standard, testDate),
    unit: 'Territorial Guard',
    staff: [
      { signInName: GUARD, duty: 'Officer in charge' },
      { signInName: 'kester.munro-vale', duty: 'Medical cover' },
      ...BARS.map((signInName, index) => ({ signInName, duty: `Grader, bar ${index + 1}` })),
      { signInName: BESIDE, duty: 'Second grader' },
      { signInName: 'wanda.lofthouse', duty: 'Grader, throw' },
      { signInName: 'pell.varga', duty: 'Timer' },
      { signInName: 'sorrel.dunmore', duty: 'Backup timer' },
      { signInName: 'odile.harrow', duty: 'Check-in clerk' },
    ],
    entries,
    captures: [
      ...bars,
      { actor: BESIDE, captures: beside },
      { actor: 'wanda.lofthouse', captures: throws },
      { actor: 'pell.varga', captures: [...run, ...shuttle] },
    ],
    log: [conditions(GUARD, at(8, 30), 'dry asphalt'), briefed(GUARD, at(8, 45))],
    plan: {
      musterAt: '07:45',
      startsAt: '09:00',
      stations: [
        { eventId: 'pull-ups', place: 'Drill hall, bars', stations: 3, staff: [...BARS] },
        { eventId: 'throw', place: 'Drill hall, floor', stations: 1, staff: ['wanda.lofthouse'] },
        { eventId: 'run', place: 'Square', stations: 1, staff: ['pell.varga', 'sorrel.dunmore'] },
        { eventId: 'swim', place: 'Causeway Pool', stations: 1, staff: ['pell.varga', 'sorrel.dunmore'] },
        { eventId: 'march', place: 'Coast road', stations: 1, staff: ['pell.varga', 'sorrel.dunmore'] },
      ],
    },
  }
}

/** About what such people usually reach. */
const shuttleTarget = ({ protocol }: StandardEvent, form: number): number => {
  const kind = kindOf(protocol)
  return kind.rehearsedTarget?.(protocol, kind.usual(protocol), form) ?? kind.usual(protocol)
}

const PULL_UP_REASONS = ['chin', 'arms', 'swing'] as const

const pullUps = (place: Place, { id, person }: HalfEntry, startAtMs: number, share: number): Capture[] => {
  const { random } = place
  const makes = Math.max(1, Math.round((person.category === 'male' ? 11 : 7) + natureOf(person).ability * 2.2))
  const captures = [stamp(place, id, startAtMs, { kind: 'started', payload: {} })]
  let atMs = startAtMs
  for (let repetition = 0; repetition < makes; repetition++) {
    atMs += 2_300 + random.whole(0, 500) + repetition * 60
    const reason = PULL_UP_REASONS[random.whole(0, PULL_UP_REASONS.length - 1)] ?? 'chin'
    const isRefused = repetition > 0 && random.next() < share
    captures.push(
      stamp(place, id, atMs, isRefused ? { kind: 'refused', payload: { reason } } : { kind: 'counted', payload: {} }),
    )
  }
  captures.push(stamp(place, id, atMs + 2_600, { kind: 'stopped', payload: { reason: 'ended' } }))
  return captures
}
