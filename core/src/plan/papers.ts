/** What papers have boxes for, so that a day goes on when all devices die. */
import { endingsOf } from '../kinds/endingsOf.ts'
import { kindOf } from '../kinds/kinds.ts'
import { slotsOfEvent } from '../kinds/slots.ts'
import type { StandardEvent } from '../standard/standard.ts'
import type { Timetable } from './timetable.ts'

/** Boxes of one person's card for one event. */
export interface CardBoxes {
  /** Numbers to strike one by one: repetitions, laps, stations; null where nothing is counted on the card. */
  readonly strike: { readonly what: string; readonly upTo: number } | null
  /** Reasons of a refusal, each with room for a tally. */
  readonly refusals: readonly string[]
  /** One for each caution somebody may have, and the one that ends it; 0 where none are given. */
  readonly cautions: number
  /** How often somebody may begin again. */
  readonly restarts: number
  /** Figures to be written: tries, times, watches. */
  readonly figures: readonly string[]
  /** Faults that are counted, by station: how many may be made, and what they are. */
  readonly faults: readonly { readonly at: string; readonly fault: string; readonly allowed: number }[]
  /** What ends it at one touch, to be ticked. */
  readonly endings: readonly string[]
}

const LEAST_STRIKES = 20
const MOST_STRIKES = 100

/** Twice what is usual, in tens: nobody runs out of numbers. */
const strikesFor = (usual: number): number =>
  Math.min(MOST_STRIKES, Math.max(LEAST_STRIKES, Math.ceil((2 * usual) / 10) * 10))

/** @returns the boxes an event takes, from what its protocol prints */
export const cardBoxes = (event: StandardEvent): CardBoxes => {
  const { protocol } = event
  const kind = kindOf(protocol)
  const progress = kind.progress?.(protocol)
  const counted = 'refusals' in protocol
  // laps of people who start together are struck on the sheet of their wave
  const listed = progress?.of !== null && progress?.of !== undefined && !kind.startsTogether ? progress : null
  const stations = 'stations' in protocol ? protocol.stations : []
  return {
    strike: counted
      ? { what: progress?.what ?? 'repetitions', upTo: strikesFor(kind.usual(protocol)) }
      : listed && { what: listed.what, upTo: listed.of ?? 0 },
    refusals: counted ? protocol.refusals.map(({ label }) => label) : [],
    cautions:
      'cautionsAllowed' in protocol && protocol.cautionsAllowed !== undefined ? protocol.cautionsAllowed + 1 : 0,
    restarts: 'restart' in protocol ? (protocol.restart?.times ?? 0) : 0,
    figures: counted ? [] : slotsOfEvent(event).map(({ label }) => label),
    faults: stations.flatMap(({ name, fault, faultsAllowed }) =>
      faultsAllowed === undefined ? [] : [{ at: name, fault: fault ?? 'fault', allowed: faultsAllowed }],
    ),
    endings: endingsOf(protocol).map(({ label }) => label),
  }
}

/** What is struck for a whole wave at once. */
export type WaveSheet =
  /** A column for each lap, a row for each person. */
  | { readonly kind: 'laps'; readonly what: string; readonly laps: number }
  /** Shuttles of each level, in which whoever stops is written down. */
  | { readonly kind: 'levels'; readonly shuttles: readonly number[] }

const MOST_LAPS = 40

/** @returns null for an event people do one by one */
export const waveSheet = (event: StandardEvent): WaveSheet | null => {
  const { protocol } = event
  const kind = kindOf(protocol)
  if (!kind.startsTogether) return null
  const shuttles = slotsOfEvent(event).find((slot) => slot.shuttles !== undefined)?.shuttles
  if (shuttles) return { kind: 'levels', shuttles }
  const { what = 'laps', of = null } = kind.progress?.(protocol) ?? {}
  if (of !== null) return { kind: 'laps', what, laps: Math.min(of, MOST_LAPS) }
  // where the time is fixed, laps for half as much again as is usual
  const lapMm = kind.ground?.(protocol)?.lengthMm ?? 0
  const laps = lapMm > 0 ? Math.ceil((1.5 * kind.usual(protocol)) / lapMm) : 0
  return laps > 0 ? { kind: 'laps', what, laps: Math.min(laps, MOST_LAPS) } : null
}

/** Everybody of a wave at an event, in the order they start. */
export interface StartingList {
  readonly eventId: string
  readonly wave: number
  readonly day: number
  readonly lines: readonly { readonly startMs: number; readonly station: number; readonly entryId: string }[]
}

/** By event, then by wave, each in the order of its starts. */
export const startingLists = (eventIds: readonly string[], { sittings }: Pick<Timetable, 'sittings'>): StartingList[] =>
  eventIds.flatMap((id) =>
    sittings
      .filter(({ eventId }) => eventId === id)
      .sort((a, b) => a.day - b.day || a.startMs - b.startMs)
      .map(({ eventId, wave, day, starts }) => ({
        eventId,
        wave,
        day,
        lines: [...starts]
          .sort((a, b) => a.startMs - b.startMs || a.station - b.station)
          .flatMap(({ startMs, station, entryIds }) => entryIds.map((entryId) => ({ startMs, station, entryId }))),
      })),
  )
