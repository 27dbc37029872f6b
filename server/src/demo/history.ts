/**
 * Five years of signed days, from a seed, with truths in them that a good report finds: the trunk hold became harder with version 3;
 * the loop at Skerry Barracks was measured short; one grader refuses three times as many; B Company improved after its second year;
 * one watch is too small to say anything about; a second grader counts beside a tenth of all press-ups.
 */
import { randomUUID } from 'node:crypto'
import {
  bell,
  ageOn,
  rehearseDay,
  rehearseRepetitions,
  seededRandom,
  stamp,
  startOfDayMs,
  type Capture,
  type Conditions,
  type Random,
  type Standard,
  type StandardEvent,
} from '@able-gauge/core'
import type { DemoPerson } from './demoHouse.ts'
import { natureOf } from './nature.ts'
import { countedBeside } from './secondGrader.ts'

export interface PastEntry {
  readonly id: string
  readonly person: DemoPerson
  readonly bib: number
  readonly wave: number
  readonly attendance: 'present' | 'absent'
  readonly bodyMassG: number
}

/** A past day with everything that was captured on it. */
export interface PastDay {
  readonly id: string
  readonly name: string
  readonly venue: string
  readonly zone: string
  readonly testDate: string
  readonly standardId: string
  readonly standardVersion: number
  /** Sign-in names with their duties; the first signs. */
  readonly staff: readonly { readonly signInName: string; readonly duty: string }[]
  readonly entries: readonly PastEntry[]
  readonly captures: readonly { readonly actor: string; readonly captures: readonly Capture[] }[]
  readonly conditions: Conditions
  readonly startMs: number
}

interface DayPlan {
  readonly testDate: string
  readonly name: string
  readonly venue: string
  readonly standard: readonly [id: string, version: number]
  readonly units: readonly string[]
  readonly most: number
}

const ZONE = 'Etc/GMT-12'
const [TRACK, SQUARE, YARD] = ['Fallow Point track', 'Skerry Barracks square', 'Marram Yard'] as const
const CONSTABULARY = ['Intake', 'North Skerries', 'South Skerries'] as const
const GUARD = ['A Company', 'B Company', 'C Company'] as const

const OFFICER = 'ines.calloway-brandt'
const GRADERS = ['joss.adair-nakata', 'wanda.lofthouse', 'bram.ekholm', 'tamsin.oake-reyes'] as const
/** Refuses three times as many as the others. */
const STRICT: (typeof GRADERS)[number] = 'tamsin.oake-reyes'
const [TIMER, BACKUP] = ['pell.varga', 'sorrel.dunmore'] as const
/** Of the repetitions somebody makes. */
const REFUSED = { usual: 0.06, strict: 0.18 } as const
/** The loop that is called 350 m is about one in a hundred shorter. */
const SHORT_LOOP = 0.989
const IMPROVED_FROM = 2024
const SECOND_COUNTS = 0.1
const MOST_TRUNK_MS = 240_000

/** What people usually reach, and how they spread; of women and men. */
const LEVELS: Readonly<Record<string, { readonly of: readonly [number, number]; readonly spread: number }>> = {
  'press-ups': { of: [30, 36], spread: 6 },
  grip: { of: [37_000, 48_000], spread: 5_500 },
  'trunk-hold': { of: [114_000, 118_000], spread: 26_000 },
  run: { of: [572_000, 541_000], spread: -33_000 },
  drag: { of: [26_400, 23_600], spread: -2_300 },
}

/** Days of each year; month and day. */
const ENTRY_DAYS = ['03-21', '05-02', '06-10', '08-22', '10-01', '10-31'] as const
const SEASONS = ['spring', 'early summer', 'midsummer', 'late summer', 'autumn', 'late autumn'] as const
const YEARS = [2022, 2023, 2024, 2025, 2026] as const
/** Whoever has such a number joined this autumn. */
const JOINED_LATELY = 'TI-1900'
/** Before it there was no version of the entry standard. */
const ENTRY_FROM = 2023
const VERSION_3_FROM = 2026

const dayPlans = (): DayPlan[] =>
  YEARS.flatMap((year): DayPlan[] => [
    ...(['spring', 'autumn'] as const).map((season) => ({
      testDate: `${year}-${season === 'spring' ? '04-12' : '10-04'}`,
      name: `Guard service test, ${season}`,
      venue: season === 'spring' ? TRACK : SQUARE,
      standard: ['guard-service', 4] as const,
      units: GUARD,
      most: 60,
    })),
    {
      testDate: `${year}-06-15`,
      name: 'Drill-yard course',
      venue: YARD,
      standard: ['drill-yard-course', 1],
      // the smallest watch comes every other year
      units: year % 4 === 0 ? ['Marram', 'Gannet Rock', 'Low Light'] : ['Gannet Rock', 'Low Light'],
      most: 30,
    },
    ...(year < ENTRY_FROM
      ? []
      : ENTRY_DAYS.map((date, at) => ({
          testDate: `${year}-${date}`,
          name: `Constabulary entry, ${SEASONS[at] ?? ''}`,
          venue: TRACK,
          standard: ['constabulary-entry', year < VERSION_3_FROM ? 2 : 3] as const,
          units: CONSTABULARY,
          most: 24,
        }))),
  ])

