/** The people behind a figure, and how single ones changed. */
import type { ChangeShape, EventResult, InsightPerson, Outcome, Unit, YearMean } from '@able-gauge/core'
import type { Database } from '../../database.ts'
import { AS_IT_STANDS, CHOSEN, OF_EVENT, parametersOf, WITH_A_FIGURE, type ChosenResults } from './chosen.ts'

/** Which of the chosen results are listed; what is null is not asked about. */
export interface Behind {
  readonly outcome: Outcome | null
  readonly eventId: string | null
  readonly kind: EventResult | null
  readonly by: 'value' | 'margin'
  readonly atLeast: number | null
  readonly below: number | null
  readonly shortIn: readonly string[] | null
  readonly near: boolean
  /** A year or a month, as a date begins. */
  readonly when: string | null
}

/** Nobody reads more by name. */
const MOST_BY_NAME = 200

/** @returns the latest, and how many there are in all */
export const listBehind = async (
  db: Database,
  chosen: ChosenResults,
  behind: Behind,
): Promise<{ readonly inAll: number; readonly people: readonly InsightPerson[] }> => {
  const { rows } = await db.query<{
    person_id: string
    occasion_id: string
    entry_id: string
    name: string
    number: string
    test_date: string
    venue: string
    unit: string | null
    outcome: Outcome
    value: number | null
    margin: number | null
    in_all: number
  }>(
    `select coalesce(p.merged_into, p.id) as person_id, r.occasion_id, r.entry_id, p.given_name || ' ' || p.family_name as name,
            p.number, r.test_date, r.venue, u.name as unit, r.outcome, e.value, e.margin, count(*) over ()::integer as in_all
       from results r join people p on p.id = r.person_id left join units u on u.id = r.unit_id
       left join event_results e on e.result_id = r.id and e.event_id = $11
      where ${CHOSEN}
        and ($10::text is null or r.outcome = $10)
        and ($11::text is null or e.event_id is not null and ${AS_IT_STANDS})
        and ($12::text is null or e.kind = $12)
        and ($13::float8 is null or (case $18 when 'margin' then e.margin else e.value end) >= $13)
        and ($14::float8 is null or (case $18 when 'margin' then e.margin else e.value end) < $14)
        and ($15::text[] is null or r.short_in = $15 and r.outcome in ('short', 'notFinished'))
        and (not $16 or case when $11::text is null then r.near_the_cut else e.near_the_cut end)
        and ($17::text is null or to_char(r.test_date, 'YYYY-MM') like $17 || '%')
      order by r.test_date desc, p.family_name, p.given_name, r.id limit ${MOST_BY_NAME}`,
    [
      ...parametersOf(chosen),
      behind.outcome,
      behind.eventId,
      behind.kind,
      behind.atLeast,
      behind.below,
      behind.shortIn,
      behind.near,
      behind.when,
      behind.by,
    ],
  )
  return {
    inAll: rows[0]?.in_all ?? 0,
    people: rows.map((row) => ({
      personId: row.person_id,
      occasionId: row.occasion_id,
      entryId: row.entry_id,
      name: row.name,
      number: row.number,
      testDate: row.test_date,
      venue: row.venue,
      unit: row.unit ?? '',
      outcome: row.outcome,
      value: row.value,
      margin: row.margin,
    })),
  }
}

export interface SignedDayOfResults {
  readonly occasionId: string
  readonly name: string
  readonly testDate: string
  readonly venue: string
  readonly results: number
  /** Of the signature; null for days signed before there was one. */
  readonly head: string | null
}

/** The signed days the figures come from, oldest first. */
export const listDaysOf = async (db: Database, chosen: ChosenResults): Promise<SignedDayOfResults[]> => {
  const { rows } = await db.query<SignedDayOfResults>(
    `select o.id as "occasionId", o.name, o.test_date as "testDate", o.venue, count(*)::integer as results, s.head
       from results r join occasions o on o.id = r.occasion_id join sign_offs s on s.occasion_id = o.id
      where ${CHOSEN} group by o.id, s.head order by o.test_date, o.name`,
    parametersOf(chosen),
  )
  return rows
}

