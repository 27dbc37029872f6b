import { contentHash, parseStandard, type Standard } from '@able-gauge/core'
import type { Database } from '../database.ts'

export interface PublishedStandard {
  readonly standard: Standard
  readonly contentHash: string
}

/** Published versions never change, so each is read and checked once for each hash. */
const checked = new Map<string, PublishedStandard>()

/** Publishes a version. @throws the database's error when that version exists already */
export const addStandard = async (db: Database, standard: Standard): Promise<void> => {
  await db.query('insert into standards (id, version, content, content_hash) values ($1, $2, $3, $4)', [
    standard.id,
    standard.version,
    JSON.stringify(standard),
    contentHash(standard),
  ])
}

/** @throws Error when the version is unknown or its content no longer has its hash */
export const getStandard = async (db: Database, id: string, version: number): Promise<PublishedStandard> => {
  const { rows } = await db.query<{ content_hash: string }>(
    'select content_hash from standards where id = $1 and version = $2',
    [id, version],
  )
  const hash = rows[0]?.content_hash
  if (hash === undefined) throw new Error(`No standard "${id}" version ${version}. Publish it before a day uses it.`)
  const kept = checked.get(hash)
  if (kept) return kept
  const read = await readStandard(db, id, version, hash)
  checked.set(hash, read)
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