/** @param before the date from which the demo's own days go on: later ones are left out */
export function* pastDays(
  people: readonly DemoPerson[],
  standardOf: (id: string, version: number) => Standard,
  before: string,
): Generator<PastDay> {
  const plans = dayPlans()
    .filter(({ testDate }) => testDate < before)
    .sort((a, b) => (a.testDate < b.testDate ? -1 : 1))
  // one at a time: whoever stores a day waits for no other
  for (const [at, plan] of plans.entries()) {
    const standard = standardOf(...plan.standard)
    yield dayOf(plan, standard, entriesFor(plan, standard, people, seededRandom(900 + at)), 4_000 + at)
  }
}

/** Who is of age and of the units, whose turn it is. */
const entriesFor = (
  { testDate, units, most, standard: [standardId] }: DayPlan,
  standard: Standard,
  people: readonly DemoPerson[],
  random: Random,
): PastEntry[] => {
  const { leapDayBirthday } = standard.ageRule
  const open = people.filter(
    ({ unit, birthDate, number }) =>
      number < JOINED_LATELY && units.includes(unit) && ageOn(birthDate, testDate, leapDayBirthday) >= 18,
  )
  const isWholeUnit = standardId !== 'constabulary-entry'
  const coming = open
    .map((person) => ({ person, turn: random.next() }))
    .sort((a, b) => a.turn - b.turn)
    .slice(0, most)
  return coming.map(({ person }, index): PastEntry => ({
    id: randomUUID(),
    person,
    bib: index + 1,
    wave: 1 + Math.floor((index * Math.ceil(coming.length / 15)) / coming.length),
    attendance: random.next() < (isWholeUnit ? 0.06 : 0.03) ? 'absent' : 'present',
    bodyMassG: natureOf(person).bodyMassG,
  }))
}

const MINUTE_MS = 60_000

const dayOf = (plan: DayPlan, standard: Standard, entries: readonly PastEntry[], seed: number): PastDay => {
  const { testDate, venue, name } = plan
  const random = seededRandom(seed)
  const startMs = startOfDayMs(testDate, ZONE) + 9 * 60 * MINUTE_MS
  const here = entries.filter(({ attendance }) => attendance === 'present')
  const entryOf = new Map(here.map((entry) => [entry.id, entry]))
  const targetOf = (event: StandardEvent, entryId: string): number | null => {
    const entry = entryOf.get(entryId)
    return entry ? targetIn(plan, event, entry.person, random) : null
  }
  const pressUps = standard.events.find(({ protocol }) => protocol.kind === 'repetitionsInTime')
  const counted = pressUps ? pressUpsOf(pressUps, here, targetOf, startMs, random) : []
  const rehearsed = rehearseDay(
    standard,
    here.map(({ id, wave, person }) => ({
      entryId: id,
      wave,
      category: person.category,
      ageYears: ageOn(person.birthDate, testDate, standard.ageRule.leapDayBirthday),
    })),
    seed,
    startMs + (pressUps ? 40 * MINUTE_MS : 0),
    pressUps?.id ?? null,
    {
      targetOf,
      formOf: (event, entryId) => {
        const entry = entryOf.get(entryId)
        return entry ? formIn(plan, event.id, entry.person, random) : null
      },
      isMended: true,
    },
  )
  const isRun = (capture: Capture): boolean =>
    ['waveStarted', 'crossed'].includes(capture.kind) || capture.eventId === 'run'
  const watched = pressUps ? secondWatch(rehearsed, random) : []
  return {
    id: randomUUID(),
    name,
    venue,
    zone: ZONE,
    testDate,
    standardId: standard.id,
    standardVersion: standard.version,
    staff: [
      { signInName: OFFICER, duty: 'Officer in charge' },
      ...GRADERS.map((signInName, at) => ({ signInName, duty: `Grader, lane ${at + 1}` })),
      { signInName: TIMER, duty: 'Timer' },
      { signInName: BACKUP, duty: 'Backup timer' },
    ],
    entries,
    captures: [
      ...counted,
      { actor: TIMER, captures: rehearsed.filter(isRun) },
      { actor: GRADERS[0], captures: rehearsed.filter((capture) => !isRun(capture)) },
      { actor: BACKUP, captures: watched },
    ].filter(({ captures }) => captures.length > 0),
    conditions: {
      kind: 'conditions',
      airDeciC: random.whole(60, 190),
      humidityPercent: random.whole(50, 85),
      windKmh: random.whole(0, 24),
      surface: venue === SQUARE ? 'dry asphalt' : 'dry',
      worn: 'sports clothing, own shoes',
    },
    startMs,
  }
}

