/** The Fire Service's course: eighteen who overlap, a dropped drum, a third touch of the rail, a ladder that falls free, a climb broken off. */
import { bell, seededRandom, stamp, type Capture, type Observation, type Standard } from '@able-gauge/core'
import type { DemoPerson } from '../demoHouse.ts'
import {
  briefed,
  cleared,
  clockOf,
  conditions,
  dayUnder,
  entriesOf,
  eventOf,
  MINUTE_MS,
  ofUnits,
  record,
  SECOND_MS,
  turnOf,
  type HalfDay,
  type Place,
} from './halfDay.ts'

export const COURSE_ID = '01930000-0000-7000-8000-0000000f1e26'

const FIRE = 'maelle.corrigan-tull'
const [YARD_GRADER, TOWER_GRADER] = ['torin.blackmoor', 'wanda.lofthouse'] as const
const COURSE_APART_MS = 270 * SECOND_MS
const STARTED = 12

export const courseDay = (people: readonly DemoPerson[], standard: Standard, testDate: string): HalfDay => {
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
    ...dayUnder(standard, testDate),
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
