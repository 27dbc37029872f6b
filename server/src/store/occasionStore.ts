/** Test days: what they are, who works on them, how far they are. */
import type { Occasion, OccasionSummary, StaffMember } from '@able-gauge/core'
import type { Database } from '../database.ts'

type NewOccasion = Omit<Occasion, 'signedOff'>

interface OccasionRow {
  id: string
  name: string
  venue: string
  zone: string
  test_date: string
  standard_id: string
  standard_version: number
  signed_at: Date | null
  signed_by: string | null
}

const OCCASION_COLUMNS = `o.id, o.name, o.venue, o.zone, o.test_date, o.standard_id, o.standard_version,
       s.signed_at, signer.display_name as signed_by`
const OCCASION_TABLES = `occasions o left join sign_offs s on s.occasion_id = o.id left join accounts signer on signer.id = s.account_id`

/** Adds a day with its empty capture ledger. */
export const addOccasion = async (db: Database, occasion: NewOccasion): Promise<void> => {
  await db.query(
    `insert into occasions (id, name, venue, zone, test_date, standard_id, standard_version) values ($1, $2, $3, $4, $5, $6, $7)`,
    [
      occasion.id,
      occasion.name,
      occasion.venue,
      occasion.zone,
      occasion.testDate,
      occasion.standardId,
      occasion.standardVersion,
    ],
  )
  await db.query('insert into capture_ledger (occasion_id) values ($1)', [occasion.id])
}

export const addStaffMember = async (
  db: Database,
  occasionId: string,
  accountId: string,
  duty: string,
): Promise<void> => {
  await db.query('insert into occasion_staff (occasion_id, account_id, duty) values ($1, $2, $3)', [
    occasionId,
    accountId,
    duty,
  ])
}

export const findOccasion = async (db: Database, id: string): Promise<Occasion | null> => {
  const { rows } = await db.query<OccasionRow>(`select ${OCCASION_COLUMNS} from ${OCCASION_TABLES} where o.id = $1`, [
    id,
  ])
  return rows[0] ? occasionFromRow(rows[0]) : null
}

/** Signed-off days judged by one version, oldest first. */
export const listSignedDays = async (db: Database, standardId: string, version: number): Promise<Occasion[]> => {
  const { rows } = await db.query<OccasionRow>(
    `select ${OCCASION_COLUMNS} from ${OCCASION_TABLES}
      where o.standard_id = $1 and o.standard_version = $2 and s.signed_at is not null order by o.test_date, o.id`,
    [standardId, version],
  )
  return rows.map(occasionFromRow)
}

/** All days, newest first. @param accountId only those this account works on; null for all */
export const listOccasions = async (db: Database, accountId: string | null): Promise<OccasionSummary[]> => {
  const { rows } = await db.query<
    OccasionRow & { standard_name: string; organisation: string; entries: number; present: number; last_seq: number }
  >(
    `select ${OCCASION_COLUMNS}, st.content ->> 'name' as standard_name, st.content ->> 'organisation' as organisation,
            (select count(*)::integer from entries e where e.occasion_id = o.id) as entries,
            (select count(*)::integer from entries e where e.occasion_id = o.id and e.attendance = 'present') as present,
            l.last_seq
       from ${OCCASION_TABLES}
       join standards st on st.id = o.standard_id and st.version = o.standard_version
       join capture_ledger l on l.occasion_id = o.id
      where $1::uuid is null or exists (select 1 from occasion_staff f where f.occasion_id = o.id and f.account_id = $1)
      order by o.test_date desc, o.name`,
    [accountId],
  )
  return rows.map((row) => ({
    ...occasionFromRow(row),
    standardName: row.standard_name,
    organisation: row.organisation,
    entries: row.entries,
    present: row.present,
    captures: row.last_seq,
  }))
}

export const listStaff = async (db: Database, occasionId: string): Promise<StaffMember[]> => {
  const { rows } = await db.query<{ account_id: string; display_name: string; role: string; duty: string }>(
    `select f.account_id, a.display_name, a.role, f.duty from occasion_staff f join accounts a on a.id = f.account_id
      where f.occasion_id = $1
      order by array_position(array['officer', 'grader', 'timer', 'clerk', 'viewer'], a.role), a.display_name`,
    [occasionId],
  )
  return rows.map((row) => ({
    accountId: row.account_id,
    displayName: row.display_name,
    role: row.role,
    duty: row.duty,
  }))
}

export const isOnStaff = async (db: Database, occasionId: string, accountId: string): Promise<boolean> => {
  const { rowCount } = await db.query('select 1 from occasion_staff where occasion_id = $1 and account_id = $2', [
    occasionId,
    accountId,
  ])
  return rowCount === 1
}

const occasionFromRow = (row: OccasionRow): Occasion => ({
  id: row.id,
  name: row.name,
  venue: row.venue,
  zone: row.zone,
  testDate: row.test_date,
  standardId: row.standard_id,
  standardVersion: row.standard_version,
  signedOff: row.signed_at && row.signed_by ? { atMs: row.signed_at.getTime(), by: row.signed_by } : null,
})
