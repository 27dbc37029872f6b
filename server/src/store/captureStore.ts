/** The capture log of a day. Captures are added and read, nothing else. */
import { canonicalJson, type Capture, type RecordedCapture } from '@able-gauge/core'
import type { Database } from '../database.ts'
import { notifyDay } from './dayNotices.ts'

export type Addition =
  | { readonly kind: 'stored'; readonly seqs: ReadonlyMap<string, number>; readonly added: number }
  /** The day is signed off; nothing was added. */
  | { readonly kind: 'dayClosed' }
  /** A capture with this id is on record with other content; nothing was added. */
  | { readonly kind: 'differs'; readonly captureId: string }

/** Captures that came together from one person: all of them are added, or none. */
export interface Post {
  readonly captures: readonly Capture[]
  readonly actorId: string
  /** When the server got them. */
  readonly receivedMs: number
}

/** Adds one post; see addPosts. */
export const addCaptures = async (
  db: Database,
  occasionId: string,
  captures: readonly Capture[],
  actorId: string,
  receivedMs: number,
): Promise<Addition> => {
  const [addition] = await addPosts(db, occasionId, [{ captures, actorId, receivedMs }])
  if (!addition) throw new Error('One post was given and none was answered.')
  return addition
}

/**
 * Adds several posts to a day, each all or none, in one go. A capture that is on record already is left alone and
 * reported as stored.
 * Call it inside a transaction: the ledger row stays locked until it commits, which makes numbers gapless and
 * lets nobody read a number before a smaller one.
 * @returns what became of each post, in their order
 */
export const addPosts = async (db: Database, occasionId: string, posts: readonly Post[]): Promise<Addition[]> => {
  const ledger = await lockLedger(db, occasionId)
  const known = new Map<string, OnRecord>(
    await findOnRecord(
      db,
      posts.flatMap(({ captures }) => captures.map(({ id }) => id)),
    ),
  )
  const fresh: FreshCapture[] = []
  const additions = posts.map((post): Addition => {
    const { captures, actorId, receivedMs } = post
    const differing = captures.find((capture) => {
      const recorded = known.get(capture.id)
      return recorded !== undefined && !sameCapture(recorded, capture, occasionId)
    })
    if (differing) return { kind: 'differs', captureId: differing.id }
    const added = captures.filter(
      ({ id }, index) => !known.has(id) && captures.findIndex((other) => other.id === id) === index,
    )
    if (added.length > 0 && ledger.closed) return { kind: 'dayClosed' }
    for (const capture of added) {
      const seq = ledger.lastSeq + fresh.length + 1
      fresh.push({ capture, actorId, receivedMs })
      known.set(capture.id, { ...capture, seq, actorId, receivedMs, occasionId })
    }
    const seqs = new Map(captures.map(({ id }) => [id, known.get(id)?.seq ?? 0]))
    return { kind: 'stored', seqs, added: added.length }
  })
  if (fresh.length > 0) {
    await insertCaptures(db, occasionId, fresh, ledger.lastSeq)
    await db.query('update capture_ledger set last_seq = last_seq + $2 where occasion_id = $1', [
      occasionId,
      fresh.length,
    ])
    await notifyDay(db, occasionId, 'captures')
  }
  return additions
}

/** Captures after a number, in order. */
export const findCapturesAfter = async (
  db: Database,
  occasionId: string,
  afterSeq: number,
  most: number,
): Promise<RecordedCapture[]> => {
  const { rows } = await db.query<CaptureRow>(
    `select id, seq, event_id, entry_id, kind, payload, device_id, device_ms, at_ms, uncertainty_ms, actor_id, received_ms
       from captures where occasion_id = $1 and seq > $2 order by seq limit $3`,
    [occasionId, afterSeq, most],
  )
  return rows.map(captureFromRow)
}

/** Which of some captures are on record. */
export const findKnownIds = async (db: Database, ids: readonly string[]): Promise<Set<string>> => {
  const { rows } = await db.query<{ id: string }>('select id from captures where id = any($1::uuid[])', [ids])
  return new Set(rows.map(({ id }) => id))
}

/** All captures of a day. */
export const findAllCaptures = async (db: Database, occasionId: string): Promise<RecordedCapture[]> =>
  findCapturesAfter(db, occasionId, 0, 10_000_000)

/** Puts the captures of an archived day back under their own numbers, which follow each other from 1. */
export const restoreCaptures = async (
  db: Database,
  occasionId: string,
  captures: readonly RecordedCapture[],
  closed: boolean,
): Promise<void> => {
  const fresh = captures.map((capture) => ({ capture, actorId: capture.actorId, receivedMs: capture.receivedMs }))
  if (fresh.length > 0) await insertCaptures(db, occasionId, fresh, 0)
  await db.query(
    'update capture_ledger set last_seq = $2, closed_at = case when $3 then now() end where occasion_id = $1',
    [occasionId, captures.length, closed],
  )
}

