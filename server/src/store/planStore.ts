/** The plan of a day, with a revision so that nobody overwrites what they have not seen. */
import type { DayPlan } from '@able-gauge/core'
import type { Database } from '../database.ts'

export interface StoredPlan {
  readonly plan: DayPlan
  readonly revision: number
  readonly editedBy: string
  readonly editedAtMs: number
}

export const findPlan = async (db: Database, occasionId: string): Promise<StoredPlan | null> => {
  const { rows } = await db.query<{ content: DayPlan; revision: number; display_name: string; edited_at: Date }>(
    `select p.content, p.revision, a.display_name, p.edited_at
       from plans p join accounts a on a.id = p.edited_by where p.occasion_id = $1`,
    [occasionId],
  )
  const row = rows[0]
  return row
    ? { plan: row.content, revision: row.revision, editedBy: row.display_name, editedAtMs: row.edited_at.getTime() }
    : null
}

/**
 * Writes a plan if nobody else has since `revision`; 0 for the first.
 * @returns whether it was written
 */
export const writePlan = async (
  db: Database,
  occasionId: string,
  plan: DayPlan,
  revision: number,
  accountId: string,
): Promise<boolean> => {
  const values = [occasionId, JSON.stringify(plan), accountId]
  const { rowCount } =
    revision === 0
      ? await db.query(
          'insert into plans (occasion_id, content, edited_by) values ($1, $2, $3) on conflict do nothing',
          values,
        )
      : await db.query(
          `update plans set content = $2, edited_by = $3, edited_at = now(), revision = revision + 1
            where occasion_id = $1 and revision = $4`,
          [...values, revision],
        )
  return rowCount === 1
}
