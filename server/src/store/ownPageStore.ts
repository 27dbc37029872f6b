/** Links to candidates' own pages. What is stored of a link opens nothing. */
import { momentAt, type ComingTest, type DayPlan, type OwnGoal } from '@able-gauge/core'
import type { Database } from '../database.ts'

/** So many wrong dates of birth end a link. */
const MOST_TRIES = 8

export const addOwnPage = async (
  db: Database,
  page: { readonly code: string; readonly personId: string; readonly accountId: string; readonly ends: Date },
): Promise<void> => {
  await db.query(
    `insert into own_pages (token_hash, person_id, made_by, ends_at) values (sha256(convert_to($1, 'UTF8')), $2, $3, $4)`,
    [page.code, page.personId, page.accountId, page.ends],
  )
}

/** Links for people entered on a day. @returns the entries that got one: nobody erased, nobody of another day */
export const addOwnPagesOf = async (
  db: Database,
  occasionId: string,
  pages: readonly { readonly entryId: string; readonly code: string }[],
  accountId: string,
  ends: Date,
): Promise<ReadonlySet<string>> => {
  const { rows } = await db.query<{ id: string }>(
    `with wanted as (select * from unnest($2::uuid[], $3::text[]) as w (entry_id, code)), of as (
       select e.id, canonical(e.person_id) as person_id, w.code from wanted w join entries e on e.id = w.entry_id
         join people p on p.id = canonical(e.person_id)
        where e.occasion_id = $1 and p.erased_at is null), added as (
       insert into own_pages (token_hash, person_id, made_by, ends_at)
       select sha256(convert_to(code, 'UTF8')), person_id, $4, $5 from of)
     select id from of`,
    [occasionId, pages.map(({ entryId }) => entryId), pages.map(({ code }) => code), accountId, ends],
  )
  return new Set(rows.map(({ id }) => id))
}

/** Ends every link of a person. @returns how many there were */
export const withdrawOwnPages = async (db: Database, personId: string): Promise<number> => {
  const { rowCount } = await db.query('delete from own_pages where canonical(person_id) = $1', [personId])
  return rowCount ?? 0
}

/** Whose page a link opens with a date of birth; null for a link that ended or never was, and for another date. */
export const openOwnPage = async (db: Database, code: string, birthDate: string): Promise<string | null> => {
  const { rows } = await db.query<{ person_id: string; is_own: boolean }>(
    `select canonical(o.person_id) as person_id, p.birth_date = $2::date as is_own
       from own_pages o join people p on p.id = canonical(o.person_id)
      where o.token_hash = sha256(convert_to($1, 'UTF8')) and o.ends_at > now() and o.wrong_tries < $3 and p.erased_at is null`,
    [code, birthDate, MOST_TRIES],
  )
  const [found] = rows
  if (!found || found.is_own) return found?.person_id ?? null
  await db.query(
    `update own_pages set wrong_tries = wrong_tries + 1 where token_hash = sha256(convert_to($1, 'UTF8'))`,
    [code],
  )
  return null
}

/** Days somebody is entered on that are still to come. @param today YYYY-MM-DD */
export const listComingTests = async (db: Database, personId: string, today: string): Promise<ComingTest[]> => {
  const { rows } = await db.query<{
    id: string
    name: string
    venue: string
    zone: string
    test_date: string
    plan: DayPlan | null
  }>(
    `select o.id, o.name, o.venue, o.zone, o.test_date, p.content as plan
       from entries e join occasions o on o.id = e.occasion_id
       join capture_ledger l on l.occasion_id = o.id left join plans p on p.occasion_id = o.id
      where canonical(e.person_id) = $1 and o.test_date >= $2 and l.closed_at is null
        and not exists (select 1 from rehearsals r where r.occasion_id = o.id) order by o.test_date`,
    [personId, today],
  )
  return rows.map(({ id, name, venue, zone, test_date: testDate, plan }) => {
    const [first] = plan?.days ?? []
    const musterMs = plan && first ? momentAt({ zone, testDate }, plan, 0, first.musterAt) : null
    return { occasionId: id, name, venue, zone, testDate, musterMs }
  })
}

/** What somebody wants to reach, on their own account. */
export const listGoals = async (db: Database, personId: string): Promise<OwnGoal[]> => {
  const { rows } = await db.query<{ standard_id: string; event_id: string; value: string; by_date: string }>(
    'select standard_id, event_id, value, by_date from own_goals where canonical(person_id) = $1 order by event_id',
    [personId],
  )
  return rows.map((row) => ({
    standardId: row.standard_id,
    eventId: row.event_id,
    value: Number(row.value),
    byDate: row.by_date,
  }))
}

export const setGoal = async (db: Database, personId: string, goal: OwnGoal): Promise<void> => {
  await db.query(
    `insert into own_goals (person_id, standard_id, event_id, value, by_date) values ($1, $2, $3, $4, $5)
     on conflict (person_id, standard_id, event_id) do update set value = $4, by_date = $5, set_at = now()`,
    [personId, goal.standardId, goal.eventId, goal.value, goal.byDate],
  )
}

export const endGoal = async (
  db: Database,
  personId: string,
  { standardId, eventId }: Pick<OwnGoal, 'standardId' | 'eventId'>,
): Promise<void> => {
  await db.query('delete from own_goals where canonical(person_id) = $1 and standard_id = $2 and event_id = $3', [
    personId,
    standardId,
    eventId,
  ])
}
