/** Notices between server processes that a day has something new (LISTEN/NOTIFY). */
import pg from 'pg'
import type { Database } from '../database.ts'

/** `captures`: captures were added. `day`: entries or the signature changed. `access`: what an account may has changed. */
export type NoticeKind = 'captures' | 'day' | 'access'

export interface Listener {
  readonly close: () => Promise<void>
}

const CHANNEL = 'able_gauge_live'

/** Tells every server process, once the transaction commits, that a day has something new. */
export const notifyDay = async (db: Database, occasionId: string, kind: NoticeKind): Promise<void> => {
  await db.query('select pg_notify($1, $2)', [CHANNEL, `${kind}:${occasionId}`])
}

/** Tells every server process, once the transaction commits, that a session of an account has ended or changed. */
export const notifyAccess = async (db: Database, accountId: string): Promise<void> => {
  await db.query('select pg_notify($1, $2)', [CHANNEL, `access:${accountId}`])
}

/**
 * Listens on a connection of its own.
 * @param heard called for every notice
 * @param lost called once when the connection breaks; the listener is of no use then
 * @throws the driver's error when no connection can be made
 */
export const listenForNotices = async (
  connectionString: string,
  heard: (subjectId: string, kind: NoticeKind) => void,
  lost: (error: Error) => void,
): Promise<Listener> => {
  const client = new pg.Client({ connectionString })
  client.on('notification', ({ payload }) => {
    const [kind, subjectId = ''] = (payload ?? '').split(':')
    heard(subjectId, kind === 'day' || kind === 'access' ? kind : 'captures')
  })
  client.on('error', lost)
  await client.connect()
  await client.query(`listen ${CHANNEL}`)
  return { close: () => client.end() }
}
