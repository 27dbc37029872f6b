/**
 * How good a timetable is: thirty small days against the optimum an integer program proves, for any waves; and days of 24, 60 and 150
 * people against the bound no timetable can beat, with the time it takes to propose and to simulate them.
 */
import highsLoader from 'highs'
import {
  ASSUMED_HABITS,
  firstPlan,
  improveTimetable,
  proposePlans,
  seededRandom,
  simulateDays,
  timetableTask,
  type TimetableEvent,
  type TimetableTask,
} from '@able-gauge/core'
import { demoStandard } from '../core/testing/demoStandard.ts'
import { median } from './median.ts'

const MINUTE = 60_000
const SMALL_DAYS = 30
const ROUNDS = 300
const SECONDS_EACH = 60

const people = (heads: number): string[] => Array.from({ length: heads }, (_, index) => `p${index}`)
const inWaves = (events: readonly TimetableEvent[], heads: number, count: number): TimetableTask => ({
  events,
  pins: [],
  dayStartsMs: [0],
  waves: Array.from({ length: count }, (_, index) => ({
    wave: index + 1,
    entryIds: people(heads).slice(Math.round((index * heads) / count), Math.round(((index + 1) * heads) / count)),
  })),
})

/** The best of all even waves. */
const ours = (events: readonly TimetableEvent[], heads: number): number =>
  Math.min(
    ...Array.from(
      { length: heads },
      (_, index) => improveTimetable(inWaves(events, heads, index + 1), ROUNDS, 1).lengthMs,
    ),
  ) / MINUTE

/**
 * The shortest day there is, as an integer program. Stations of an event are alike and every start takes as long, so that starts in the
 * order of their times fit if each begins a slot after the one so many before it; people are alike, so that they may be numbered as they
 * begin.
 */
const program = (events: readonly TimetableEvent[], heads: number): string => {
  const long = events.reduce((sum, { slotMs, restAfterMs }) => sum + (slotMs * heads + restAfterMs) / MINUTE, 0)
  const range = people(heads).map((_, index) => index)
  const lines: string[] = []
  const at = (e: number, b: number): string => `t_${e}_${b}`
  const begin = (p: number, e: number): string => `s_${p}_${e}`
  const inStart = (p: number, e: number, b: number): string => `x_${p}_${e}_${b}`
  for (const [e, { stations, together, slotMs, restAfterMs }] of events.entries()) {
    const slot = slotMs / MINUTE
    for (const b of range) {
      if (b > 0) lines.push(`${at(e, b)} - ${at(e, b - 1)} >= 0`)
      if (b >= stations) lines.push(`${at(e, b)} - ${at(e, b - stations)} >= ${slot}`)
      lines.push(`${range.map((p) => inStart(p, e, b)).join(' + ')} <= ${together}`)
    }
    for (const p of range) {
      lines.push(`${range.map((b) => inStart(p, e, b)).join(' + ')} = 1`)
      for (const b of range) {
        lines.push(`${begin(p, e)} - ${at(e, b)} - ${long} ${inStart(p, e, b)} >= ${-long}`)
        lines.push(`${begin(p, e)} - ${at(e, b)} + ${long} ${inStart(p, e, b)} <= ${long}`)
      }
      if (e + 1 < events.length) lines.push(`${begin(p, e + 1)} - ${begin(p, e)} >= ${slot + restAfterMs / MINUTE}`)
      else lines.push(`c - ${begin(p, e)} >= ${slot}`)
      if (e === 0 && p > 0) lines.push(`${begin(p, 0)} - ${begin(p - 1, 0)} >= 0`)
    }
  }
  const binaries = events.flatMap((_, e) => range.flatMap((p) => range.map((b) => inStart(p, e, b))))
  return `Minimize\n obj: c\nSubject To\n ${lines.map((line, index) => `r${index}: ${line}`).join('\n ')}\nBinaries\n ${binaries.join(' ')}\nEnd`
}

const highs = await highsLoader()
const random = seededRandom(13)
const over: number[] = []
let unproven = 0
for (let day = 0; day < SMALL_DAYS; day++) {
  const heads = random.whole(3, 5)
  const events = Array.from({ length: random.whole(2, 3) }, (_, index): TimetableEvent => ({
    eventId: `e${index}`,
    stations: random.whole(1, 2),
    together: random.whole(1, 2),
    slotMs: random.whole(1, 6) * MINUTE,
    restAfterMs: random.whole(0, 6) * MINUTE,
    staff: [],
    day: 0,
  }))
  const { Status, ObjectiveValue } = highs.solve(program(events, heads), { time_limit: SECONDS_EACH })
  if (Status !== 'Optimal') unproven++
  else over.push(ours(events, heads) / ObjectiveValue - 1)
}
const percent = (share: number): string => `${(100 * share).toFixed(1)} %`
const within = over.filter((share) => share <= 0.05 + 1e-9).length
console.log(`${SMALL_DAYS} small days: optimum proven for ${over.length}, ${unproven} not within ${SECONDS_EACH} s`)
console.log(
  `above the optimum: median ${percent(median(over))}, most ${percent(Math.max(...over))}; ${within} within 5 %`,
)

const standard = demoStandard('constabulary-entry-v3')
for (const heads of [24, 60, 150]) {
  const staff = Array.from({ length: 8 }, (_, index) => ({
    accountId: `a${index}`,
    displayName: `a${index}`,
    duty: 'grader',
  }))
  const task = {
    standard,
    plan: firstPlan(standard),
    people: people(heads).map((entryId) => ({ entryId })),
    staff,
  }
  const began = performance.now()
  const [own] = proposePlans(task, 1)
  const proposedMs = performance.now() - began
  if (!own) throw new Error('Nothing was proposed.')
  const from = performance.now()
  const options = { day: 0, days: 500, seed: 1 }
  simulateDays(timetableTask(own.plan, standard, own.waves), own.timetable, ASSUMED_HABITS, options)
  const simulatedMs = performance.now() - from
  const gap = percent(own.lengthMs / own.boundMs - 1)
  console.log(
    `${heads} people: ${own.waves.length} waves, ${Math.round(own.lengthMs / MINUTE)} min, ${gap} above the bound; proposed in ${(proposedMs / 1000).toFixed(2)} s, 500 days simulated in ${(simulatedMs / 1000).toFixed(2)} s`,
  )
}
