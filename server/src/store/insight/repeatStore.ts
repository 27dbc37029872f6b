/** What was measured twice: on one day, or on two within a stated time. */
import type { RepeatChoice, RepeatPoint, Unit } from '@able-gauge/core'
import type { Database } from '../../database.ts'
import { CHOSEN, OF_EVENT, parametersOf, WITH_A_FIGURE, type ChosenResults } from './chosen.ts'

/** Figures of everybody in one event, each with the next of the same person. */
const FIGURES = `select coalesce(p.merged_into, p.id) as person_id, r.test_date, e.value, e.unit,
              lead(e.value) over person as next_value, lead(r.test_date) over person as next_date
         from ${OF_EVENT} join people p on p.id = r.person_id
        where ${CHOSEN} and e.event_id = $11 and ${WITH_A_FIGURE}
       window person as (partition by coalesce(p.merged_into, p.id) order by r.test_date, r.id)`

/**
 * What there are repeats of, most first: by event and kind for what was measured twice on a day; for retests people who were tested
 * twice within the time, whatever of it they did.
 */
export const listRepeats = async (
  db: Database,
  chosen: ChosenResults,
  withinDays: number,
  eventIds: readonly string[],
): Promise<RepeatChoice[]> => {
  const [twice, again] = await Promise.all([
    db.query<{ event_id: string; of: RepeatChoice['of']; part: string; pairs: number }>(
      `select f.event_id, f.of, f.part, count(*)::integer as pairs
         from repeated_figures f join results r on r.id = f.result_id where ${CHOSEN} group by 1, 2, 3 order by 4 desc, 1, 2, 3`,
      parametersOf(chosen),
    ),
    db.query<{ people: number }>(
      `select count(distinct person_id)::integer as people
         from (select coalesce(p.merged_into, p.id) as person_id, r.test_date,
                      lead(r.test_date) over (partition by coalesce(p.merged_into, p.id) order by r.test_date) as next_date
                 from results r join people p on p.id = r.person_id where ${CHOSEN} and r.outcome <> 'notStarted') own
        where next_date - test_date <= $10`,
      [...parametersOf(chosen), withinDays],
    ),
  ])
  const people = again.rows[0]?.people ?? 0
  return [
    ...twice.rows.map((row) => ({ eventId: row.event_id, of: row.of, part: row.part, pairs: row.pairs })),
    ...(people === 0 ? [] : eventIds.map((eventId) => ({ eventId, of: 'retests' as const, part: '', pairs: people }))),
  ]
}

export interface Pairs {
  readonly pairs: readonly RepeatPoint[]
  readonly unit: Unit
  /** People with a single result. */
  readonly leftOut: number
}

/** Everybody's first two results that lie within the time. */
export const listRetests = async (
  db: Database,
  chosen: ChosenResults,
  eventId: string,
  withinDays: number,
): Promise<Pairs> => {
  const { rows } = await db.query<{
    first: number | null
    second: number | null
    unit: Unit | null
    people: number | null
  }>(
    `with own as materialized (${FIGURES}), pairs as (
       select distinct on (person_id) unit, value, next_value from own where next_date - test_date <= $10
        order by person_id, test_date
     )
     select unit, value as first, next_value as second, null::integer as people from pairs
      union all
     select null, null, null, count(distinct person_id)::integer from own`,
    [...parametersOf(chosen), withinDays, eventId],
  )
  const pairs = rows.flatMap(({ first, second }) => (first === null || second === null ? [] : [{ first, second }]))
  const people = rows.find((row) => row.people !== null)?.people ?? 0
  return { pairs, unit: rows.find(({ unit }) => unit !== null)?.unit ?? 'count', leftOut: people - pairs.length }
}

/** What was measured twice on one day. */
export const listPairs = async (
  db: Database,
  chosen: ChosenResults,
  { eventId, of, part }: Pick<RepeatChoice, 'eventId' | 'of' | 'part'>,
): Promise<Pairs> => {
  const { rows } = await db.query<{ first: number; second: number; unit: Unit }>(
    `select f.first, f.second, f.unit from repeated_figures f join results r on r.id = f.result_id
      where ${CHOSEN} and f.event_id = $10 and f.of = $11 and f.part = $12 order by f.result_id`,
    [...parametersOf(chosen), eventId, of, part],
  )
  return { pairs: rows.map(({ first, second }) => ({ first, second })), unit: rows[0]?.unit ?? 'count', leftOut: 0 }
}
