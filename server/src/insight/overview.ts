/** How results came out: in all, by group, by event, and what decided. */
import {
  stripScale,
  type EventCount,
  type InsightAnswer,
  type InsightChoice,
  type OrgUnit,
  type StripColumn,
} from '@able-gauge/core'
import type { Database } from '../database.ts'
import {
  countCombinations,
  countGroups,
  fillStrips,
  listPlaces,
  measureExtent,
  sumEvents,
  type EventSums,
  type StripAsked,
} from '../store/insight/countStore.ts'
import { listStandardNames } from '../store/standardStore.ts'
import { eventsOf, type Asked } from './chosenIn.ts'

export const overviewOf = async (db: Database, asked: Asked): Promise<InsightAnswer> => {
  const { chosen, standard, versions, units } = asked
  const standards = await standardsWith(db, versions)
  const named = units.map(({ id, name }: OrgUnit) => ({ id, name }))
  if (!chosen || !standard) return { ...NOTHING, standards, units: named }
  const [extent, { outcomes, groups }, combinations, sums, { venues, years }] = await Promise.all([
    measureExtent(db, chosen),
    countGroups(db, chosen),
    countCombinations(db, chosen),
    sumEvents(db, chosen),
    listPlaces(db, chosen.standardId, asked.unitIds),
  ])
  const events = eventsOf(standard)
  const strips = standard.events.flatMap(
    ({ id, rounding }) =>
      stripOf(
        sums.find(({ eventId }) => eventId === id),
        rounding.step,
      ) ?? [],
  )
  const columns = strips.length === 0 ? new Map<string, StripColumn[]>() : await fillStrips(db, chosen, strips)
  return {
    standards,
    standardId: chosen.standardId,
    standardName: standard.name,
    events,
    categories: standard.categories.map(({ id, name }) => ({ id, name })),
    units: named,
    venues: venues.map((name) => ({ id: name, name })),
    years,
    ...extent,
    outcomes,
    groups,
    byEvent: events.map(({ eventId }) => {
      const strip = strips.find((one) => one.eventId === eventId)
      const own = sums.find((one) => one.eventId === eventId)
      return countOf(eventId, own, strip, columns.get(eventId) ?? [])
    }),
    combinations,
  }
}

const NOTHING: InsightAnswer = {
  standards: [],
  standardId: null,
  standardName: '',
  events: [],
  categories: [],
  units: [],
  venues: [],
  years: [],
  results: 0,
  people: 0,
  days: 0,
  first: null,
  last: null,
  near: 0,
  outcomes: [],
  groups: [],
  byEvent: [],
  combinations: [],
}

const standardsWith = async (db: Database, versions: Asked['versions']): Promise<InsightChoice[]> => {
  const names = await listStandardNames(db)
  const ids = [...new Set(versions.map(({ standardId }) => standardId))]
  return ids
    .map((id) => {
      const own = versions.filter(({ standardId }) => standardId === id)
      return {
        id,
        name: names.get(id) ?? id,
        versions: own.map(({ version, results }) => ({ version, results })),
        results: own.reduce((sum, { results }) => sum + results, 0),
      }
    })
    .sort((a, b) => b.results - a.results)
}

/** Too few to be laid out. */
const LEAST_FIGURES = 2

const stripOf = (sums: EventSums | undefined, step: number): StripAsked | null => {
  if (!sums || sums.figures < LEAST_FIGURES || !sums.value || sums.value.least === sums.value.most) return null
  const { eventId, leastCut, mostCut, value, margin } = sums
  // by their own distance to the cut, where the cut is not one for all
  if (leastCut !== mostCut && margin) return { eventId, by: 'margin', ...stripScale(margin, 0, step) }
  return { eventId, by: 'value', ...stripScale(value, leastCut, step) }
}

const countOf = (
  eventId: string,
  sums: EventSums | undefined,
  strip: StripAsked | undefined,
  columns: readonly StripColumn[],
): EventCount => {
  const { met = 0, short = 0, scored = 0, open = 0, ended = 0, exempt = 0 } = sums?.kinds ?? {}
  const cut = strip?.by === 'margin' ? 0 : (sums?.leastCut ?? null)
  return {
    eventId,
    met,
    short,
    scored,
    open,
    ended,
    exempt,
    near: sums?.near ?? 0,
    strip: strip ? { by: strip.by, from: strip.from, to: strip.to, bins: strip.bins, cut, columns } : null,
  }
}