/** Closes the log of a day for good. @returns false when it was closed already */
export const closeLedger = async (db: Database, occasionId: string): Promise<boolean> => {
  const { rowCount } = await db.query(
    'update capture_ledger set closed_at = now() where occasion_id = $1 and closed_at is null',
    [occasionId],
  )
  return rowCount === 1
}

/**
 * Keeps a day from being signed until this transaction ends.
 * @returns false when it is signed already
 */
export const holdDayOpen = async (db: Database, occasionId: string): Promise<boolean> =>
  !(await lockLedger(db, occasionId)).closed

const lockLedger = async (db: Database, occasionId: string): Promise<{ lastSeq: number; closed: boolean }> => {
  const { rows } = await db.query<{ last_seq: number; closed_at: Date | null }>(
    'select last_seq, closed_at from capture_ledger where occasion_id = $1 for update',
    [occasionId],
  )
  const row = rows[0]
  if (!row)
    throw new Error(`The day ${occasionId} has no capture ledger. Days are added with addOccasion, which makes one.`)
  return { lastSeq: row.last_seq, closed: row.closed_at !== null }
}

type OnRecord = RecordedCapture & { readonly occasionId: string }

const findOnRecord = async (db: Database, ids: readonly string[]): Promise<Map<string, OnRecord>> => {
  const { rows } = await db.query<CaptureRow & { occasion_id: string }>(
    `select id, occasion_id, seq, event_id, entry_id, kind, payload, device_id, device_ms, at_ms, uncertainty_ms, actor_id, received_ms
       from captures where id = any($1::uuid[])`,
    [ids],
  )
  return new Map(rows.map((row) => [row.id, { ...captureFromRow(row), occasionId: row.occasion_id }]))
}

/** The same observation; what the device thinks of its clock's uncertainty may have changed between two tries. */
const sameCapture = (recorded: OnRecord, capture: Capture, occasionId: string): boolean =>
  recorded.occasionId === occasionId &&
  recorded.eventId === capture.eventId &&
  recorded.entryId === capture.entryId &&
  recorded.kind === capture.kind &&
  recorded.atMs === capture.atMs &&
  recorded.deviceId === capture.deviceId &&
  canonicalJson(recorded.payload) === canonicalJson(capture.payload)

interface FreshCapture {
  readonly capture: Capture
  readonly actorId: string
  readonly receivedMs: number
}

const insertCaptures = async (
  db: Database,
  occasionId: string,
  fresh: readonly FreshCapture[],
  lastSeq: number,
): Promise<void> => {
  await db.query(
    `insert into captures (occasion_id, seq, actor_id, received_ms, id, event_id, entry_id, kind, payload, device_id, device_ms, at_ms, uncertainty_ms)
     select $1, $2 + row.position, row.actor_id, row.received_ms, row.id, row.event_id, row.entry_id, row.kind, row.payload, row.device_id, row.device_ms, row.at_ms, row.uncertainty_ms
       from unnest($3::uuid[], $4::bigint[], $5::uuid[], $6::text[], $7::uuid[], $8::text[], $9::jsonb[], $10::text[], $11::bigint[], $12::bigint[], $13::integer[])
            with ordinality as row (actor_id, received_ms, id, event_id, entry_id, kind, payload, device_id, device_ms, at_ms, uncertainty_ms, position)`,
    [
      occasionId,
      lastSeq,
      fresh.map(({ actorId }) => actorId),
      fresh.map(({ receivedMs }) => receivedMs),
      fresh.map(({ capture }) => capture.id),
      fresh.map(({ capture }) => capture.eventId),
      fresh.map(({ capture }) => capture.entryId),
      fresh.map(({ capture }) => capture.kind),
      fresh.map(({ capture }) => JSON.stringify(capture.payload)),
      fresh.map(({ capture }) => capture.deviceId),
      fresh.map(({ capture }) => capture.deviceMs),
      fresh.map(({ capture }) => capture.atMs),
      fresh.map(({ capture }) => capture.uncertaintyMs),
    ],
  )
}

interface CaptureRow {
  id: string
  seq: number
  event_id: string
  entry_id: string | null
  kind: string
  payload: unknown
  device_id: string
  device_ms: string
  at_ms: string
  uncertainty_ms: number
  actor_id: string
  received_ms: string
}

const captureFromRow = (row: CaptureRow): RecordedCapture =>
  // kind and payload were checked together before they were stored
  ({
    id: row.id,
    seq: row.seq,
    eventId: row.event_id,
    entryId: row.entry_id,
    kind: row.kind,
    payload: row.payload,
    deviceId: row.device_id,
    deviceMs: Number(row.device_ms),
    atMs: Number(row.at_ms),
    uncertaintyMs: row.uncertainty_ms,
    actorId: row.actor_id,
    receivedMs: Number(row.received_ms),
  }) as RecordedCapture
