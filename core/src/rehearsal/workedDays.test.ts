/**
 * The simulation against days that are worked: graders who call whoever the board says may start, captures as consoles make them, the time
 * people take drawn by code the simulation does not have. What the simulation knows of them it learns as from any past day.
 */
import { expect, test } from 'vitest'
import { demoStandard } from '../../testing/demoStandard.ts'
import type { Capture } from '../capture/capture.ts'
import { settleCaptures } from '../capture/settleCaptures.ts'
import { newBook } from '../judge/eventBook.ts'
import { markEvent } from '../judge/judgeDay.ts'
import { kindOf } from '../kinds/kinds.ts'
import type { DayPlan } from '../plan/dayPlan.ts'
import { firstPlan } from '../plan/dayPlan.ts'
import { learnHabits, type PastStart } from '../plan/habits.ts'
import { restBoard } from '../plan/restBoard.ts'
import { simulateDays } from '../plan/simulateDays.ts'
import { makeTimetable, timetableTask } from '../plan/timetable.ts'
import { seededRandom, type Random } from '../random/random.ts'

const MINUTE = 60_000
const START_MS = 1_795_467_600_000
/** At length as many as two hundred. */
const DAYS = process.env['ABLE_GAUGE_LONG'] ? 200 : 30
const [LEARNT_FROM, HEADS] = [20, 10]
/** Three events of a standard that people do one after the other, with shorter rests. */
const full = demoStandard('constabulary-entry-v3')
const standard = {
  ...full,
  events: ['press-ups', 'grip', 'drag'].flatMap((id) =>
    full.events.filter((event) => event.id === id).map((event) => ({ ...event, restAfterMs: 3 * MINUTE })),
  ),
}
const SLOTS: Readonly<Record<string, number>> = { 'press-ups': 3 * MINUTE, grip: 2 * MINUTE, drag: 5 * MINUTE }
const plan: DayPlan = {
  ...firstPlan(standard),
  events: firstPlan(standard).events.map((one) => ({
    ...one,
    stations: 1,
    together: 1,
    slotMs: SLOTS[one.eventId] ?? MINUTE,
  })),
}
const ids = Array.from(
  { length: HEADS },
  (_, index) => `00000000-0000-4000-8000-${String(index + 1).padStart(12, '0')}`,
)
const candidates = ids.map((entryId) => ({
  entryId,
  wave: 1,
  category: 'female',
  ageYears: 25,
  ageCountedOn: '2026-11-24',
  bodyMassG: 70_000,
}))

const TERMS = { standard, testDate: '2026-11-24' }

/** What somebody takes beyond their captures: walking up, being told, walking off; a triangle about the rest of the slot. */
const aroundMs = (eventId: string, workMs: number, random: Random): number => {
  const usual = Math.max(10_000, (SLOTS[eventId] ?? MINUTE) - workMs)
  return usual * (0.6 + 0.4 * (random.next() + random.next()))
}

interface WorkedDay {
  readonly captures: readonly Capture[]
  readonly endMs: number
  /** From being ready to being begun, by event. */
  readonly waits: ReadonlyMap<string, number[]>
}

