/** The day's log beside the captures. It is added to and read, nothing else. */
import type { DayRecordContent, DayRecordEntry } from '@able-gauge/core'
import type { Database } from '../database.ts'

/** Adds an entry, once. Call it inside a transaction that holds the day open: that keeps its numbers gapless. */
export const addRecord = async (
  db: Database,
  occasionId: string,
  record: { readonly id: string; readonly content: DayRecordContent; readonly actorId: string; readonly atMs: number },
): Promise<void> => {
  const { rowCount } = await db.query('select 1 from day_records where id = $1', [record.id])
  if (rowCount !== 0) return
  await db.query(
    `with ledger as (
       update capture_ledger set last_record_seq = last_record_seq + 1 where occasion_id = $2 returning last_record_seq)
     insert into day_records (id, occasion_id, seq, content, actor_id, at_ms)
     select $1, $2, last_record_seq, $3, $4, $5 from ledger`,
    [record.id, occasionId, JSON.stringify(record.content), record.actorId, record.atMs],
  )
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

/** Puts an entry of an archived log back under its own number. */
export const restoreRecord = async (
  db: Database,
  occasionId: string,
  { id, seq, content, actorId, atMs }: Omit<DayRecordEntry, 'actor'>,
): Promise<void> => {
  await db.query(
    'insert into day_records (id, occasion_id, seq, content, actor_id, at_ms) values ($1, $2, $3, $4, $5, $6)',
    [id, occasionId, seq, JSON.stringify(content), actorId, atMs],
  )
  await db.query('update capture_ledger set last_record_seq = greatest(last_record_seq, $2) where occasion_id = $1', [
    occasionId,
    seq,
  ])
}
