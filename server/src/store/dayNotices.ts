/** Notices between server processes that a day has something new (LISTEN/NOTIFY). */
import pg from 'pg'
import type { Database } from '../database.ts'

export type Notice =
  /** Captures were added. `day`: entries or the signature changed. `claims`: who is where. `access`: what an account may has changed. */
  | { readonly kind: 'captures' | 'day' | 'claims' | 'access' }
  /** The day is being signed: steps done, of how many. */
  | { readonly kind: 'signing'; readonly done: number; readonly of: number }

export interface Listener {
  readonly close: () => Promise<void>
}

const CHANNEL = 'able_gauge_live'

/** Tells every server process, once the transaction commits, that a day has something new. */
export const notifyDay = async (
  db: Database,
  occasionId: string,
  kind: 'captures' | 'day' | 'claims',
): Promise<void> => {
  await db.query('select pg_notify($1, $2)', [CHANNEL, `${kind}:${occasionId}`])
}

/** The same within a statement of a store. @param day the statement's own parameter for it, such as `$1` */
export const sqlToNotifyDay = (kind: 'captures', day: `$${number}`): string =>
  `pg_notify('${CHANNEL}', '${kind}:' || ${day}::text)`

/** Tells how far signing a day is. Call it outside the transaction that signs, which tells nothing before it commits. */
export const notifySigning = async (db: Database, occasionId: string, done: number, of: number): Promise<void> => {
  await db.query('select pg_notify($1, $2)', [CHANNEL, `signing:${occasionId}:${done}:${of}`])
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
  heard: (subjectId: string, notice: Notice) => void,
  lost: (error: Error) => void,
): Promise<Listener> => {
  const client = new pg.Client({ connectionString })
  client.on('notification', ({ payload }) => {
    const [kind, subjectId = '', done, of] = (payload ?? '').split(':')
    if (kind === 'signing') heard(subjectId, { kind, done: Number(done), of: Number(of) })
    else heard(subjectId, { kind: kind === 'day' || kind === 'claims' || kind === 'access' ? kind : 'captures' })
  })
  client.on('error', lost)
  await client.connect()
  await client.query(`listen ${CHANNEL}`)
  return { close: () => client.end() }
}