const workDay = (seed: number): WorkedDay => {
  const random = seededRandom(seed)
  const captures: Capture[] = []
  const books = new Map(standard.events.map(({ id }) => [id, newBook()]))
  const busy = new Map<string, number>()
  const freeMs = new Map(standard.events.map(({ id }) => [id, START_MS]))
  const waits = new Map<string, number[]>(standard.events.map(({ id }) => [id, []]))
  for (let nowMs = START_MS, last = START_MS; ;) {
    const soFar = captures.filter(({ atMs }) => atMs <= nowMs)
    const board = restBoard(
      standard.events.map((event) => {
        const settled = settleCaptures(soFar.filter(({ eventId }) => eventId === event.id))
        return {
          event,
          settled,
          marks: markEvent(TERMS, event, candidates, settled, books.get(event.id)).marks,
        }
      }),
      ids,
      new Set(),
      nowMs,
    )
    const next: number[] = []
    for (const { id: eventId, protocol } of standard.events) {
      const stationMs = freeMs.get(eventId) ?? nowMs
      const waiting = ids.flatMap((id) => {
        const state = board.get(id)
        const isHere = (busy.get(id) ?? 0) <= nowMs
        return isHere && state?.kind === 'mayStart' && state.eventId === eventId ? [{ id, sinceMs: state.sinceMs }] : []
      })
      // the grader calls whoever is ready longest
      const [called] = waiting.sort((a, b) => (a.sinceMs ?? 0) - (b.sinceMs ?? 0))
      if (stationMs > nowMs || !called) {
        if (stationMs > nowMs) next.push(stationMs)
        continue
      }
      const stage = { eventId, deviceId: `tablet-${eventId}`, random }
      const made =
        kindOf(protocol).rehearse?.(stage, protocol, { entryId: called.id, startAtMs: nowMs, target: 30 }) ?? []
      const endedMs = Math.max(nowMs, ...made.map(({ atMs }) => atMs))
      captures.push(...made)
      busy.set(called.id, endedMs)
      const freeAtMs = endedMs + aroundMs(eventId, endedMs - nowMs, random)
      freeMs.set(eventId, freeAtMs)
      waits.get(eventId)?.push(called.sinceMs === null ? 0 : nowMs - called.sinceMs)
      next.push(freeAtMs, endedMs)
      last = Math.max(last, freeAtMs)
    }
    for (const state of board.values()) if (state.kind === 'resting') next.push(state.untilMs)
    for (const untilMs of busy.values()) if (untilMs > nowMs) next.push(untilMs)
    const later = next.filter((ms) => ms > nowMs)
    if (later.length === 0) return { captures, endMs: last - START_MS, waits }
    nowMs = Math.min(...later)
  }
}

/** As they are taken out of the log. */
const startsOf = ({ captures }: WorkedDay, day: number): PastStart[] => {
  const first = new Map<string, PastStart>()
  for (const { entryId, eventId, deviceId, atMs } of captures) {
    const known = first.get(`${entryId} ${eventId}`) ?? { occasionId: String(day), eventId, deviceId, atMs, people: 1 }
    if (entryId !== null) first.set(`${entryId} ${eventId}`, { ...known, ownMs: atMs - known.atMs })
  }
  return [...first.values()]
}
const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0
const mean = (values: readonly number[]): number => values.reduce((sum, one) => sum + one, 0) / values.length

test('what is simulated is what worked days come to: when they end, and where people wait', () => {
  const worked = Array.from({ length: DAYS }, (_, day) => workDay(day + 1))
  const learnt = learnHabits(worked.slice(0, LEARNT_FROM).flatMap(startsOf), { entered: HEADS, came: HEADS })
  const habits = { ...learnt, latePercent: 0, stoppedPercent: 0 }
  const task = timetableTask(plan, standard, [{ wave: 1, entryIds: ids }])
  const { middleMs, events } = simulateDays(task, makeTimetable(task), habits, { day: 0, days: 500, seed: 3 })
  const endMs = median(worked.map((day) => day.endMs))
  expect(Math.abs(middleMs / endMs - 1)).toBeLessThan(0.05)
  // longest at the drag: a start there takes five minutes, one before it three
  const inOrder = (waits: readonly { readonly eventId: string; readonly waitMs: number }[]): string[] =>
    waits.filter(({ waitMs }) => waitMs > MINUTE / 2).map(({ eventId }) => eventId)
  const waited = standard.events.map(({ id: eventId }) => ({
    eventId,
    waitMs: mean(worked.flatMap(({ waits }) => waits.get(eventId) ?? [])),
  }))
  expect(inOrder(events)).toEqual(['drag'])
  expect(inOrder(waited)).toEqual(['drag'])
  const atDrag = (waits: typeof waited): number => waits.find(({ eventId }) => eventId === 'drag')?.waitMs ?? 0
  expect(Math.abs(atDrag([...events]) / atDrag(waited) - 1)).toBeLessThan(0.1)
})
