/** How results came out: in all, by group, by event, and what decided. */
import {
  layOut,
  type EventCount,
  type EventResult,
  type InsightAnswer,
  type InsightChoice,
  type OrgUnit,
} from '@able-gauge/core'
import type { Database } from '../database.ts'
import {
  countCombinations,
  countGroups,
  countOtherForms,
  listPlaces,
  measureExtent,
  tallyFigures,
  type EventTally,
} from '../store/insight/countStore.ts'
import { listStandardNames } from '../store/standardStore.ts'
import { eventsOf, type Asked } from './chosenIn.ts'

export const overviewOf = async (db: Database, asked: Asked): Promise<InsightAnswer> => {
  const { chosen, standard, versions, units } = asked
  const standards = await standardsWith(db, versions)
  const named = units.map(({ id, name }: OrgUnit) => ({ id, name }))
  if (!chosen || !standard) return { ...NOTHING, standards, units: named }
  const [extent, { outcomes, groups }, combinations, tallies, otherForms, { venues, years }] = await Promise.all([
    measureExtent(db, chosen),
    countGroups(db, chosen),
    countCombinations(db, chosen),
    tallyFigures(db, chosen),
    countOtherForms(db, chosen),
    listPlaces(db, chosen.standardId, asked.unitIds),
  ])
  return {
    standards,
    standardId: chosen.standardId,
    standardName: standard.name,
    events: eventsOf(standard),
    categories: standard.categories.map(({ id, name }) => ({ id, name })),
    units: named,
    venues: venues.map((name) => ({ id: name, name })),
    years,
    ...extent,
    outcomes,
    groups,
    byEvent: standard.events.map(({ id, rounding }) =>
      countOf(
        id,
        rounding.step,
        tallies.filter(({ eventId }) => eventId === id),
        otherForms.get(id) ?? 0,
      ),
    ),
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

const countOf = (eventId: string, step: number, tallies: readonly EventTally[], otherForms: number): EventCount => {
  const sum = (of: (tally: EventTally) => number): number => tallies.reduce((all, tally) => all + of(tally), 0)
  const inKind = (wanted: EventResult): number => sum(({ kind, people }) => (kind === wanted ? people : 0))
  return {
    eventId,
    met: inKind('met'),
    short: inKind('short'),
    scored: inKind('scored'),
    open: inKind('open'),
    ended: inKind('ended'),
    exempt: inKind('exempt'),
    near: sum(({ near }) => near),
    otherForms,
    strip: layOut(tallies, step),
  }
}
