/** A person's results in one event over the years, each with the cut that was in force then. */
import type { Cut, PersonRecord, Unit } from '@able-gauge/core'
import { figureOf, markerOf } from '../ui/verdictWords.ts'

export interface LinePoint {
  readonly date: string
  readonly value: number
  readonly cut: Cut | null
  readonly state: 'good' | 'short' | 'decide'
  /** Logged by the person, no official result. */
  readonly own: boolean
  /** The standard's version, or who witnessed a self-test. */
  readonly about: string
  /** Of the norm class; empty for none. */
  readonly className: string
}

export interface PersonLine {
  readonly standardId: string
  readonly eventId: string
  readonly name: string
  readonly unit: Unit
  readonly points: readonly LinePoint[]
}

const nameOf = (event: string, form: string): string =>
  form === '' ? event : `${event} (${form.replaceAll('-', ' ')})`

/** One line for each event, unit and form: a variant or an alternate is never mixed with the event as it stands. */
export const personLines = ({ tests, selfTests }: Pick<PersonRecord, 'tests' | 'selfTests'>): PersonLine[] => {
  const lines = new Map<string, PersonLine & { points: LinePoint[] }>()
  const put = (key: string, about: Omit<PersonLine, 'points'>, point: LinePoint): void => {
    const known = lines.get(key) ?? { ...about, points: [] }
    known.points.push(point)
    lines.set(key, known)
  }
  for (const { testDate, events, verdict, standardId, standardVersion } of tests) {
    for (const mark of verdict?.marks ?? []) {
      const value = figureOf(mark)
      if (value === null || !('unit' in mark)) continue
      const form = mark.alternateId ?? mark.variantId ?? ''
      const name = events.find(({ id }) => id === mark.eventId)?.name ?? mark.eventId
      const point = {
        date: testDate,
        value,
        cut: mark.cut,
        state: markerOf(mark),
        own: false,
        about: `version ${standardVersion}`,
        className: 'className' in mark ? (mark.className ?? '') : '',
      }
      const { eventId, unit } = mark
      put(`${standardId} ${eventId} ${form} ${unit}`, { standardId, eventId, unit, name: nameOf(name, form) }, point)
    }
  }
  const replaced = new Set(selfTests.flatMap(({ replaces }) => replaces ?? []))
  for (const { id, testDate, eventId, eventName, standardId, witness, mark } of selfTests) {
    const value = mark ? figureOf(mark) : null
    if (!mark || value === null || !('unit' in mark) || replaced.has(id)) continue
    const about = witness === '' ? 'self-test, nobody witnessed it' : `self-test, witnessed by ${witness}`
    const form = mark.variantId ?? ''
    const { unit } = mark
    put(
      `${standardId} ${eventId} ${form} ${unit}`,
      { standardId, eventId, unit, name: nameOf(eventName, form) },
      {
        date: testDate,
        value,
        cut: mark.cut,
        state: markerOf(mark),
        own: true,
        about,
        className: 'className' in mark ? (mark.className ?? '') : '',
      },
    )
  }
  return [...lines.values()].map((line) => ({
    ...line,
    points: line.points.sort((a, b) => (a.date < b.date ? -1 : 1)),
  }))
}