export interface ResultLine {
  readonly testDate: string
  readonly venue: string
  readonly unit: string
  readonly version: number
  readonly category: string
  readonly ageYears: number
  readonly outcome: Outcome
  readonly centipoints: number | null
  readonly className: string | null
  readonly events: readonly {
    readonly eventId: string
    readonly kind: EventResult
    readonly value: number | null
    readonly unit: Unit | null
    readonly margin: number | null
    /** Id of the easier form, or of what was done in place of it; null as it stands. */
    readonly form: string | null
  }[]
}

/** Every result without a name, for whoever reckons on their own. */
export const listLines = async (db: Database, chosen: ChosenResults): Promise<ResultLine[]> => {
  const { rows } = await db.query<ResultLine>(
    `select r.test_date as "testDate", r.venue, coalesce(u.name, '') as unit, r.standard_version as version, r.category,
            r.age_years as "ageYears", r.outcome, r.centipoints, r.class_name as "className",
            (select coalesce(jsonb_agg(jsonb_build_object('eventId', e.event_id, 'kind', e.kind, 'value', e.value, 'unit', e.unit,
                      'margin', e.margin, 'form', coalesce(e.alternate_id, e.variant_id))), '[]')
               from event_results e where e.result_id = r.id) as events
       from results r left join units u on u.id = r.unit_id where ${CHOSEN} order by r.test_date, r.id`,
    parametersOf(chosen),
  )
  return rows
}

const MOST_CHANGES = 400

/** From the first to the last figure of everybody with more than one. @returns most changed first, and how many there are */
export const listChanges = async (
  db: Database,
  chosen: ChosenResults,
  eventId: string,
): Promise<{ readonly people: number; readonly changes: readonly ChangeShape[] }> => {
  const { rows } = await db.query<{
    person_id: string
    name: string
    first_date: string
    last_date: string
    first: number
    last: number
    in_all: number
  }>(
    `with ends as (
       select coalesce(p.merged_into, p.id) as person_id, min(r.test_date) as first_date, max(r.test_date) as last_date,
              (array_agg(e.value order by r.test_date, r.id))[1] as first,
              (array_agg(e.value order by r.test_date, r.id))[count(*)] as last
         from ${OF_EVENT} join people p on p.id = r.person_id
        where ${CHOSEN} and e.event_id = $10 and ${WITH_A_FIGURE}
        group by 1 having count(*) > 1
     )
     select x.*, p.given_name || ' ' || p.family_name as name, count(*) over ()::integer as in_all
       from ends x join people p on p.id = x.person_id
      order by abs(x.last - x.first) desc, name limit ${MOST_CHANGES}`,
    [...parametersOf(chosen), eventId],
  )
  return {
    people: rows[0]?.in_all ?? 0,
    changes: rows.map((row) => ({
      personId: row.person_id,
      name: row.name,
      firstDate: row.first_date,
      lastDate: row.last_date,
      first: row.first,
      last: row.last,
    })),
  }
}

/** An event year by year: its mean figure, and who met it. */
export const listYears = async (db: Database, chosen: ChosenResults, eventId: string): Promise<YearMean[]> => {
  const { rows } = await db.query<YearMean>(
    `select r.test_year::text as year, count(*)::integer as results, avg(e.value)::float8 as mean,
            count(*) filter (where e.kind = 'met')::integer as met,
            count(*) filter (where e.kind in ('met', 'short'))::integer as of
       from ${OF_EVENT}
      where ${CHOSEN} and e.event_id = $10 and ${WITH_A_FIGURE}
      group by 1 order by 1`,
    [...parametersOf(chosen), eventId],
  )
  return rows
}
