/**
 * Three days of this autumn beside the Constabulary's, each half done: the Fire Service's course with people overlapping, the Guard's test with
 * sixty in four waves and alternates, and an effort week of the staff check. They are made up from a seed, and what happens on them on purpose
 * is written down here.
 */
import {
  bell,
  captureId,
  dateAfter,
  kindOf,
  NO_CHOICES,
  seededRandom,
  stamp,
  startOfDayMs,
  type Capture,
  type DayRecordContent,
  type EntryChoices,
  type Observation,
  type Random,
  type Standard,
  type StandardEvent,
} from '@able-gauge/core'
import type { DemoDay } from './demoDay.ts'
import type { DemoPerson } from './demoHouse.ts'
import { natureOf } from './nature.ts'

export const DEMO_ZONE = 'Etc/GMT-12'
const ZONE = DEMO_ZONE
const [COURSE_ID, GUARD_ID, EFFORT_ID] = [
  '01930000-0000-7000-8000-0000000f1e26',
  '01930000-0000-7000-8000-000000604d26',
  '01930000-0000-7000-8000-0000000e4426',
] as const
/** Where they are opened on a later date. */
export const OTHER_DAYS = [COURSE_ID, GUARD_ID, EFFORT_ID].map((id) => ({ id, zone: ZONE }))
const [MINUTE_MS, SECOND_MS] = [60_000, 1_000] as const

export interface HalfEntry {
  readonly id: string
  readonly person: DemoPerson
  readonly bib: number
  readonly wave: number
  readonly attendance: 'present' | 'absent' | 'held'
  readonly note: string
  readonly bodyMassG: number
  readonly choices: EntryChoices
}

/** A day that is half done. */
export interface HalfDay extends Pick<DemoDay, 'id' | 'name' | 'venue' | 'zone' | 'testDate' | 'staff' | 'plan'> {
  readonly standardId: string
  readonly standardVersion: number
  /** Name of the unit it belongs to; null for the whole house. */
  readonly unit: string | null
  readonly entries: readonly HalfEntry[]
  readonly captures: readonly { readonly actor: string; readonly captures: readonly Capture[] }[]
  readonly log: readonly { readonly by: string; readonly atMs: number; readonly content: DayRecordContent }[]
}

type StandardOf = (id: string, version: number) => Standard

/** @param date on which they are half done */
export const otherDays = (people: readonly DemoPerson[], standardOf: StandardOf, date: string): HalfDay[] => [
  courseDay(people, standardOf('drill-yard-course', 1), date),
  guardDay(people, standardOf('guard-service', 4), date),
  effortWeek(people, standardOf('active-staff-check', 1), dateAfter(date, -1)),
]

/** Times of a day, from midnight at the venue. */
const clockOf =
  (date: string) =>
  (hour: number, minute = 0): number =>
    startOfDayMs(date, ZONE) + (hour * 60 + minute) * MINUTE_MS

const eventOf = ({ events, alternateEvents = [] }: Standard, id: string): StandardEvent => {
  const event = [...events, ...alternateEvents].find((one) => one.id === id)
  if (!event) throw new Error(`The demo names the event "${id}", which its standard does not hold.`)
  return event
}

const entriesOf = (people: readonly DemoPerson[], random: Random, waveOf: number): HalfEntry[] =>
  people.map((person, at) => ({
    // from the seed, so that the day is the same wherever it is loaded
    id: captureId(1_795_000_000_000 + at, random.bytes(16)),
    person,
    bib: at + 1,
    wave: 1 + Math.floor(at / waveOf),
    attendance: 'present',
    note: '',
    bodyMassG: natureOf(person).bodyMassG,
    choices: NO_CHOICES,
  }))

const ofUnits = (people: readonly DemoPerson[], units: readonly string[], most: number): DemoPerson[] =>
  people.filter(({ unit }) => units.includes(unit)).slice(0, most)

/** Where captures of a station come from. */
interface Place {
  readonly eventId: string
  readonly deviceId: string
  readonly random: Random
}

