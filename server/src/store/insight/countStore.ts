/** Sums over the results of many days. Nothing is judged here: what counts was written when each day was signed. */
import {
  AGE_GROUPS,
  type CombinationCount,
  type EventGroupCount,
  type EventResult,
  type GroupCount,
  type GroupedBy,
  type Outcome,
  type OutcomeCount,
  type FigureTally,
  type VenueTallyShape,
} from '@able-gauge/core'
import type { Database } from '../../database.ts'
import { AS_IT_STANDS, CHOSEN, OF_EVENT, parametersOf, WITH_A_FIGURE, type ChosenResults } from './chosen.ts'

export interface CountedVersion {
  readonly standardId: string
  readonly version: number
  readonly results: number
}

/** Standards and versions there are results of. @param unitIds whose people; null for everybody */
export const countVersions = async (db: Database, unitIds: readonly string[] | null): Promise<CountedVersion[]> => {
  const { rows } = await db.query<{ standard_id: string; standard_version: number; results: number }>(
    `select r.standard_id, r.standard_version, count(*)::integer as results from results r
      where ($1::uuid[] is null or r.unit_id = any ($1)) group by 1, 2 order by 1, 2 desc`,
    [unitIds],
  )
  return rows.map((row) => ({ standardId: row.standard_id, version: row.standard_version, results: row.results }))
}

/** Venues and years there are results of, under the standard: venues by how many, years newest first. */
export const listPlaces = async (
  db: Database,
  standardId: string,
  unitIds: readonly string[] | null,
): Promise<{ readonly venues: readonly string[]; readonly years: readonly string[] }> => {
  const { rows } = await db.query<{ venue: string | null; year: string | null }>(
    `select venue, year from (select r.venue, r.test_year::text as year from results r
                               where r.standard_id = $1 and ($2::uuid[] is null or r.unit_id = any ($2))) r
      group by grouping sets ((venue), (year)) order by year desc nulls last, count(*) desc`,
    [standardId, unitIds],
  )
  return { venues: rows.flatMap(({ venue }) => venue ?? []), years: rows.flatMap(({ year }) => year ?? []) }
}

export interface Extent {
  readonly results: number
  readonly people: number
  readonly days: number
  readonly near: number
  readonly first: string | null
  readonly last: string | null
}

export const measureExtent = async (db: Database, chosen: ChosenResults): Promise<Extent> => {
  const { rows } = await db.query<Extent>(
    // counted from groups, which are hashed: count(distinct) would sort everything twice
    `select coalesce(sum(results), 0)::integer as results, count(distinct coalesce(p.merged_into, p.id))::integer as people,
            (select count(*) from (select r.occasion_id from results r where ${CHOSEN} group by 1) day)::integer as days,
            coalesce(sum(near), 0)::integer as near, min(first) as first, max(last) as last
       from (select r.person_id, count(*) as results, count(*) filter (where r.near_the_cut) as near,
                    min(r.test_date) as first, max(r.test_date) as last
               from results r where ${CHOSEN} group by 1) own
       join people p on p.id = own.person_id`,
    parametersOf(chosen),
  )
  return rows[0] ?? { results: 0, people: 0, days: 0, near: 0, first: null, last: null }
}

/** Columns of the sums, in the order of their bits in `grouping`. */
const COLUMNS = ['unit_id', 'category', 'age_group', 'venue', 'standard_version', 'test_year', 'month'] as const
/** What is counted by: one column each, and units year by year. */
const GROUPS: readonly (readonly [by: GroupedBy, columns: readonly (typeof COLUMNS)[number][]])[] = [
  ['unit', ['unit_id']],
  ['category', ['category']],
  ['age', ['age_group']],
  ['venue', ['venue']],
  ['version', ['standard_version']],
  ['year', ['test_year']],
  ['month', ['month']],
  ['unitYear', ['unit_id', 'test_year']],
]
/** The bits of columns a row is not grouped by. */
const bitsOf = (columns: readonly string[]): number =>
  COLUMNS.reduce((bits, column, at) => (columns.includes(column) ? bits : bits | (1 << (COLUMNS.length - 1 - at))), 0)

