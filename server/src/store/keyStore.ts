/** Keys of sister organisations whose signatures are believed here. */
import type { Database } from '../database.ts'

export interface TrustedKey {
  readonly publicKey: string
  readonly name: string
  readonly by: string
  readonly atMs: number
}

export const listTrustedKeys = async (db: Database): Promise<TrustedKey[]> => {
  const { rows } = await db.query<{ public_key: string; name: string; display_name: string; added_at: Date }>(
    `select k.public_key, k.name, a.display_name, k.added_at
       from trusted_keys k join accounts a on a.id = k.added_by order by k.name`,
  )
  return rows.map((row) => ({
    publicKey: row.public_key,
    name: row.name,
    by: row.display_name,
    atMs: row.added_at.getTime(),
  }))
}

export const trustKey = async (db: Database, token: string, publicKey: string, name: string): Promise<void> => {
  await db.query('select trust_key($1, $2, $3)', [token, publicKey, name])
}
