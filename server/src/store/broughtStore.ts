/** Results of years before this program, apart from what was signed here. */
import { readStoredVerdict, storeVerdict, type StoredVerdict, type Verdict } from '@able-gauge/core'
import type { Database } from '../database.ts'

export interface BroughtResult {
  readonly id: string
  readonly personId: string
  readonly standardId: string
  readonly standardVersion: number
  readonly testDate: string
  readonly verdict: Verdict
  readonly source: string
}

/** @returns false when a test by that standard on that day is on record for the person */
export const addBroughtResult = async (db: Database, result: BroughtResult, accountId: string): Promise<boolean> => {
  const { rowCount } = await db.query(
    `insert into brought_in_results (id, person_id, standard_id, standard_version, test_date, verdict, source, brought_by)
     values ($1, $2, $3, $4, $5, $6, $7, $8) on conflict do nothing`,
    [
      result.id,
      result.personId,
      result.standardId,
      result.standardVersion,
      result.testDate,
      JSON.stringify(storeVerdict(result.verdict)),
      result.source,
      accountId,
    ],
  )
  return rowCount === 1
}

/** Tests by a standard that are on record, signed here or brought in: "person date". */
export const listTestsOnRecord = async (
  db: Database,
  standardId: string,
  personIds: readonly string[],
): Promise<Set<string>> => {
  const { rows } = await db.query<{ person: string; test_date: string }>(
    `select canonical(b.person_id) as person, b.test_date from brought_in_results b
      where b.standard_id = $1 and canonical(b.person_id) = any($2::uuid[])
     union
     select canonical(e.person_id), o.test_date from entries e join occasions o on o.id = e.occasion_id
      where o.standard_id = $1 and canonical(e.person_id) = any($2::uuid[])
        and not exists (select 1 from rehearsals r where r.occasion_id = o.id)`,
    [standardId, personIds],
  )
  return new Set(rows.map(({ person, test_date }) => `${person} ${test_date}`))
}

export type BroughtTest = Omit<BroughtResult, 'personId'> & { readonly standardName: string }

/** Oldest first. */
export const listBroughtTestsOf = async (db: Database, personId: string): Promise<BroughtTest[]> => {
  const { rows } = await db.query<{
    id: string
    standard_id: string
    standard_version: number
    standard_name: string
    test_date: string
    verdict: StoredVerdict
    source: string
  }>(
    `select b.id, b.standard_id, b.standard_version, st.content ->> 'name' as standard_name, b.test_date, b.verdict, b.source
       from brought_in_results b join standards st on st.id = b.standard_id and st.version = b.standard_version
      where canonical(b.person_id) = $1 order by b.test_date`,
    [personId],
  )
  return rows.map((row) => ({
    id: row.id,
    standardId: row.standard_id,
    standardVersion: row.standard_version,
    standardName: row.standard_name,
    testDate: row.test_date,
    verdict: readStoredVerdict(row.verdict, () => undefined),
    source: row.source,
  }))
}

/** Takes one away that was brought in by mistake. @returns whether it was there */
export const removeBroughtResult = async (db: Database, personId: string, id: string): Promise<boolean> => {
  const { rowCount } = await db.query(
    'delete from brought_in_results b where b.id = $2 and canonical(b.person_id) = $1',
    [personId, id],
  )
  return rowCount === 1
}