interface GroupRow {
  readonly of: number
  readonly unit_id: string | null
  readonly category: string | null
  readonly age_group: string | null
  readonly venue: string | null
  readonly standard_version: number | null
  readonly test_year: number | null
  /** Year times a hundred and the month. */
  readonly month: number | null
  readonly outcome: Outcome
  readonly results: number
}

const keyOf = (by: GroupedBy, row: GroupRow): string => {
  switch (by) {
    case 'unit':
      return row.unit_id ?? ''
    case 'category':
      return row.category ?? ''
    case 'age':
      return row.age_group ?? ''
    case 'venue':
      return row.venue ?? ''
    case 'version':
      return String(row.standard_version)
    case 'year':
      return String(row.test_year)
    case 'month':
      return String(row.month).replace(/(..)$/, '-$1')
    case 'unitYear':
      return `${row.unit_id ?? ''} ${row.test_year}`
  }
}

/** Outcomes in all, and by group who met it of those who met it or fell short. */
export const countGroups = async (
  db: Database,
  chosen: ChosenResults,
): Promise<{ readonly outcomes: readonly OutcomeCount[]; readonly groups: readonly GroupCount[] }> => {
  const { rows } = await db.query<GroupRow>(
    `select grouping(${COLUMNS.join(', ')}) as of, ${COLUMNS.join(', ')}, outcome, count(*)::integer as results
       from (select r.unit_id, r.category, r.age_group, r.venue, r.standard_version, r.outcome, r.test_year,
                    r.test_year * 100 + date_part('month', r.test_date)::integer as month
               from results r where ${CHOSEN}) r
      group by grouping sets (${GROUPS.map(([, columns]) => `(${columns.join(', ')}, outcome)`).join(', ')}, (outcome))`,
    parametersOf(chosen),
  )
  const byBits = new Map(GROUPS.map(([by, columns]) => [bitsOf(columns), by]))
  const counts = new Map<string, { by: GroupedBy; key: string; met: number; of: number }>()
  for (const row of rows) {
    const by = byBits.get(row.of)
    if (by === undefined || (row.outcome !== 'met' && row.outcome !== 'short')) continue
    const key = keyOf(by, row)
    const group = counts.get(`${by} ${key}`) ?? { by, key, met: 0, of: 0 }
    counts.set(`${by} ${key}`, group)
    group.of += row.results
    if (row.outcome === 'met') group.met += row.results
  }
  const inAll = bitsOf([])
  return {
    outcomes: rows
      .filter(({ of }) => of === inAll)
      .map(({ outcome, results }) => ({ outcome, results }))
      .sort((a, b) => b.results - a.results),
    groups: [...counts.values()].sort(byKey),
  }
}

/** Ages from the youngest, all others by name. */
const byKey = (a: Pick<GroupCount, 'by' | 'key'>, b: Pick<GroupCount, 'by' | 'key'>): number =>
  a.by === 'age' && b.by === 'age'
    ? AGE_GROUPS.findIndex((name) => name === a.key) - AGE_GROUPS.findIndex((name) => name === b.key)
    : `${a.by} ${a.key}`.localeCompare(`${b.by} ${b.key}`)

const MOST_COMBINATIONS = 60

/** Events people fell short in together, most often first. */
export const countCombinations = async (db: Database, chosen: ChosenResults): Promise<CombinationCount[]> => {
  const { rows } = await db.query<{ short_in: string[]; results: number }>(
    `select r.short_in, count(*)::integer as results from results r
      where ${CHOSEN} and r.outcome in ('short', 'notFinished') and cardinality(r.short_in) > 0
      group by 1 order by 2 desc, cardinality(r.short_in), 1 limit ${MOST_COMBINATIONS}`,
    parametersOf(chosen),
  )
  return rows.map((row) => ({ eventIds: row.short_in, results: row.results }))
}

export interface EventTally extends FigureTally {
  readonly eventId: string
  readonly kind: EventResult
  /** Of them, within what the method can tell of the cut. */
  readonly near: number
}

/** How many did each event in another form, or another in place of it. */
export const countOtherForms = async (db: Database, chosen: ChosenResults): Promise<ReadonlyMap<string, number>> => {
  const { rows } = await db.query<{ event_id: string; results: number }>(
    `select e.event_id, count(*)::integer as results from ${OF_EVENT}
      where ${CHOSEN} and (e.alternate_id is not null or e.variant_id is not null) group by 1`,
    parametersOf(chosen),
  )
  return new Map(rows.map((row) => [row.event_id, row.results]))
}

