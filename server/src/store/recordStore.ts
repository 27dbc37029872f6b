/** The day's log beside the captures. It is added to and read, nothing else. */
import { separateTexts, type DayRecordContent, type DayRecordEntry, type StoredRecord } from '@able-gauge/core'
import type { Database } from '../database.ts'
import { addTexts, makeSalt, withTexts } from './textStore.ts'

/** Adds an entry, once, in the name of whoever's session it is. Call it inside a transaction that holds the day open. */
export const addRecord = async (
  db: Database,
  occasionId: string,
  token: string,
  { id, content, atMs }: { readonly id: string; readonly content: DayRecordContent; readonly atMs: number },
): Promise<void> => {
  const { payload, texts } = separateTexts(content.kind, content, makeSalt)
  const entryId = 'entryId' in content ? content.entryId : await concernedEntry(db, content)
  await addTexts(
    db,
    occasionId,
    texts.map((text) => ({ ...text, entryId })),
  )
  await db.query('select add_record($1, $2, $3, $4, $5)', [token, occasionId, id, JSON.stringify(payload), atMs])
}

/** Whom the lifting of a hold, or an answer to a protest, is about: whoever the hold or the protest was about. */
const concernedEntry = async (db: Database, content: DayRecordContent): Promise<string | null> => {
  const named =
    content.kind === 'holdLifted' ? content.holdId : content.kind === 'protestAnswered' ? content.protestId : null
  if (named === null) return null
  const { rows } = await db.query<{ entry_id: string | null }>(
    `select content ->> 'entryId' as entry_id from day_records where id = $1`,
    [named],
  )
  return rows[0]?.entry_id ?? null
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
  return withTexts(
    db,
    rows.map((row) => ({
      id: row.id,
      seq: row.seq,
      content: row.content,
      actorId: row.actor_id,
      actor: row.display_name,
      atMs: Number(row.at_ms),
    })),
  )
}

/** The whole log of a day as it is stored: commitments in place of what somebody wrote. */
export const listStoredRecords = async (db: Database, occasionId: string): Promise<StoredRecord[]> => {
  const { rows } = await db.query<{ id: string; seq: number; content: object; actor_id: string; at_ms: string }>(
    'select id, seq, content, actor_id, at_ms from day_records where occasion_id = $1 order by seq',
    [occasionId],
  )
  return rows.map(({ id, seq, content, actor_id, at_ms }) => ({
    id,
    seq,
    content,
    actorId: actor_id,
    atMs: Number(at_ms),
  }))
}

/** Archived entries of the log, for the function that restores a day. */
export const archivedRecordRows = (records: readonly StoredRecord[]) =>
  records.map(({ id, seq, content, actorId, atMs }) => ({ id, seq, content, actor_id: actorId, at_ms: atMs }))
