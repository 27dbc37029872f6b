/** The capture log of a day. Captures are added and read, nothing else. */
import {
  canonicalJson,
  separateTexts,
  type AnnexedCapture,
  type Capture,
  type RecordedCapture,
  type StoredCapture,
  type Target,
} from '@able-gauge/core'
import type { Database } from '../database.ts'
import { notifyDay, sqlToNotifyDay } from './dayNotices.ts'
import { addTexts, makeSalt, withTexts, type DayText } from './textStore.ts'

export type Addition =
  | { readonly kind: 'stored'; readonly seqs: ReadonlyMap<string, number>; readonly added: number }
  /** The day is signed off; nothing was added. The numbers are of what is on record already. */
  | { readonly kind: 'dayClosed'; readonly seqs: ReadonlyMap<string, number> }
  /** A capture with this id is on record with other content; nothing was added. */
  | { readonly kind: 'differs'; readonly captureId: string }

/** Captures that came together from one person: all of them are added, or none. */
export interface Post {
  readonly captures: readonly Capture[]
  /** The session they are sent with, from which the database derives whose they are; null for a rehearsal's own. */
  readonly token: string | null
  /** The guest of a station who made them, when somebody else hands them in from the same device. */
  readonly madeBy?: string
  /** When the server got them. */
  readonly receivedMs: number
}

/** Adds one post; see addPosts. */
export const addCaptures = async (db: Database, occasionId: string, post: Post): Promise<Addition> => {
  const [addition] = await addPosts(db, occasionId, [post])
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
    const { captures } = post
    const differing = captures.find((capture) => {
      const recorded = known.get(capture.id)
      return recorded !== undefined && !sameCapture(recorded, capture, occasionId)
    })
    if (differing) return { kind: 'differs', captureId: differing.id }
    const added = captures.filter(
      ({ id }, index) => !known.has(id) && captures.findIndex((other) => other.id === id) === index,
    )
    const onRecord = captures.flatMap(({ id }): [string, number][] => {
      const seq = known.get(id)?.seq
      return seq === undefined ? [] : [[id, seq]]
    })
    if (added.length > 0 && ledger.closed) return { kind: 'dayClosed', seqs: new Map(onRecord) }
    for (const capture of added) {
      const seq = ledger.lastSeq + fresh.length + 1
      fresh.push({ capture, post })
      known.set(capture.id, { ...capture, seq, occasionId })
    }
    const seqs = new Map(captures.map(({ id }) => [id, known.get(id)?.seq ?? 0]))
    return { kind: 'stored', seqs, added: added.length }
  })
  if (fresh.length > 0) {
    const ofRehearsal = posts.every(({ token }) => token === null)
    const rows = fresh.map(({ capture, post }, index) => rowOf(separated(capture), post, index + 1))
    await addTexts(
      db,
      occasionId,
      rows.flatMap(({ texts }) => texts),
    )
    await db.query(`select ${ofRehearsal ? 'add_rehearsal_captures' : 'add_captures'}($1, $2)`, [
      occasionId,
      JSON.stringify(rows.map(({ row }) => row)),
    ])
    await notifyDay(db, occasionId, 'captures')
  }
  return additions
}

/**
 * Adds posts to a day by one statement, which needs no transaction around it, when nothing in them was ever sent before.
 * @returns what became of each post, in their order; null when nothing was stored, and `addPosts` has to look at them
 */
export const addNewPosts = async (
  db: Database,
  occasionId: string,
  posts: readonly Post[],
): Promise<Addition[] | null> => {
  const fresh = posts.flatMap((post) => post.captures.map((capture) => ({ capture, post })))
  const isOnce = new Set(fresh.map(({ capture }) => capture.id)).size === fresh.length
  // a rehearsal's own come by another function
  if (!isOnce || posts.some(({ token }) => token === null)) return null
  const rows = fresh.map(({ capture, post }, index) => rowOf(separated(capture), post, index + 1))
  // texts are stored beside them, in one transaction
  if (rows.some(({ texts }) => texts.length > 0)) return null
  const before = await storeNew(
    db,
    occasionId,
    rows.map(({ row }) => row),
  )
  if (before === null) return null
  const seqs = new Map(fresh.map(({ capture }, index) => [capture.id, before + index + 1]))
  return posts.map(({ captures }) => ({
    kind: 'stored',
    seqs: new Map(captures.map(({ id }) => [id, seqs.get(id) ?? 0])),
    added: captures.length,
  }))
}