/** How often each figure of each event came up, and in which way; figures are rounded by their events, so that there are not many. */
export const tallyFigures = async (db: Database, chosen: ChosenResults): Promise<EventTally[]> => {
  const { rows } = await db.query<EventTally>(
    `select e.event_id as "eventId", e.kind, e.value, e.cut, e.margin, count(*)::integer as people,
            count(*) filter (where e.near_the_cut)::integer as near
       from ${OF_EVENT} where ${CHOSEN} and ${AS_IT_STANDS} group by 1, 2, 3, 4, 5`,
    parametersOf(chosen),
  )
  return rows
}

/** Columns of the sums by event, in the order of their bits in `grouping`. */
const EVENT_COLUMNS = ['standard_version', 'test_year', 'venue', 'unit_id', 'category', 'age_group'] as const
const EVENT_BY: Readonly<Record<(typeof EVENT_COLUMNS)[number], EventGroupCount['by']>> = {
  standard_version: 'version',
  test_year: 'year',
  venue: 'venue',
  unit_id: 'unit',
  category: 'category',
  age_group: 'age',
}

/** Who met each event, by version, year, venue, unit, category and age. */
export const countEventGroups = async (db: Database, chosen: ChosenResults): Promise<EventGroupCount[]> => {
  const { rows } = await db.query<{
    event_id: string
    of: number
    key: string | null
    met: number
    judged: number
  }>(
    `select event_id, grouping(${EVENT_COLUMNS.join(', ')}) as of,
            coalesce(standard_version::text, test_year::text, venue, unit_id::text, category, age_group) as key,
            sum(met)::integer as met, sum(judged)::integer as judged
       from (select e.event_id, r.standard_version, r.test_year, r.venue, r.unit_id, r.category, r.age_group,
                    count(*) filter (where e.kind = 'met') as met, count(*) as judged
               from ${OF_EVENT} where ${CHOSEN} and ${AS_IT_STANDS} and e.kind in ('met', 'short')
              group by 1, 2, 3, 4, 5, 6, 7) part
      group by grouping sets (${EVENT_COLUMNS.map((column) => `(event_id, ${column})`).join(', ')})`,
    parametersOf(chosen),
  )
  return rows
    .map(({ event_id: eventId, of, key, met, judged }) => {
      const column = EVENT_COLUMNS.find((_, at) => (of & (1 << (EVENT_COLUMNS.length - 1 - at))) === 0) ?? 'unit_id'
      return { eventId, by: EVENT_BY[column], key: key ?? '', met, of: judged }
    })
    .sort((a, b) => a.eventId.localeCompare(b.eventId) || byKey(a, b))
}

/** Of people who did an event at one venue and at others: how far apart it came out, by their own mean figures. */
export const tallyVenues = async (db: Database, chosen: ChosenResults, eventId: string): Promise<VenueTallyShape[]> => {
  const { rows } = await db.query<{ venue: string; people: number; mean_log: number; deviation_log: number }>(
    `with own as (
       select coalesce(p.merged_into, p.id) as person_id, r.venue, sum(ln(e.value)) as logs, count(*) as results
         from ${OF_EVENT} join people p on p.id = r.person_id
        where ${CHOSEN} and e.event_id = $10 and ${WITH_A_FIGURE} and e.value > 0
        group by 1, 2
     ), whole as (
       select person_id, sum(logs) as logs, sum(results) as results from own group by 1 having count(*) > 1
     ), apart as (
       select o.venue, o.logs / o.results - (w.logs - o.logs) / (w.results - o.results) as apart
         from own o join whole w on w.person_id = o.person_id
     )
     select venue, count(*)::integer as people, avg(apart)::float8 as mean_log,
            coalesce(stddev_samp(apart), 0)::float8 as deviation_log
       from apart group by 1 order by 1`,
    [...parametersOf(chosen), eventId],
  )
  return rows.map(({ venue, people, mean_log: meanLog, deviation_log: deviationLog }) => ({
    eventId,
    venue,
    people,
    meanLog,
    deviationLog,
  }))
}
