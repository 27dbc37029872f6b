/** The organisation's own rules: one document. */
import { FIRST_HOUSE_RULES, type HouseRules } from '@able-gauge/core'
import type { Database } from '../database.ts'

export interface StoredRules {
  readonly rules: HouseRules
  /** 0 while nobody has changed the rules the program begins with. */
  readonly revision: number
}

export const findHouseRules = async (db: Database): Promise<StoredRules> => {
  const { rows } = await db.query<{ content: HouseRules; revision: number }>(
    'select content, revision from house_rules',
  )
  const row = rows[0]
  return row ? { rules: row.content, revision: row.revision } : { rules: FIRST_HOUSE_RULES, revision: 0 }
}

/** Writes the rules if nobody else has since `revision`. @returns whether they were written */
export const writeHouseRules = async (db: Database, rules: HouseRules, revision: number): Promise<boolean> => {
  const content = JSON.stringify(rules)
  const { rowCount } =
    revision === 0
      ? await db.query('insert into house_rules (content) values ($1) on conflict do nothing', [content])
      : await db.query('update house_rules set content = $1, revision = revision + 1 where revision = $2', [
          content,
          revision,
        ])
  return rowCount === 1
}