/** How good somebody is in an event on the day, about a standard normal value. */
const formIn = (plan: DayPlan, eventId: string, person: DemoPerson, random: Random): number => {
  const { ability, byEvent } = natureOf(person)
  const trained = plan.standard[0] === 'guard-service' ? 0.6 : 0
  return ability * 0.7 + byEvent(eventId) * 0.6 + improvedBy(plan, person) + trained + bell(random) * 0.22
}

/** What somebody reaches on the day; null where it follows from the form. */
const targetIn = (plan: DayPlan, event: StandardEvent, person: DemoPerson, random: Random): number | null => {
  const level = LEVELS[event.id]
  if (level && isOfEntry(event)) {
    const usual = level.of[person.category === 'male' ? 1 : 0]
    const reached = Math.round(usual + level.spread * formIn(plan, event.id, person, random))
    return event.id === 'trunk-hold' ? Math.min(MOST_TRUNK_MS, Math.max(20_000, reached)) : Math.max(1, reached)
  }
  if (event.id !== 'run') return null
  // the form of the day is small beside what a short loop does
  const { ability, byEvent } = natureOf(person)
  const timeMs = (person.category === 'male' ? 800_000 : 880_000) - 38_000 * (ability * 0.7 + byEvent('run') * 0.6)
  const onTheDay = timeMs * (1 + bell(random) * 0.006) - 20_000 * Math.max(0, improvedBy(plan, person))
  return Math.round(onTheDay * (plan.venue === SQUARE ? SHORT_LOOP : 1))
}

const improvedBy = ({ testDate }: DayPlan, { unit }: DemoPerson): number => {
  if (unit !== 'B Company') return 0
  return Number(testDate.slice(0, 4)) >= IMPROVED_FROM ? 0.9 : -0.3
}

/** The run of the entry standard and that of the Guard have one id, and not one distance. */
const isOfEntry = ({ id, protocol }: StandardEvent): boolean =>
  id !== 'run' || (protocol.kind === 'timedDistance' && protocol.distanceMm === 2_000_000)

/** Everybody in turn at four lanes; a tenth is counted by a second grader as well. */
const pressUpsOf = (
  event: StandardEvent,
  here: readonly PastEntry[],
  targetOf: (event: StandardEvent, entryId: string) => number | null,
  startMs: number,
  random: Random,
): PastDay['captures'] => {
  const { protocol } = event
  if (protocol.kind !== 'repetitionsInTime') return []
  const reasons = protocol.refusals.map(({ id }) => id)
  const laneOrder = here.map((entry) => ({ entry, turn: random.next() })).sort((a, b) => a.turn - b.turn)
  const by = new Map<string, Capture[]>(GRADERS.map((name) => [name, []]))
  laneOrder.forEach(({ entry }, at) => {
    const lane = at % GRADERS.length
    const grader = GRADERS[lane] ?? GRADERS[0]
    const made = targetOf(event, entry.id) ?? 0
    const share = grader === STRICT ? REFUSED.strict : REFUSED.usual
    const refused = Array.from({ length: made }, () => random.next())
      .filter((chance) => chance < share)
      .map(() => reasons[random.whole(0, reasons.length - 1)] ?? '')
    const captures = rehearseRepetitions({ eventId: event.id, deviceId: `tablet-lane-${lane + 1}`, random }, protocol, {
      entryId: entry.id,
      startAtMs: startMs + Math.floor(at / GRADERS.length) * 3 * MINUTE_MS,
      counted: made - refused.length,
      refused,
    })
    by.get(grader)?.push(...captures)
    if (random.next() >= SECOND_COUNTS) return
    const second = GRADERS[(lane + 1) % GRADERS.length] ?? GRADERS[0]
    by.get(second)?.push(...countedBeside(captures, `phone-second-${lane + 1}`, reasons, random))
  })
  return [...by].map(([actor, captures]) => ({ actor, captures }))
}

/** Each finish of the run stamped on a second watch as well, a little apart. */
const secondWatch = (captures: readonly Capture[], random: Random): Capture[] => {
  const last = new Map<string, Capture>()
  for (const capture of captures) {
    if (capture.kind === 'crossed' && capture.eventId === 'run' && capture.entryId !== null)
      last.set(capture.entryId, capture)
  }
  return [...last].map(([entryId, finish]) =>
    stamp(
      { eventId: finish.eventId, deviceId: 'phone-backup', random },
      entryId,
      finish.atMs + Math.round(bell(random) * 110),
      { kind: 'crossed', payload: { watch: 2 } },
    ),
  )
}
