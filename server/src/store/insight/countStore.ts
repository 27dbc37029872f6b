/** Sums over the results of many days. Nothing is judged here: what counts was written when each day was signed. */
import {
  AGE_GROUPS,
  AGE_RANGES,
  ageGroupOf,
  type CombinationCount,
  type EventGroupCount,
  type EventResult,
  type GroupCount,
  type GroupedBy,
  type Outcome,
  type OutcomeCount,
  type StripColumn,
  type StripScale,
  type VenueTallyShape,
} from '@able-gauge/core'
import type { Database } from '../../database.ts'
import { CHOSEN, OF_EVENT, parametersOf, type ChosenResults } from './chosen.ts'

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
    `select venue, year from (select r.venue, to_char(r.test_date, 'YYYY') as year from results r
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
    `select count(*)::integer as results, count(distinct r.person_id)::integer as people,
            count(distinct r.occasion_id)::integer as days, count(*) filter (where r.near_the_cut)::integer as near,
            min(r.test_date) as first, max(r.test_date) as last
       from results r where ${CHOSEN}`,
    parametersOf(chosen),
  )
  return rows[0] ?? { results: 0, people: 0, days: 0, near: 0, first: null, last: null }
}

/** Bits of `grouping`, the last column first. */
const GROUPS: readonly (readonly [by: GroupedBy, column: string])[] = [
  ['unit', 'unit_id::text'],
  ['category', 'category'],
  ['age', 'age_years::text'],
  ['venue', 'venue'],
  ['version', 'standard_version::text'],
  ['year', 'year'],
  ['month', 'month'],
  ['unitYear', 'unit_year'],
]

/** Outcomes in all, and by group who met it of those who met it or fell short. */
export const countGroups = async (
  db: Database,
  chosen: ChosenResults,
): Promise<{ readonly outcomes: readonly OutcomeCount[]; readonly groups: readonly GroupCount[] }> => {
  const columns = GROUPS.map(([, column]) => column.replace('::text', ''))
  const { rows } = await db.query<{ of: number; key: string | null; outcome: Outcome; results: number }>(
    `select grouping(${columns.join(', ')}) as of, coalesce(${GROUPS.map(([, column]) => column).join(', ')}) as key,
            outcome, count(*)::integer as results
       from (select r.unit_id, r.category, r.age_years, r.venue, r.standard_version, r.outcome,
                    to_char(r.test_date, 'YYYY') as year, to_char(r.test_date, 'YYYY-MM') as month,
                    coalesce(r.unit_id::text, '') || ' ' || to_char(r.test_date, 'YYYY') as unit_year
               from results r where ${CHOSEN}) r
      group by grouping sets (${columns.map((column) => `(${column}, outcome)`).join(', ')}, (outcome))`,
    parametersOf(chosen),
  )
  const all = 2 ** GROUPS.length - 1
  const counts = new Map<string, { by: GroupedBy; key: string; met: number; of: number }>()
  for (const { of, key, outcome, results } of rows) {
    if (outcome !== 'met' && outcome !== 'short') continue
    const place = GROUPS.findIndex((_, at) => (of & (1 << (GROUPS.length - 1 - at))) === 0)
    const by = GROUPS[place]?.[0]
    if (of === all || by === undefined) continue
    const name = by === 'age' ? ageGroupOf(Number(key)) : (key ?? '')
    const group = counts.get(`${by} ${name}`) ?? { by, key: name, met: 0, of: 0 }
    counts.set(`${by} ${name}`, group)
    group.of += results
    if (outcome === 'met') group.met += results
  }
  return {
    outcomes: rows
      .filter(({ of }) => of === all)
      .map(({ outcome, results }) => ({ outcome, results }))
      .sort((a, b) => b.results - a.results),
    groups: [...counts.values()].sort(byKey),
  }
}

const byKey = (a: GroupCount, b: GroupCount): number =>
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

/** How an event came out, and how its figures spread. */
export interface EventSums {
  readonly eventId: string
  readonly kinds: Readonly<Partial<Record<EventResult, number>>>
  readonly near: number
  readonly figures: number
  readonly leastCut: number | null
  readonly mostCut: number | null
  readonly value: Spread | null
  readonly margin: Spread | null
}

export interface Spread {
  readonly least: number
  readonly most: number
  readonly mean: number
  readonly deviation: number
}

export const sumEvents = async (db: Database, chosen: ChosenResults): Promise<EventSums[]> => {
  const { rows } = await db.query<{
    event_id: string
    kind: EventResult
    results: number
    near: number
    figures: number
    least_cut: number | null
    most_cut: number | null
    least: number | null
    most: number | null
    sum: number | null
    squares: number | null
    least_margin: number | null
    most_margin: number | null
    margins: number
    margin_sum: number | null
    margin_squares: number | null
  }>(
    `select e.event_id, e.kind, count(*)::integer as results, count(*) filter (where e.near_the_cut)::integer as near,
            count(e.value)::integer as figures, min(e.cut) as least_cut, max(e.cut) as most_cut,
            min(e.value) as least, max(e.value) as most, sum(e.value)::float8 as sum, sum(e.value::float8 * e.value) as squares,
            count(e.margin)::integer as margins, min(e.margin) as least_margin, max(e.margin) as most_margin,
            sum(e.margin)::float8 as margin_sum, sum(e.margin::float8 * e.margin) as margin_squares
       from ${OF_EVENT} where ${CHOSEN} and e.alternate_id is null and not e.is_carried
      group by 1, 2`,
    parametersOf(chosen),
  )
  const ids = [...new Set(rows.map((row) => row.event_id))]
  return ids.map((eventId) => {
    const own = rows.filter((row) => row.event_id === eventId)
    const figures = own.filter((row) => row.kind === 'met' || row.kind === 'short' || row.kind === 'scored')
    return {
      eventId,
      kinds: Object.fromEntries(own.map(({ kind, results }) => [kind, results])),
      near: own.reduce((sum, row) => sum + row.near, 0),
      figures: figures.reduce((sum, row) => sum + row.figures, 0),
      leastCut: extreme(
        figures.map((row) => row.least_cut),
        Math.min,
      ),
      mostCut: extreme(
        figures.map((row) => row.most_cut),
        Math.max,
      ),
      value: spreadOf(
        figures.map(({ figures: count, least, most, sum, squares }) => ({ count, least, most, sum, squares })),
      ),
      margin: spreadOf(
        figures.map((row) => ({
          count: row.margins,
          least: row.least_margin,
          most: row.most_margin,
          sum: row.margin_sum,
          squares: row.margin_squares,
        })),
      ),
    }
  })
}

const extreme = (values: readonly (number | null)[], of: (...values: number[]) => number): number | null => {
  const known = values.filter((value) => value !== null)
  return known.length === 0 ? null : of(...known)
}

const spreadOf = (
  parts: readonly {
    readonly count: number
    readonly least: number | null
    readonly most: number | null
    readonly sum: number | null
    readonly squares: number | null
  }[],
): Spread | null => {
  const least = extreme(
    parts.map((part) => part.least),
    Math.min,
  )
  const most = extreme(
    parts.map((part) => part.most),
    Math.max,
  )
  const total = (of: (part: (typeof parts)[number]) => number): number => parts.reduce((sum, part) => sum + of(part), 0)
  const count = total((part) => part.count)
  if (least === null || most === null || count === 0) return null
  const mean = total((part) => part.sum ?? 0) / count
  const variance = total((part) => part.squares ?? 0) / count - mean ** 2
  return { least, most, mean, deviation: Math.sqrt(Math.max(0, variance)) }
}

/** What a strip is laid out by. */
export interface StripAsked extends StripScale {
  readonly eventId: string
  readonly by: 'value' | 'margin'
}

/** How many stand in each column of each strip; whoever lies beyond an end stands in the last column there. */
export const fillStrips = async (
  db: Database,
  chosen: ChosenResults,
  strips: readonly StripAsked[],
): Promise<Map<string, StripColumn[]>> => {
  const { rows } = await db.query<{ event_id: string; at: number; met: number; short: number; scored: number }>(
    `select e.event_id,
            greatest(1, least(s.bins, width_bucket((case s.by when 'margin' then e.margin else e.value end)::float8,
                                                   s.low, s.high, s.bins))) - 1 as at,
            count(*) filter (where e.kind = 'met')::integer as met, count(*) filter (where e.kind = 'short')::integer as short,
            count(*) filter (where e.kind = 'scored')::integer as scored
       from ${OF_EVENT} join unnest($10::text[], $11::text[], $12::float8[], $13::float8[], $14::integer[]) s (event_id, by, low, high, bins)
         on s.event_id = e.event_id
      where ${CHOSEN} and e.alternate_id is null and not e.is_carried and e.kind in ('met', 'short', 'scored')
        and (case s.by when 'margin' then e.margin else e.value end) is not null
      group by 1, 2 order by 1, 2`,
    [
      ...parametersOf(chosen),
      strips.map(({ eventId }) => eventId),
      strips.map(({ by }) => by),
      strips.map(({ from }) => from),
      strips.map(({ to }) => to),
      strips.map(({ bins }) => bins),
    ],
  )
  const columns = new Map<string, StripColumn[]>()
  for (const { event_id: eventId, ...column } of rows) {
    const own = columns.get(eventId)
    if (own) own.push(column)
    else columns.set(eventId, [column])
  }
  return columns
}

/** Columns of the sums by event, in the order of their bits in `grouping`. */
const EVENT_COLUMNS = ['standard_version', 'year', 'venue', 'unit_id', 'category', 'age_group'] as const
const EVENT_BY: Readonly<Record<(typeof EVENT_COLUMNS)[number], EventGroupCount['by']>> = {
  standard_version: 'version',
  year: 'year',
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
            coalesce(standard_version::text, year, venue, unit_id::text, category, age_group::text) as key,
            sum(met)::integer as met, sum(judged)::integer as judged
       from (select e.event_id, r.standard_version, to_char(r.test_date, 'YYYY') as year, r.venue, r.unit_id, r.category,
                    width_bucket(r.age_years, $10::integer[]) as age_group,
                    count(*) filter (where e.kind = 'met') as met, count(*) as judged
               from ${OF_EVENT} where ${CHOSEN} and e.alternate_id is null and not e.is_carried and e.kind in ('met', 'short')
              group by 1, 2, 3, 4, 5, 6, 7) part
      group by grouping sets (${EVENT_COLUMNS.map((column) => `(event_id, ${column})`).join(', ')})`,
    // a group begins with its first age
    [...parametersOf(chosen), AGE_GROUPS.map((name) => AGE_RANGES[name][0])],
  )
  return rows.map(({ event_id: eventId, of, key, met, judged }) => {
    const column = EVENT_COLUMNS.find((_, at) => (of & (1 << (EVENT_COLUMNS.length - 1 - at))) === 0) ?? 'unit_id'
    const by = EVENT_BY[column]
    return { eventId, by, key: by === 'age' ? (AGE_GROUPS[Number(key) - 1] ?? '') : (key ?? ''), met, of: judged }
  })
}

