/** A whole made-up day: everybody is run through a standard in order, with rests, stations and waves, from a seed. */
import type { Capture } from '../capture/capture.ts'
import { concernedBy } from '../capture/concernedBy.ts'
import { findCut } from '../judge/findCut.ts'
import { minimumOf } from '../judge/basis.ts'
import { factsOf } from '../kinds/facts.ts'
import { kindOf } from '../kinds/kinds.ts'
import { stamp, type Stage } from '../kinds/stage.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import { bell, seededRandom, type Random } from '../random/random.ts'

export interface RehearsedPerson {
  readonly entryId: string
  readonly wave: number
  readonly category: string
  readonly ageYears: number
}

/** What a made-up day is to come to, where it is not left to the seed; null leaves it. */
export interface RehearsalWishes {
  /** How good somebody is in an event, about a standard normal value. */
  readonly formOf?: (event: StandardEvent, entryId: string) => number | null
  /** What somebody is to reach in an event, in its unit. */
  readonly targetOf?: (event: StandardEvent, entryId: string) => number | null
  readonly isMended?: boolean
}

/** In place of an event's id: every event is worked by hand, and only the people are made up. */
export const ALL_EVENTS = 'all-events'

/** How many are tested at once in events that are done person by person. */
const STATIONS = 4
const CHANGE_OVER_MS = 30_000
const BEFORE_FIRST_MS = 60_000
const CLEARED_BEFORE_MS = 5_000

/**
 * Makes up a day.
 * @param startMs of the day, ms since 1970
 * @param ownEventId an event somebody works by hand: nothing is made up for it
 * @param wishes what is not left to the seed
 * @returns captures in the order they happen; the same seed gives the same captures with the same ids
 */
export const rehearseDay = (
  standard: Standard,
  people: readonly RehearsedPerson[],
  seed: number,
  startMs: number,
  ownEventId: string | null = null,
  { formOf, targetOf, isMended = false }: RehearsalWishes = {},
): Capture[] => {
  const random = seededRandom(seed)
  // some are good at everything, and everybody is better at some things
  const ability = new Map(people.map(({ entryId }) => [entryId, bell(random)]))
  const freeAtMs = new Map(people.map(({ entryId }) => [entryId, startMs + BEFORE_FIRST_MS]))
  const captures: Capture[] = []
  // apart, so that who is cleared changes nothing that is made up of the work
  const clearing = seededRandom(seed + 1)
  for (const event of standard.events) {
    const targets = new Map(
      people.map((person) => {
        const drawn = (ability.get(person.entryId) ?? 0) * 0.6 + bell(random) * 0.8
        const form = formOf?.(event, person.entryId) ?? drawn
        const own = targetFor(standard, event, person, form, random)
        return [person.entryId, targetOf?.(event, person.entryId) ?? own]
      }),
    )
    const isOwn = ownEventId === ALL_EVENTS || event.id === ownEventId
    const made = isOwn ? [] : eventOf(event, people, targets, freeAtMs, { random, isMended })
    captures.push(...clearedBefore(event, made, clearing), ...made)
    for (const [entryId, endedMs] of lastMoments(made)) freeAtMs.set(entryId, endedMs + (event.restAfterMs ?? 0))
  }
  return captures.sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1))
}

const eventOf = (
  event: StandardEvent,
  people: readonly RehearsedPerson[],
  targets: ReadonlyMap<string, number>,
  freeAtMs: ReadonlyMap<string, number>,
  from: Pick<Stage, 'random' | 'isMended'>,
): Capture[] => {
  const { protocol } = event
  const stage = { ...from, eventId: event.id, deviceId: `simulated-${event.id}` }
  const readyAt = (entryId: string): number => freeAtMs.get(entryId) ?? 0
  const kind = kindOf(protocol)
  if (kind.startsTogether) {
    let courseFreeMs = 0
    return wavesIn(people).flatMap(({ wave, members }) => {
      const startAtMs = Math.max(courseFreeMs, ...members.map(({ entryId }) => readyAt(entryId)))
      const runners = members.map(({ entryId }) => ({ entryId, target: targets.get(entryId) ?? 0 }))
      const captures = kind.rehearseWave?.(stage, protocol, wave, startAtMs, runners) ?? []
      courseFreeMs = Math.max(...captures.map(({ atMs }) => atMs)) + CHANGE_OVER_MS
      return captures
    })
  }
  const stationFreeMs = Array.from({ length: STATIONS }, () => 0)
  return people.flatMap(({ entryId }) => {
    const station = stationFreeMs.indexOf(Math.min(...stationFreeMs))
    const startAtMs = Math.max(stationFreeMs[station] ?? 0, readyAt(entryId))
    const target = targets.get(entryId) ?? 0
    const atStation = { ...stage, deviceId: `${stage.deviceId}-${station + 1}` }
    const captures = kind.rehearse?.(atStation, protocol, { entryId, startAtMs, target }) ?? []
    stationFreeMs[station] = Math.max(startAtMs, ...captures.map(({ atMs }) => atMs)) + CHANGE_OVER_MS
    return captures
  })
}

/** Where something has to be clear before, everybody is found so shortly before their first capture. */
const clearedBefore = ({ id, protocol }: StandardEvent, made: readonly Capture[], random: Random): Capture[] => {
  if (!protocol.clearBefore) return []
  const begun = new Map<string, Capture>()
  for (const capture of made) {
    for (const entryId of concernedBy(capture)) if (!begun.has(entryId)) begun.set(entryId, capture)
  }
  const together = new Map<Capture, string[]>()
  for (const [entryId, first] of begun) together.set(first, [...(together.get(first) ?? []), entryId])
  return [...together].map(([{ atMs, deviceId }, entryIds]) =>
    stamp({ eventId: id, deviceId, random }, null, atMs - CLEARED_BEFORE_MS, {
      kind: 'cleared',
      payload: { entryIds },
    }),
  )
}

const wavesIn = (people: readonly RehearsedPerson[]): { wave: number; members: RehearsedPerson[] }[] =>
  [...new Set(people.map(({ wave }) => wave))]
    .sort((a, b) => a - b)
    .map((wave) => ({ wave, members: people.filter((person) => person.wave === wave) }))

const lastMoments = (captures: readonly Capture[]): Map<string, number> => {
  const last = new Map<string, number>()
  for (const { entryId, atMs } of captures) {
    if (entryId !== null) last.set(entryId, Math.max(atMs, last.get(entryId) ?? 0))
  }
  return last
}

/** Around the cut, most a little better; where there is none, a figure such people would reach. */
const targetFor = (
  standard: Standard,
  event: StandardEvent,
  { category, ageYears }: RehearsedPerson,
  form: number,
  random: Random,
): number => {
  const found = findCut(event, { ageYears, category }, minimumOf(standard, event))
  const { sense, unit } = factsOf(event.protocol)
  const kind = kindOf(event.protocol)
  const usual = (found.ok ? found.cut?.value : undefined) ?? kind.usual(event.protocol)
  const own = kind.rehearsedTarget?.(event.protocol, usual, form) ?? null
  if (own !== null) return own
  const better = sense === 'atLeast' ? 1 : -1
  const reached = usual * (1 + better * (0.06 + form * 0.11))
  // a stopwatch or scale is finer than the cut
  return Math.max(1, Math.round(reached) + (unit === 'ms' ? random.whole(-400, 400) : 0))
}