/** One person's turn at an event, as it would be captured. */
const turnOf = (
  place: Place,
  { protocol }: StandardEvent,
  entryId: string,
  startAtMs: number,
  target: number,
): Capture[] =>
  kindOf(protocol).rehearse?.({ ...place, isMended: true }, protocol, {
    entryId,
    startAtMs,
    target: Math.max(1, Math.round(target)),
  }) ?? []

const cleared = (place: Place, entryIds: readonly string[], atMs: number): Capture =>
  stamp(place, null, atMs, { kind: 'cleared', payload: { entryIds: [...entryIds] } })

const record = (by: string, atMs: number, content: DayRecordContent) => ({ by, atMs, content })
const briefed = (by: string, atMs: number) => record(by, atMs, { kind: 'briefed', eventIds: [] })
const conditions = (by: string, atMs: number, surface: string) =>
  record(by, atMs, {
    kind: 'conditions',
    airDeciC: 118,
    humidityPercent: 68,
    windKmh: 9,
    surface,
    worn: 'sports clothing, own shoes',
  })

// ---- the Fire Service's course ----

const FIRE = 'maelle.corrigan-tull'
const [YARD_GRADER, TOWER_GRADER] = ['torin.blackmoor', 'wanda.lofthouse'] as const
const COURSE_APART_MS = 270 * SECOND_MS
const STARTED = 12

const courseDay = (people: readonly DemoPerson[], standard: Standard, testDate: string): HalfDay => {
  const random = seededRandom(18)
  const at = clockOf(testDate)
  const entries = entriesOf(ofUnits(people, ['Marram', 'Gannet Rock', 'Low Light'], 18), random, 6)
  const [course, tower, crawl] = ['course', 'tower', 'dark-crawl'].map((id) => eventOf(standard, id))
  if (!course || !tower || !crawl) throw new Error('The course has three events.')
  const yard: Place = { eventId: 'course', deviceId: 'tablet-yard', random }
  const onCourse = entries.slice(0, STARTED).flatMap(({ id, bib }, index) => {
    const startAtMs = at(9) + index * COURSE_APART_MS
    const made = turnOf(yard, course, id, startAtMs, 520_000 - bell(random) * 24_000)
    return [cleared(yard, [id], startAtMs - 5 * SECOND_MS), ...whatHappened(bib, made, yard, startAtMs)]
  })
  const place = (eventId: string): Place => ({ eventId, deviceId: 'tablet-tower', random })
  const climbs = [1, 2, 3, 5, 6, 8].flatMap((bib, index) => {
    const { id } = entries[bib - 1] ?? {}
    const startAtMs = at(10, 20) + index * 4 * MINUTE_MS
    if (id === undefined) return []
    const done: Observation =
      bib === 5
        ? { kind: 'stopped', payload: { reason: 'failed', note: 'Stopping' } }
        : { kind: 'read', payload: { slot: 'done', value: 1 } }
    return [stamp(place('tower'), id, startAtMs + 95 * SECOND_MS, done)]
  })
  const crawls = [1, 2, 3].flatMap((bib, index) => {
    const { id } = entries[bib - 1] ?? {}
    const through: Observation = { kind: 'read', payload: { slot: 'done', value: 1 } }
    return id === undefined ? [] : [stamp(place('dark-crawl'), id, at(10, 34) + index * 5 * MINUTE_MS, through)]
  })
  return {
    id: COURSE_ID,
    name: 'Drill-yard course, late autumn',
    venue: 'Marram Yard',
    zone: ZONE,
    testDate,
    standardId: standard.id,
    standardVersion: standard.version,
    unit: 'Fire Service',
    staff: [
      { signInName: FIRE, duty: 'Officer in charge' },
      { signInName: 'kester.munro-vale', duty: 'Medical cover' },
      { signInName: YARD_GRADER, duty: 'Grader, yard' },
      { signInName: TOWER_GRADER, duty: 'Grader, tower' },
      { signInName: 'odile.harrow', duty: 'Check-in clerk' },
    ],
    entries: entries.map((entry) =>
      entry.bib === 17 ? { ...entry, attendance: 'held', note: 'Cut on the hand: glove does not fit' } : entry,
    ),
    captures: [
      { actor: YARD_GRADER, captures: onCourse },
      { actor: TOWER_GRADER, captures: [...climbs, ...crawls] },
    ],
    log: [
      conditions(FIRE, at(8, 40), 'wet concrete'),
      briefed(FIRE, at(8, 50)),
      record('odile.harrow', at(8, 25), {
        kind: 'holdRaised',
        entryId: entries[16]?.id ?? '',
        reason: 'Cut on the hand: glove does not fit',
      }),
    ],
    plan: {
      musterAt: '08:00',
      startsAt: '09:00',
      stations: [
        { eventId: 'course', place: 'Drill yard', stations: 1, staff: [YARD_GRADER] },
        { eventId: 'tower', place: 'Tower', stations: 1, staff: [TOWER_GRADER] },
        { eventId: 'dark-crawl', place: 'Container', stations: 1, staff: [TOWER_GRADER] },
      ],
    },
  }
}

