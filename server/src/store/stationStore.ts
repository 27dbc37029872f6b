/** Short codes with which staff join a station on their own device. */
import type { StationCode } from '@able-gauge/core'
import type { Database } from '../database.ts'
import { notifyAccess } from './dayNotices.ts'

export const addStationCode = async (
  db: Database,
  occasionId: string,
  token: string,
  { code, eventIds, role }: StationCode,
): Promise<void> => {
  await db.query('select make_station_code($1, $2, $3, $4, $5)', [token, code, occasionId, eventIds, role])
}

/** Codes of a day that can still be used. */
export const listStationCodes = async (db: Database, occasionId: string): Promise<StationCode[]> => {
  const { rows } = await db.query<{ code: string; event_ids: string[]; role: StationCode['role'] }>(
    'select code, event_ids, role from station_codes where occasion_id = $1 and ended_at is null order by made_at, code',
    [occasionId],
  )
  return rows.map(({ code, event_ids, role }) => ({ code, eventIds: event_ids, role }))
}

/** Ends a code and signs out whoever joined with it, and nobody else. @returns false when there is no such code */
export const endStationCode = async (
  db: Database,
  occasionId: string,
  token: string,
  code: string,
): Promise<boolean> => {
  const { rows } = await db.query<{ guests: string[] | null }>('select end_station_code($1, $2, $3) as guests', [
    token,
    occasionId,
    code,
  ])
  const guests = rows[0]?.guests
  for (const guest of guests ?? []) await notifyAccess(db, guest)
  return guests !== null && guests !== undefined
}
