/** Standards in the making. */
import type { Database } from '../database.ts'

export interface Draft {
  readonly id: string
  readonly version: number
  readonly content: unknown
  readonly revision: number
  readonly editedBy: string
}

/** @returns false when a draft or a published version of that number exists already */
export const addDraft = async (
  db: Database,
  id: string,
  version: number,
  content: object,
  accountId: string,
): Promise<boolean> => {
  const { rowCount } = await db.query(
    `insert into standard_drafts (id, version, content, edited_by)
     select $1, $2, $3, $4 where not exists (select 1 from standards where id = $1 and version = $2)
     on conflict do nothing`,
    [id, version, JSON.stringify(content), accountId],
  )
  return rowCount === 1
}

/** Changes a draft if nobody else has since `revision`. @returns the new revision, or null when somebody has */
export const changeDraft = async (
  db: Database,
  id: string,
  version: number,
  revision: number,
  content: object,
  accountId: string,
): Promise<number | null> => {
  const { rows } = await db.query<{ revision: number }>(
    `update standard_drafts set content = $4, revision = revision + 1, edited_by = $5, edited_at = now()
      where id = $1 and version = $2 and revision = $3 returning revision`,
    [id, version, revision, JSON.stringify(content), accountId],
  )
  return rows[0]?.revision ?? null
}

export const findDraft = async (db: Database, id: string, version: number): Promise<Draft | null> => {
  const { rows } = await db.query<{ content: unknown; revision: number; display_name: string }>(
    `select d.content, d.revision, a.display_name from standard_drafts d join accounts a on a.id = d.edited_by
      where d.id = $1 and d.version = $2`,
    [id, version],
  )
  const [row] = rows
  return row ? { id, version, content: row.content, revision: row.revision, editedBy: row.display_name } : null
}

/** @returns whether there was one at that revision */
export const removeDraft = async (db: Database, id: string, version: number, revision: number): Promise<boolean> => {
  const { rowCount } = await db.query('delete from standard_drafts where id = $1 and version = $2 and revision = $3', [
    id,
    version,
    revision,
  ])
  return rowCount === 1
}
