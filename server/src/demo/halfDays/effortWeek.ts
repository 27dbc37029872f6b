/** An effort week of the staff check, on its second day of four. */
import { bell, dateAfter, NO_CHOICES, seededRandom, type Standard } from '@able-gauge/core'
import type { DemoPerson } from '../demoHouse.ts'
import { natureOf } from '../nature.ts'
import {
  briefed,
  cleared,
  clockOf,
  conditions,
  dayUnder,
  entriesOf,
  eventOf,
  MINUTE_MS,
  SECOND_MS,
  turnOf,
  type HalfDay,
  type HalfEntry,
} from './halfDay.ts'

export const EFFORT_ID = '01930000-0000-7000-8000-0000000e4426'

const OFFICER = 'ines.calloway-brandt'
const ON_THE_KNEES = new Set([6, 15])
const SECOND_DAY = 14

export const effortWeek = (people: readonly DemoPerson[], standard: Standard, testDate: string): HalfDay => {
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
    ...dayUnder(standard, testDate),
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
