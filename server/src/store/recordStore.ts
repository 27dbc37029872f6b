/** The day's log beside the captures. It is added to and read, nothing else. */
import type { DayRecordContent, DayRecordEntry } from '@able-gauge/core'
import type { Database } from '../database.ts'

/** Adds an entry, once, in the name of whoever's session it is. Call it inside a transaction that holds the day open. */
export const addRecord = async (
  db: Database,
  occasionId: string,
  token: string,
  { id, content, atMs }: { readonly id: string; readonly content: DayRecordContent; readonly atMs: number },
): Promise<void> => {
  await db.query('select add_record($1, $2, $3, $4, $5)', [token, occasionId, id, JSON.stringify(content), atMs])
}

/** Writes down, in the server's own name, that its clock was set. */
export const addClockStep = async (
  db: Database,
  occasionId: string,
  { id, byMs, atMs }: { readonly id: string; readonly byMs: number; readonly atMs: number },
): Promise<void> => {
  await db.query('select add_server_record($1, $2, $3, $4)', [occasionId, id, byMs, atMs])
}

/** The whole log of a day, in order. */
export const listRecords = async (db: Database, occasionId: string): Promise<DayRecordEntry[]> => {
  const { rows } = await db.query<{
    id: string
    seq: number
    content: DayRecordContent
    actor_id: string
    display_name: string
    at_ms: string
  }>(
    `select r.id, r.seq, r.content, r.actor_id, a.display_name, r.at_ms
       from day_records r join accounts a on a.id = r.actor_id where r.occasion_id = $1 order by r.seq`,
    [occasionId],
  )
  return rows.map((row) => ({
    id: row.id,
    seq: row.seq,
    content: row.content,
    actorId: row.actor_id,
    actor: row.display_name,
    atMs: Number(row.at_ms),
  }))
}

/** Archived entries of the log, for the function that restores a day. */
export const archivedRecordRows = (records: readonly Omit<DayRecordEntry, 'actor'>[]) =>
  records.map(({ id, seq, content, actorId, atMs }) => ({ id, seq, content, actor_id: actorId, at_ms: atMs }))