/** What happens on purpose: a drum is dropped, the rail is touched a third time, a ladder falls free. */
const whatHappened = (bib: number, made: readonly Capture[], place: Place, startAtMs: number): Capture[] => {
  if (bib === 4) return endedAt(made, 'drums', 'Dropping a drum', place)
  if (bib === 9) return endedAt(made, 'ladder', 'The ladder falling free', place)
  if (bib !== 7) return [...made]
  const touch: Observation = { kind: 'faulted', payload: { part: 'stairs' } }
  const [first] = made
  const touches = [70, 104, 133].map((seconds) =>
    stamp(place, first?.entryId ?? null, startAtMs + seconds * SECOND_MS, touch),
  )
  return first ? [first, ...touches] : []
}

/** Up to a station, which is not passed: something fails the course at once. */
const endedAt = (made: readonly Capture[], part: string, note: string, place: Place): Capture[] => {
  const at = made.findIndex(({ kind, payload }) => kind === 'passed' && 'part' in payload && payload.part === part)
  const missed = made[at]
  if (!missed) return [...made]
  const stop: Observation = { kind: 'stopped', payload: { reason: 'failed', note } }
  return [...made.slice(0, at), stamp(place, missed.entryId, missed.atMs - 6 * SECOND_MS, stop)]
}

// ---- the Guard's day ----

const GUARD = 'rurik.stenmark-vale'
const BARS = ['ilse.brandvold', 'bram.ekholm', 'tamsin.oake-reyes'] as const
const STRICT: (typeof BARS)[number] = 'tamsin.oake-reyes'
const BESIDE = 'joss.adair-nakata'
const [HANG, SHUTTLE] = [new Set([3, 11, 18, 24, 33, 39, 47, 55]), new Set([5, 9, 14, 17, 22, 28, 34, 41, 46, 52, 58])]
const SECOND_COUNTS = new Set([1, 8, 16, 25, 31, 37, 42])
const TURN_MS = 100 * SECOND_MS
/** Of the repetitions somebody makes. */
const REFUSED = { usual: 0.06, strict: 0.3 } as const

