/** Units of the organisation. */
import type { OrgUnit } from '@able-gauge/core'
import type { Database } from '../database.ts'

export const listUnits = async (db: Database): Promise<OrgUnit[]> => {
  const { rows } = await db.query<{ id: string; name: string; parent_id: string | null; closed: boolean }>(
    'select id, name, parent_id, closed_at is not null as closed from units order by name',
  )
  return rows.map((row) => ({ id: row.id, name: row.name, parentId: row.parent_id, isClosed: row.closed }))
}

/** Makes a unit or changes it, in the name of the administrator whose session it is. */
export const keepUnit = async (
  db: Database,
  token: string,
  { id, name, parentId, isClosed }: OrgUnit,
): Promise<void> => {
  await db.query('select keep_unit($1, $2, $3, $4, $5)', [token, id, name, parentId, isClosed])
}

/** Accounts that belong to a unit, whose reach changes with the tree. */
export const listAccountsOfUnits = async (db: Database): Promise<string[]> => {
  const { rows } = await db.query<{ id: string }>('select id from accounts where unit_id is not null')
  return rows.map(({ id }) => id)
}

/** Whether a unit is there, and within another; null stands for the whole house. */
export const isUnitWithin = async (db: Database, id: string, reach: string | null): Promise<boolean> => {
  const { rows } = await db.query<{ within: boolean }>(
    'select exists (select 1 from units u where u.id = $1) and ($2::uuid is null or unit_within($1, $2)) as within',
    [id, reach],
  )
  return rows[0]?.within === true
}
