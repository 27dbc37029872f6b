/** What the half-done days of the demo are made of. */
import {
  captureId,
  kindOf,
  NO_CHOICES,
  stamp,
  startOfDayMs,
  type Capture,
  type DayRecordContent,
  type EntryChoices,
  type Random,
  type Standard,
  type StandardEvent,
} from '@able-gauge/core'
import type { DemoDay } from '../demoDay.ts'
import type { DemoPerson } from '../demoHouse.ts'
import { natureOf } from '../nature.ts'

export const DEMO_ZONE = 'Etc/GMT-12'
export const [MINUTE_MS, SECOND_MS] = [60_000, 1_000] as const

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

/** What every such day has of its standard and its date. */
export const dayUnder = ({ id, version }: Standard, testDate: string) => ({
  zone: DEMO_ZONE,
  testDate,
  standardId: id,
  standardVersion: version,
})

/** Times of a day, from midnight at the venue. */
export const clockOf =
  (date: string) =>
  (hour: number, minute = 0): number =>
    startOfDayMs(date, DEMO_ZONE) + (hour * 60 + minute) * MINUTE_MS

export const eventOf = ({ events, alternateEvents = [] }: Standard, id: string): StandardEvent => {
  const event = [...events, ...alternateEvents].find((one) => one.id === id)
  if (!event) throw new Error(`The demo names the event "${id}", which its standard does not hold.`)
  return event
}

export const entriesOf = (people: readonly DemoPerson[], random: Random, waveOf: number): HalfEntry[] =>
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

export const ofUnits = (people: readonly DemoPerson[], units: readonly string[], most: number): DemoPerson[] =>
  people.filter(({ unit }) => units.includes(unit)).slice(0, most)

/** Where captures of a station come from. */
export interface Place {
  readonly eventId: string
  readonly deviceId: string
  readonly random: Random
}

/** One person's turn at an event, as it would be captured. */
export const turnOf = (
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

export const cleared = (place: Place, entryIds: readonly string[], atMs: number): Capture =>
  stamp(place, null, atMs, { kind: 'cleared', payload: { entryIds: [...entryIds] } })

export const record = (by: string, atMs: number, content: DayRecordContent) => ({ by, atMs, content })
export const briefed = (by: string, atMs: number) => record(by, atMs, { kind: 'briefed', eventIds: [] })
export const conditions = (by: string, atMs: number, surface: string) =>
  record(by, atMs, {
    kind: 'conditions',
    airDeciC: 118,
    humidityPercent: 68,
    windKmh: 9,
    surface,
    worn: 'sports clothing, own shoes',
  })
