import {
  contentHash,
  parseStandard,
  type Standard,
  type VersionDetail,
  type VersionState,
  type VersionSummary,
} from '@able-gauge/core'
import type { Database } from '../database.ts'

export interface PublishedStandard {
  readonly standard: Standard
  readonly contentHash: string
}

/** Published versions never change, so each is read and checked once for each database. */
const checkedIn = new WeakMap<Database, Map<string, PublishedStandard>>()

/**
 * Publishes a version.
 * @param accountId who publishes it, or null for what came with the demo
 * @throws the database's error when that version exists already
 */
export const addStandard = async (
  db: Database,
  standard: Standard,
  accountId: string | null = null,
): Promise<string> => {
  const hash = contentHash(standard)
  await db.query(
    'insert into standards (id, version, content, content_hash, published_by) values ($1, $2, $3, $4, $5)',
    [standard.id, standard.version, JSON.stringify(standard), hash, accountId],
  )
  return hash
}

/** @throws Error when the version is unknown or its content no longer has its hash */
export const getStandard = async (db: Database, id: string, version: number): Promise<PublishedStandard> => {
  const checked = checkedIn.get(db) ?? new Map<string, PublishedStandard>()
  checkedIn.set(db, checked)
  const key = `${id} ${version}`
  const kept = checked.get(key)
  if (kept) return kept
  const { rows } = await db.query<{ content_hash: string }>(
    'select content_hash from standards where id = $1 and version = $2',
    [id, version],
  )
  const hash = rows[0]?.content_hash
  if (hash === undefined) throw new Error(`No standard "${id}" version ${version}. Publish it before a day uses it.`)
  const read = await readStandard(db, id, version, hash)
  checked.set(key, read)
  return read
}

const readStandard = async (db: Database, id: string, version: number, hash: string): Promise<PublishedStandard> => {
  const { rows } = await db.query<{ content: unknown }>(
    'select content from standards where id = $1 and version = $2',
    [id, version],
  )
  const content = rows[0]?.content
  const parsed = parseStandard(content)
  if (!parsed.ok || contentHash(content) !== hash) {
    throw new Error(`Standard "${id}" version ${version} is not what was published: its hash or its form has changed.`)
  }
  return { standard: parsed.value, contentHash: hash }
}

interface VersionRow {
  id: string
  version: number
  state: VersionState
  name: string | null
  organisation: string | null
  in_force_from: string | null
  in_force_to: string | null
  events: number
  content_hash: string | null
  days: number
}

/** Every version of every standard, drafts included, the newest version of each first. */
export const listVersions = async (db: Database): Promise<VersionSummary[]> => {
  const { rows } = await db.query<VersionRow>(
    `select v.id, v.version, v.state, v.content ->> 'name' as name, v.content ->> 'organisation' as organisation,
            v.content ->> 'inForceFrom' as in_force_from,
            least(v.content ->> 'inForceTo', r.last_day::text) as in_force_to,
            case jsonb_typeof(v.content -> 'events') when 'array' then jsonb_array_length(v.content -> 'events') else 0 end as events,
            v.content_hash,
            (select count(*)::integer from occasions o where o.standard_id = v.id and o.standard_version = v.version) as days
       from (
         select s.id, s.version, s.content, s.content_hash,
                case when exists (select 1 from standard_retirements t where t.id = s.id and t.version = s.version)
                  then 'retired' else 'published' end as state
           from standards s
         union all
         select d.id, d.version, d.content, null, 'draft' from standard_drafts d
       ) v left join standard_retirements r on r.id = v.id and r.version = v.version
      order by v.id, v.version desc`,
  )
  return rows.map((row) => ({
    id: row.id,
    version: row.version,
    state: row.state,
    name: clipped(row.name ?? row.id),
    organisation: clipped(row.organisation ?? ''),
    inForceFrom: dateIn(row.in_force_from),
    inForceTo: dateIn(row.in_force_to),
    events: row.events,
    contentHash: row.content_hash,
    days: row.days,
  }))
}

/** A draft may hold a text of any length, and a list of versions still has to be told. */
const clipped = (text: string): string => text.slice(0, 500)

/** A draft may hold anything where a date is to stand. */
const dateIn = (text: string | null): string | null => (text !== null && /^\d{4}-\d{2}-\d{2}$/.test(text) ? text : null)

/** What each published standard is called, by the newest version. */
export const listStandardNames = async (db: Database): Promise<ReadonlyMap<string, string>> => {
  const { rows } = await db.query<{ id: string; name: string }>(
    `select distinct on (id) id, content ->> 'name' as name from standards order by id, version desc`,
  )
  return new Map(rows.map(({ id, name }) => [id, name]))
}

export interface PublishedVersion extends PublishedStandard {
  readonly publishedAtMs: number
  readonly publishedBy: string | null
  readonly retired: VersionDetail['retired']
}

/** A published version with its history, or null. */
export const findPublished = async (db: Database, id: string, version: number): Promise<PublishedVersion | null> => {
  const { rows } = await db.query<{
    published_at: Date
    published_by: string | null
    last_day: string | null
    reason: string | null
    retired_by: string | null
  }>(
    `select s.published_at, p.display_name as published_by, r.last_day, r.reason, q.display_name as retired_by
       from standards s left join accounts p on p.id = s.published_by
       left join standard_retirements r on r.id = s.id and r.version = s.version
       left join accounts q on q.id = r.account_id
      where s.id = $1 and s.version = $2`,
    [id, version],
  )
  const [row] = rows
  if (!row) return null
  const { last_day: lastDay, reason, retired_by: by } = row
  return {
    ...(await getStandard(db, id, version)),
    publishedAtMs: row.published_at.getTime(),
    publishedBy: row.published_by,
    retired: lastDay !== null && reason !== null && by !== null ? { lastDay, reason, by } : null,
  }
}

/** The other published versions of a standard, each as long as it is really in force. */
export const listOtherVersions = async (db: Database, id: string, version: number): Promise<Standard[]> => {
  const { rows } = await db.query<{ version: number; last_day: string | null }>(
    `select s.version, r.last_day from standards s
       left join standard_retirements r on r.id = s.id and r.version = s.version
      where s.id = $1 and s.version <> $2`,
    [id, version],
  )
  const others: Standard[] = []
  for (const row of rows) {
    const { standard } = await getStandard(db, id, row.version)
    others.push(
      row.last_day === null ? standard : { ...standard, inForceTo: earlier(row.last_day, standard.inForceTo) },
    )
  }
  return others
}

const earlier = (a: string, b: string | undefined): string => (b !== undefined && b < a ? b : a)

/** Ends a published version. @returns false when it is retired already */
export const addRetirement = async (
  db: Database,
  id: string,
  version: number,
  lastDay: string,
  reason: string,
  accountId: string,
): Promise<boolean> => {
  const { rowCount } = await db.query(
    `insert into standard_retirements (id, version, last_day, reason, account_id) values ($1, $2, $3, $4, $5)
     on conflict do nothing`,
    [id, version, lastDay, reason, accountId],
  )
  return rowCount === 1
}