/** @returns the last number before them, or null when they were not stored */
const storeNew = async (db: Database, occasionId: string, rows: readonly object[]): Promise<number | null> => {
  const { rows: stored } = await db.query<{ before: number | null }>({
    name: 'add-new-captures',
    text: `select n.before, case when n.before is not null then ${sqlToNotifyDay('captures', '$1')} end
             from add_new_captures($1::uuid, $2) as n (before)`,
    values: [occasionId, JSON.stringify(rows)],
  })
  return stored[0]?.before ?? null
}

/** Captures after a number, in order. */
export const findCapturesAfter = async (
  db: Database,
  occasionId: string,
  afterSeq: number,
  most: number,
): Promise<RecordedCapture[]> => {
  const stored = await findStoredAfter(db, occasionId, afterSeq, most)
  // with its texts back a stored capture is what was sent
  return (await withTexts(db, stored)) as RecordedCapture[]
}

const findStoredAfter = async (
  db: Database,
  occasionId: string,
  afterSeq: number,
  most: number,
): Promise<StoredCapture[]> => {
  const { rows } = await db.query<CaptureRow>(
    `select id, seq, event_id, entry_id, kind, payload, device_id, device_ms, clock_run, at_ms, uncertainty_ms, despite, actor_id, sent_by, received_ms
       from captures where occasion_id = $1 and seq > $2 order by seq limit $3`,
    [occasionId, afterSeq, most],
  )
  return rows.map(captureFromRow)
}

/** All captures of a day as they are stored: commitments in place of what somebody wrote. */
export const findStoredCaptures = (db: Database, occasionId: string): Promise<StoredCapture[]> =>
  findStoredAfter(db, occasionId, 0, 10_000_000)

/** Which of some captures are on record. */
export const findKnownIds = async (db: Database, ids: readonly string[]): Promise<Set<string>> => {
  const { rows } = await db.query<{ id: string }>('select id from captures where id = any($1::uuid[])', [ids])
  return new Set(rows.map(({ id }) => id))
}

/** Something a correction names, with what decides who may correct it. */
export interface StoredTarget extends Target {
  readonly byOfficer: boolean
}

/** What corrections name, by id; what is not on record is left out. */
export const findTargets = async (
  db: Database,
  occasionId: string,
  ids: readonly string[],
): Promise<Map<string, StoredTarget>> => {
  const { rows } = await db.query<{
    id: string
    entry_id: string | null
    kind: Capture['kind']
    payload: Capture['payload']
    role: string
    wave: number | null
  }>(
    `select c.id, c.entry_id, c.kind, c.payload, a.role, e.wave
       from captures c join accounts a on a.id = c.actor_id
       left join entries e on e.occasion_id = c.occasion_id and canonical(e.person_id) = canonical(a.person_id)
      where c.occasion_id = $1 and c.id = any($2::uuid[])`,
    [occasionId, ids],
  )
  return new Map(
    rows.map(({ id, entry_id, kind, payload, role, wave }) => [
      id,
      { capture: { entryId: entry_id, kind, payload }, byOfficer: role === 'officer', authorWave: wave },
    ]),
  )
}

/** All captures of a day. */
export const findAllCaptures = async (db: Database, occasionId: string): Promise<RecordedCapture[]> =>
  findCapturesAfter(db, occasionId, 0, 10_000_000)

/** Keeps what arrived after the signature beside the day; what is there already stays as it is. */
export const addToAnnex = async (db: Database, occasionId: string, post: Post): Promise<void> => {
  const rows = post.captures.map((capture, index) => rowOf(separated(capture), post, index + 1))
  await addTexts(
    db,
    occasionId,
    rows.flatMap(({ texts }) => texts),
  )
  await db.query('select add_to_annex($1, $2)', [occasionId, JSON.stringify(rows.map(({ row }) => row))])
}

/** What arrived after the signature, in the order it came. */
export const listAnnex = async (db: Database, occasionId: string): Promise<AnnexedCapture[]> => {
  const { rows } = await db.query<{
    capture: Omit<CaptureRow, 'seq' | 'actor_id' | 'received_ms' | 'sent_by'>
    actor_id: string
    sent_by: string | null
    display_name: string
    received_ms: string
  }>(
    `select x.capture, x.actor_id, x.sent_by, a.display_name, x.received_ms
       from day_annex x join accounts a on a.id = x.actor_id where x.occasion_id = $1 order by x.received_ms, x.id`,
    [occasionId],
  )
  return withTexts(
    db,
    rows.map(({ capture, display_name, ...rest }) => {
      const { seq, ...annexed } = captureFromRow({ ...capture, ...rest, seq: 0 })
      return { ...annexed, actor: display_name }
    }),
  )
}

