/** Short codes with which staff join a station on their own device. */
import type { Database } from '../database.ts'

export interface StationCode {
  readonly code: string
  readonly eventIds: readonly string[]
  readonly role: 'grader' | 'timer'
}

export const addStationCode = async (
  db: Database,
  occasionId: string,
  { code, eventIds, role }: StationCode,
  accountId: string,
): Promise<void> => {
  await db.query(
    'insert into station_codes (code, occasion_id, event_ids, role, made_by) values ($1, $2, $3, $4, $5)',
    [code, occasionId, eventIds, role, accountId],
  )
}

/** Codes of a day that can still be used. */
export const listStationCodes = async (db: Database, occasionId: string): Promise<StationCode[]> => {
  const { rows } = await db.query<{ code: string; event_ids: string[]; role: StationCode['role'] }>(
    'select code, event_ids, role from station_codes where occasion_id = $1 and ended_at is null order by made_at, code',
    [occasionId],
  )
  return rows.map(({ code, event_ids, role }) => ({ code, eventIds: event_ids, role }))
}

/** A code that can be used: not ended, and its day not signed off. */
export const findStationCode = async (
  db: Database,
  code: string,
): Promise<(StationCode & { readonly occasionId: string }) | null> => {
  const { rows } = await db.query<{
    code: string
    occasion_id: string
    event_ids: string[]
    role: StationCode['role']
  }>(
    `select c.code, c.occasion_id, c.event_ids, c.role from station_codes c
       left join sign_offs s on s.occasion_id = c.occasion_id
      where c.code = $1 and c.ended_at is null and s.occasion_id is null`,
    [code],
  )
  const row = rows[0]
  return row ? { code: row.code, occasionId: row.occasion_id, eventIds: row.event_ids, role: row.role } : null
}

/** Ends a code and signs out whoever joined with it for the same events. */
export const endStationCode = async (db: Database, occasionId: string, code: string): Promise<boolean> => {
  const { rows } = await db.query<{ event_ids: string[] }>(
    'update station_codes set ended_at = now() where occasion_id = $1 and code = $2 and ended_at is null returning event_ids',
    [occasionId, code],
  )
  const ended = rows[0]
  if (!ended) return false
  await db.query(
    `delete from sessions where account_id in (select id from accounts where station_day = $1 and station_events = $2)`,
    [occasionId, ended.event_ids],
  )
  return true
}
