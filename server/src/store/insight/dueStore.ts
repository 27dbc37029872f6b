/** When everybody was tested last. */
import type { LastTests } from '@able-gauge/core'
import type { Database } from '../../database.ts'

export interface PersonToTest extends LastTests {
  readonly name: string
  readonly number: string
  readonly givenName: string
  readonly familyName: string
  readonly birthDate: string
  /** As the register has it, else as they were judged last; empty where nobody knows. */
  readonly category: string
  readonly unitId: string | null
  /** Name of a day to come they are entered on; empty for none. */
  readonly enteredOn: string
}

/** Where a standard was tested last; null for nowhere. */
export const findLastPlace = async (
  db: Database,
  standardId: string,
): Promise<{ readonly venue: string; readonly zone: string } | null> => {
  const { rows } = await db.query<{ venue: string; zone: string }>(
    `select o.venue, o.zone from occasions o join sign_offs s on s.occasion_id = o.id where o.standard_id = $1
      order by o.test_date desc limit 1`,
    [standardId],
  )
  return rows[0] ?? null
}

/**
 * Everybody on record with their latest tests under a standard: of signed days, and of those brought in from earlier years.
 * @param unitIds whose people; null for everybody @param ids of people; null for all
 */
export const listLastTests = async (
  db: Database,
  standardId: string,
  unitIds: readonly string[] | null,
  ids: readonly string[] | null = null,
): Promise<PersonToTest[]> => {
  const { rows } = await db.query<{
    id: string
    number: string
    given_name: string
    family_name: string
    birth_date: string
    category: string
    unit_id: string | null
    last_date: string | null
    last_is_met: boolean | null
    last_met: string | null
    short_in: string[] | null
    entered_on: string | null
  }>(
    `with tests as (
       select coalesce(p.merged_into, p.id) as person_id, r.test_date, r.outcome, r.short_in, r.category
         from results r join people p on p.id = r.person_id
        where r.standard_id = $1 and r.outcome <> 'notStarted'
       union all
       select coalesce(p.merged_into, p.id), b.test_date, b.verdict ->> 'outcome', '{}', ''
         from brought_in_results b join people p on p.id = b.person_id where b.standard_id = $1
     ), latest as (
       select distinct on (person_id) person_id, test_date, outcome in ('met', 'tookPart', 'exempt') as is_met, short_in, category
         from tests order by person_id, test_date desc
     ), met as (
       select person_id, max(test_date) as last_met from tests where outcome in ('met', 'tookPart', 'exempt') group by 1
     ), entered as (
       select distinct on (coalesce(p.merged_into, p.id)) coalesce(p.merged_into, p.id) as person_id, o.name
         from occasions o join entries e on e.occasion_id = o.id join people p on p.id = e.person_id
        where o.standard_id = $1 and e.attendance <> 'absent' and not exists (select 1 from sign_offs s where s.occasion_id = o.id)
          and not exists (select 1 from cancellations c where c.occasion_id = o.id)
          and not exists (select 1 from rehearsals h where h.occasion_id = o.id)
        order by coalesce(p.merged_into, p.id), o.test_date
     )
     select p.id, p.number, p.given_name, p.family_name, p.birth_date, coalesce(nullif(p.category, ''), l.category, '') as category,
            p.unit_id, l.test_date as last_date, l.is_met as last_is_met, m.last_met, l.short_in, n.name as entered_on
       from people p left join latest l on l.person_id = p.id left join met m on m.person_id = p.id
       left join entered n on n.person_id = p.id
      where not p.made_up and p.merged_into is null and p.erased_at is null
        and ($2::uuid[] is null or p.unit_id = any ($2)) and ($3::uuid[] is null or p.id = any ($3))
      order by p.family_name, p.given_name, p.id`,
    [standardId, unitIds, ids],
  )
  return rows.map((row) => ({
    personId: row.id,
    name: `${row.given_name} ${row.family_name}`,
    number: row.number,
    givenName: row.given_name,
    familyName: row.family_name,
    birthDate: row.birth_date,
    category: row.category,
    unitId: row.unit_id,
    lastDate: row.last_date,
    lastIsMet: row.last_is_met ?? false,
    lastMet: row.last_met,
    shortIn: row.short_in ?? [],
    enteredOn: row.entered_on ?? '',
  }))
}
