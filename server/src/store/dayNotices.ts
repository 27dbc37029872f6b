/** Notices between server processes that a day has something new (LISTEN/NOTIFY). */
import pg from 'pg'
import type { Database } from '../database.ts'

/** `captures`: captures were added. `day`: entries or the signature changed. */
export type NoticeKind = 'captures' | 'day'

export interface Listener {
  readonly close: () => Promise<void>
}

const CHANNEL = 'able_gauge_live'

/** Tells every server process, once the transaction commits, that a day has something new. */
export const notifyDay = async (db: Database, occasionId: string, kind: NoticeKind): Promise<void> => {
  await db.query('select pg_notify($1, $2)', [CHANNEL, `${kind}:${occasionId}`])
}

/**
 * Listens on a connection of its own.
 * @param heard called for every notice
 * @param lost called once when the connection breaks; the listener is of no use then
 * @throws the driver's error when no connection can be made
 */
export const listenForNotices = async (
  connectionString: string,
  heard: (occasionId: string, kind: NoticeKind) => void,
  lost: (error: Error) => void,
): Promise<Listener> => {
  const client = new pg.Client({ connectionString })
  client.on('notification', ({ payload }) => {
    const [kind, occasionId = ''] = (payload ?? '').split(':')
    heard(occasionId, kind === 'day' ? 'day' : 'captures')
  })
  client.on('error', lost)
  await client.connect()
  await client.query(`listen ${CHANNEL}`)
  return { close: () => client.end() }
}
