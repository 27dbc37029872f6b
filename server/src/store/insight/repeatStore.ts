/** What was measured twice: on one day, or on two within a stated time. */
import type { RepeatChoice, RepeatPoint, Unit } from '@able-gauge/core'
import type { Database } from '../../database.ts'
import { CHOSEN, OF_EVENT, parametersOf, type ChosenResults } from './chosen.ts'

/** Two results of one person lie so close together that the person is taken to be the same. */
const RETESTED = `select coalesce(p.merged_into, p.id) as person_id, e.event_id, r.test_date, e.value, e.unit,
              lead(e.value) over person as next_value, lead(r.test_date) over person as next_date,
              row_number() over person as nth
         from ${OF_EVENT} join people p on p.id = r.person_id
        where ${CHOSEN} and e.alternate_id is null and e.variant_id is null and not e.is_carried and e.value is not null
          and e.kind in ('met', 'short', 'scored') and e.unit <> 'done' and ($11::text is null or e.event_id = $11)
       window person as (partition by coalesce(p.merged_into, p.id), e.event_id order by r.test_date, r.id)`

/** What there are repeats of. @param withinDays of retests */
export const listRepeats = async (db: Database, chosen: ChosenResults, withinDays: number): Promise<RepeatChoice[]> => {
  const { rows } = await db.query<{ event_id: string; of: RepeatChoice['of']; part: string; pairs: number }>(
    `select f.event_id, f.of, f.part, count(*)::integer as pairs
       from repeated_figures f join results r on r.id = f.result_id where ${CHOSEN} group by 1, 2, 3
      union all
     select event_id, 'retests', '', count(distinct person_id)::integer
       from (${RETESTED}) own where next_date - test_date <= $10 group by 1
      order by 4 desc, 1, 2, 3`,
    [...parametersOf(chosen), withinDays, null],
  )
  return rows.map((row) => ({ eventId: row.event_id, of: row.of, part: row.part, pairs: row.pairs }))
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
  const { rows } = await db.query<{ first: number | null; second: number | null; unit: Unit }>(
    `with own as (${RETESTED})
     select o.unit, o.value as first, o.next_value as second
       from (select person_id, unit, value, next_value,
                    row_number() over (partition by person_id order by test_date) as place
               from own where next_date - test_date <= $10) o where o.place = 1
      union all
     select o.unit, null, null from own o
      where o.nth = 1 and not exists (select 1 from own x where x.person_id = o.person_id and x.next_date - x.test_date <= $10)`,
    [...parametersOf(chosen), withinDays, eventId],
  )
  const pairs = rows.flatMap(({ first, second }) => (first === null || second === null ? [] : [{ first, second }]))
  return { pairs, unit: rows[0]?.unit ?? 'count', leftOut: rows.length - pairs.length }
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