/** Of people who did an event at one venue and at others: how far apart it came out, by their own mean figures. */
export const tallyVenues = async (
  db: Database,
  chosen: ChosenResults,
  eventIds: readonly string[],
): Promise<VenueTallyShape[]> => {
  const { rows } = await db.query<{
    event_id: string
    venue: string
    people: number
    mean_log: number
    deviation_log: number
  }>(
    `with own as (
       select e.event_id, coalesce(p.merged_into, p.id) as person_id, r.venue, sum(ln(e.value)) as logs, count(*) as results
         from ${OF_EVENT} join people p on p.id = r.person_id
        where ${CHOSEN} and e.event_id = any ($10) and e.alternate_id is null and not e.is_carried and e.value > 0
          and e.kind in ('met', 'short', 'scored')
        group by 1, 2, 3
     ), apart as (
       select event_id, venue, logs / results as there,
              (sum(logs) over person - logs) / nullif(sum(results) over person - results, 0) as elsewhere
         from own window person as (partition by event_id, person_id)
     )
     select event_id, venue, count(*)::integer as people, avg(there - elsewhere)::float8 as mean_log,
            coalesce(stddev_samp(there - elsewhere), 0)::float8 as deviation_log
       from apart where elsewhere is not null group by 1, 2 order by 1, 2`,
    [...parametersOf(chosen), eventIds],
  )
  return rows.map((row) => ({
    eventId: row.event_id,
    venue: row.venue,
    people: row.people,
    meanLog: row.mean_log,
    deviationLog: row.deviation_log,
  }))
}
