/** What happened that bears on who may do what: added to, read by officers, never changed. */
import type { SecurityEvent, SecurityEventKind } from '@able-gauge/core'
import type { Database } from '../database.ts'

/** Something to be noted. */
export interface ToNote {
  readonly kind: SecurityEventKind
  readonly accountId: string | null
  /** Ids and codes; never names, answers or passwords. */
  readonly detail: Readonly<Record<string, string | number | boolean>>
}

export const noteEvent = async (db: Database, { kind, accountId, detail }: ToNote): Promise<void> => {
  await db.query('insert into security_events (kind, account_id, detail) values ($1, $2, $3)', [
    kind,
    accountId,
    JSON.stringify(detail),
  ])
}

/** Newest first. @param before only those with a smaller id; null for the newest */
export const listEvents = async (db: Database, before: number | null, most: number): Promise<SecurityEvent[]> => {
  const { rows } = await db.query<{
    id: string
    at: Date
    kind: SecurityEventKind
    account_id: string | null
    display_name: string | null
    detail: SecurityEvent['detail']
  }>(
    `select e.id, e.at, e.kind, e.account_id, a.display_name, e.detail
       from security_events e left join accounts a on a.id = e.account_id
      where $1::bigint is null or e.id < $1 order by e.id desc limit $2`,
    [before, most],
  )
  return rows.map((row) => ({
    id: Number(row.id),
    atMs: row.at.getTime(),
    kind: row.kind,
    accountId: row.account_id,
    by: row.display_name,
    detail: row.detail,
  }))
}
