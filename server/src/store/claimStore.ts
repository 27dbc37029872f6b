/** Whom each device has open at an event. */
import { CLAIM_ENDS_MS, type Claim, type ClaimBody } from '@able-gauge/core'
import type { Database } from '../database.ts'

export interface Claimant {
  readonly deviceId: string
  readonly accountId: string
}

/**
 * Puts whom a device has open now in place of whom it had. Run it in a transaction: of two devices that want the same next candidate at
 * the same moment one waits for the other.
 * @returns whether anything but the time of the renewal changed
 */
export const setClaims = async (
  db: Database,
  occasionId: string,
  { deviceId, accountId }: Claimant,
  { eventId, entryIds, unlessTaken = false }: ClaimBody,
  nowMs: number,
): Promise<boolean> => {
  await db.query('select pg_advisory_xact_lock(hashtextextended($1, 0))', [`claims ${occasionId}`])
  const gone = await db.query(
    `delete from claims where occasion_id = $1
       and (renewed_ms < $5 or (device_id = $2 and not (event_id = $3 and entry_id = any ($4::uuid[]))))`,
    [occasionId, deviceId, eventId, entryIds, nowMs - CLAIM_ENDS_MS],
  )
  const { rows } = await db.query<{ is_new: boolean }>(
    `insert into claims (occasion_id, event_id, entry_id, device_id, account_id, since_ms, renewed_ms)
     select $1, $3, wanted.id, $2, $5, $6, $6 from unnest($4::uuid[]) as wanted (id)
      where not $7 or not exists (
        select from claims c where c.occasion_id = $1 and c.event_id = $3 and c.entry_id = wanted.id and c.device_id <> $2)
         -- whom a device had first it keeps, whoever came after
         or exists (
        select from claims c where c.occasion_id = $1 and c.event_id = $3 and c.entry_id = wanted.id and c.device_id = $2)
     on conflict (occasion_id, event_id, entry_id, device_id) do update set renewed_ms = $6, account_id = $5
     returning since_ms = $6 as is_new`,
    [occasionId, deviceId, eventId, entryIds, accountId, nowMs, unlessTaken],
  )
  return (gone.rowCount ?? 0) > 0 || rows.some(({ is_new }) => is_new)
}

/** Who is where on a day, of the devices that were heard lately. */
export const listClaims = async (db: Database, occasionId: string, nowMs: number): Promise<Claim[]> => {
  const { rows } = await db.query<{
    event_id: string
    entry_id: string
    device_id: string
    display_name: string
    since_ms: string
  }>(
    `select c.event_id, c.entry_id, c.device_id, a.display_name, c.since_ms
       from claims c join accounts a on a.id = c.account_id
      where c.occasion_id = $1 and c.renewed_ms >= $2 order by c.since_ms, c.device_id`,
    [occasionId, nowMs - CLAIM_ENDS_MS],
  )
  return rows.map((row) => ({
    eventId: row.event_id,
    entryId: row.entry_id,
    deviceId: row.device_id,
    by: row.display_name,
    sinceMs: Number(row.since_ms),
  }))
}