/**
 * Keeps a day from being signed until this transaction ends.
 * @returns false when it is signed already
 */
export const holdDayOpen = async (db: Database, occasionId: string): Promise<boolean> =>
  !(await lockLedger(db, occasionId)).closed

/** Where a day's log stands; nobody else adds to it until this transaction ends. */
export const lockLedger = async (
  db: Database,
  occasionId: string,
): Promise<{ readonly lastSeq: number; readonly lastRecordSeq: number; readonly closed: boolean }> => {
  const { rows } = await db.query<{ last_seq: number | null; last_record_seq: number; closed: boolean }>(
    'select last_seq, last_record_seq, closed from lock_ledger($1)',
    [occasionId],
  )
  const row = rows[0]
  if (!row || row.last_seq === null)
    throw new Error(`The day ${occasionId} has no capture ledger. Days are added with addOccasion, which makes one.`)
  return { lastSeq: row.last_seq, lastRecordSeq: row.last_record_seq, closed: row.closed }
}

/** What two tries at storing the same have to agree on. */
type OnRecord = Capture & { readonly seq: number; readonly occasionId: string }

const findOnRecord = async (db: Database, ids: readonly string[]): Promise<Map<string, OnRecord>> => {
  const { rows } = await db.query<CaptureRow & { occasion_id: string }>(
    `select id, occasion_id, seq, event_id, entry_id, kind, payload, device_id, device_ms, clock_run, at_ms, uncertainty_ms, despite, actor_id, sent_by, received_ms
       from captures where id = any($1::uuid[])`,
    [ids],
  )
  const recorded = await withTexts(
    db,
    rows.map((row) => ({ ...captureFromRow(row), occasionId: row.occasion_id })),
  )
  return new Map(recorded.map((one) => [one.id, one]))
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
  readonly post: Post
}

/** A capture with its texts apart. */
const separated = (capture: Capture): { readonly stored: StoredFields; readonly texts: readonly DayText[] } => {
  const { payload, texts } = separateTexts(capture.kind, capture.payload, makeSalt)
  return { stored: { ...capture, payload }, texts: texts.map((text) => ({ ...text, entryId: capture.entryId })) }
}

type StoredFields = Omit<Capture, 'payload'> & { readonly payload: object }

/** A capture as the functions of the database take it. @param position within what is added, from 1 */
const rowOf = (
  { stored, texts }: ReturnType<typeof separated>,
  { token, madeBy, receivedMs }: Omit<Post, 'captures'>,
  position: number,
) => ({
  texts,
  row: {
    ...plainRow(stored, receivedMs, position),
    ...(token === null ? {} : { token }),
    ...(madeBy === undefined ? {} : { made_by: madeBy }),
  },
})

const plainRow = (capture: StoredFields, receivedMs: number, position: number) => ({
  id: capture.id,
  event_id: capture.eventId,
  entry_id: capture.entryId,
  kind: capture.kind,
  payload: capture.payload,
  device_id: capture.deviceId,
  device_ms: capture.deviceMs,
  ...(capture.clockRun === undefined ? {} : { clock_run: capture.clockRun }),
  at_ms: capture.atMs,
  uncertainty_ms: capture.uncertaintyMs,
  ...(capture.despite === undefined ? {} : { despite: capture.despite }),
  received_ms: receivedMs,
  position,
})

/** Archived captures with whose they were, for the function that restores a day. */
export const archivedRows = (captures: readonly StoredCapture[]) =>
  captures.map((capture, index) => ({
    ...plainRow(capture as StoredFields, capture.receivedMs, index + 1),
    actor_id: capture.actorId,
    ...(capture.sentBy === undefined ? {} : { sent_by: capture.sentBy }),
  }))

interface CaptureRow {
  id: string
  seq: number
  event_id: string
  entry_id: string | null
  kind: string
  payload: unknown
  device_id: string
  device_ms: string
  /** Missing in an annex from before. */
  clock_run?: string | null
  at_ms: string
  uncertainty_ms: number
  /** Missing in an annex from before. */
  despite?: readonly string[] | null
  actor_id: string
  sent_by: string | null
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
    ...(row.clock_run === null || row.clock_run === undefined ? {} : { clockRun: row.clock_run }),
    atMs: Number(row.at_ms),
    uncertaintyMs: row.uncertainty_ms,
    ...(row.despite === null || row.despite === undefined ? {} : { despite: row.despite }),
    actorId: row.actor_id,
    receivedMs: Number(row.received_ms),
    ...(row.sent_by === null ? {} : { sentBy: row.sent_by }),
  }) as RecordedCapture