const guardDay = (people: readonly DemoPerson[], standard: Standard, testDate: string): HalfDay => {
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
      if (SECOND_COUNTS.has(entry.bib) && !HANG.has(entry.bib)) beside.push(...countedBeside(made, random))
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
    zone: ZONE,
    testDate,
    standardId: standard.id,
    standardVersion: standard.version,
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

/** The same attempt as a second grader sees it: a little later, and one in nine otherwise. */
const countedBeside = (captures: readonly Capture[], random: Random): Capture[] => {
  const place = { eventId: 'pull-ups', deviceId: 'phone-second', random }
  return captures.map((capture) => {
    const { entryId, atMs, ...rest } = capture
    const seen: Observation =
      rest.kind === 'refused' && random.next() < 1 / 9
        ? { kind: 'counted', payload: {} }
        : ({ kind: rest.kind, payload: rest.payload } as Observation)
    return stamp(place, entryId, atMs + random.whole(40, 260), seen)
  })
}

// ---- the effort week ----

const OFFICER = 'ines.calloway-brandt'
const ON_THE_KNEES = new Set([6, 15])
const SECOND_DAY = 14

const effortWeek = (people: readonly DemoPerson[], standard: Standard, testDate: string): HalfDay => {
  const random = seededRandom(4)
  const at = clockOf(testDate)
  const later = clockOf(dateAfter(testDate, 1))
  // a few of every service; the Intake is not on the staff yet
  const coming = people
    .filter(({ unit }) => unit !== 'Intake')
    .filter((_, index) => index % 5 === 2)
    .slice(0, 24)
  const entries = entriesOf(coming, random, 8).map((entry) => ({
    ...entry,
    choices: ON_THE_KNEES.has(entry.bib) ? { ...NO_CHOICES, variants: { 'press-ups': 'knees' } } : NO_CHOICES,
  }))
  const each = (
    eventId: string,
    own: readonly HalfEntry[],
    fromMs: number,
    apartMs: number,
    targetOf: (entry: HalfEntry) => number,
  ) => {
    const event = eventOf(standard, eventId)
    const place = { eventId, deviceId: `tablet-${eventId}`, random }
    return own.flatMap((entry, index) => {
      const startAtMs = fromMs + index * apartMs
      const asked = event.protocol.clearBefore ? [cleared(place, [entry.id], startAtMs - 5 * SECOND_MS)] : []
      return [...asked, ...turnOf(place, event, entry.id, startAtMs, targetOf(entry))]
    })
  }
  const secondDay = entries.slice(0, SECOND_DAY)
  const pulse = ({ person }: HalfEntry): number => 116 - natureOf(person).ability * 11 + bell(random) * 4
  const first = [
    ...each('body', entries, at(8, 30), 90 * SECOND_MS, ({ bodyMassG }) => bodyMassG),
    ...each('step', entries, at(9, 15), 6 * MINUTE_MS, pulse),
  ]
  const second = [
    ...each('reach', secondDay, later(9), 90 * SECOND_MS, ({ person }) => 60 + natureOf(person).ability * 45),
    ...each(
      'wall-sit',
      secondDay,
      later(9, 30),
      3 * MINUTE_MS,
      ({ person }) => 90_000 + natureOf(person).ability * 30_000,
    ),
  ]
  return {
    id: EFFORT_ID,
    name: 'Active Staff Check, effort week',
    venue: 'Fallow Point track',
    zone: ZONE,
    testDate,
    standardId: standard.id,
    standardVersion: standard.version,
    unit: null,
    staff: [
      { signInName: OFFICER, duty: 'Officer in charge' },
      { signInName: 'kester.munro-vale', duty: 'Medical cover' },
      { signInName: 'wanda.lofthouse', duty: 'Grader' },
      { signInName: 'bram.ekholm', duty: 'Grader' },
      { signInName: 'pell.varga', duty: 'Timer' },
    ],
    entries,
    captures: [
      { actor: 'wanda.lofthouse', captures: first },
      { actor: 'bram.ekholm', captures: second },
    ],
    log: [conditions(OFFICER, at(8, 15), 'indoors'), briefed(OFFICER, at(8, 25))],
    plan: {
      musterAt: '08:15',
      startsAt: '08:30',
      days: 4,
      stations: [
        { eventId: 'body', place: 'Club room', stations: 1, staff: ['wanda.lofthouse'], day: 0 },
        { eventId: 'step', place: 'Club room', stations: 1, staff: ['wanda.lofthouse', 'bram.ekholm'], day: 0 },
        { eventId: 'reach', place: 'Club room', stations: 1, staff: ['bram.ekholm'], day: 1 },
        { eventId: 'wall-sit', place: 'Club room', stations: 1, staff: ['bram.ekholm', 'wanda.lofthouse'], day: 1 },
        { eventId: 'press-ups', place: 'Club room', stations: 1, staff: ['bram.ekholm', 'wanda.lofthouse'], day: 2 },
        { eventId: 'run', place: 'Track', stations: 1, staff: ['pell.varga'], day: 3 },
      ],
    },
  }
}
