/** Days that are rehearsals: how they were made up, so that any server process can go on with them. */
import type { Database } from '../database.ts'

export interface Rehearsal {
  readonly occasionId: string
  readonly seed: number
  /** How much faster than the clock it runs. */
  readonly speed: number
  readonly fromMs: number
  /** Worked by hand; nothing is made up for it. */
  readonly ownEventId: string | null
}

export const addRehearsal = async (db: Database, rehearsal: Rehearsal): Promise<void> => {
  await db.query(
    'insert into rehearsals (occasion_id, seed, speed, from_ms, own_event_id) values ($1, $2, $3, $4, $5)',
    [rehearsal.occasionId, rehearsal.seed, rehearsal.speed, rehearsal.fromMs, rehearsal.ownEventId],
  )
}

/** Rehearsals that began after a moment and are not signed off. */
export const listRehearsalsSince = async (db: Database, fromMs: number): Promise<Rehearsal[]> => {
  const { rows } = await db.query<{
    occasion_id: string
    seed: number
    speed: number
    from_ms: string
    own_event_id: string | null
  }>(
    `select r.occasion_id, r.seed, r.speed, r.from_ms, r.own_event_id
       from rehearsals r join capture_ledger l on l.occasion_id = r.occasion_id
      where r.from_ms > $1 and l.closed_at is null`,
    [fromMs],
  )
  return rows.map((row) => ({
    occasionId: row.occasion_id,
    seed: row.seed,
    speed: row.speed,
    fromMs: Number(row.from_ms),
    ownEventId: row.own_event_id,
  }))
}
