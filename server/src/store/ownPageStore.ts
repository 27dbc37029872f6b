/** Links to candidates' own pages. What is stored of a link opens nothing. */
import type { ComingTest } from '@able-gauge/core'
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
  const { rows } = await db.query<{ name: string; venue: string; test_date: string }>(
    `select o.name, o.venue, o.test_date from entries e join occasions o on o.id = e.occasion_id
       join capture_ledger l on l.occasion_id = o.id
      where canonical(e.person_id) = $1 and o.test_date >= $2 and l.closed_at is null
        and not exists (select 1 from rehearsals r where r.occasion_id = o.id) order by o.test_date`,
    [personId, today],
  )
  return rows.map((row) => ({ name: row.name, venue: row.venue, testDate: row.test_date }))
}
