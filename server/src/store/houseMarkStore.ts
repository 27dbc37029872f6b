/** The organisation's mark. */
import type { Database } from '../database.ts'

/** @returns a PNG, or null where there is none */
export const findHouseMark = async (db: Database): Promise<Buffer | null> => {
  const { rows } = await db.query<{ image: Buffer }>('select image from house_mark')
  return rows[0]?.image ?? null
}

/** When it was last changed, ms since 1970; null where there is none. */
export const houseMarkSince = async (db: Database): Promise<number | null> => {
  const { rows } = await db.query<{ changed_at: Date }>('select changed_at from house_mark')
  return rows[0]?.changed_at.getTime() ?? null
}

/** @param image null takes it away */
export const writeHouseMark = async (db: Database, image: Buffer | null): Promise<void> => {
  if (image === null) await db.query('delete from house_mark')
  else {
    await db.query(
      `insert into house_mark (image) values ($1) on conflict (is_only) do update set image = $1, changed_at = now()`,
      [image],
    )
  }
}
