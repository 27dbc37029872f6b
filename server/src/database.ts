/** Connections to PostgreSQL: how they are opened, borrowed and given back. */
import pg from 'pg'
import { databaseFault } from './databaseFault.ts'

/** Something SQL can be sent through: the pool, or one connection inside a transaction. */
export type Database = Pick<pg.Pool | pg.PoolClient, 'query'>
export type Pool = pg.Pool

const DATE_OID = 1082
// a calendar date stays text: as a Date it would become midnight in the server's zone
pg.types.setTypeParser(DATE_OID, (text) => text)

/** How long one connection may keep others waiting, in ms. */
export interface Patience {
  readonly statementMs: number
  readonly lockMs: number
  readonly idleInTransactionMs: number
}

/** For what somebody waits for in front of a screen. */
const SHORT: Patience = { statementMs: 10_000, lockMs: 3_000, idleInTransactionMs: 5_000 }
/** For whole days at a time: archives, judging, the demo. */
export const LONG: Patience = { statementMs: 120_000, lockMs: 10_000, idleInTransactionMs: 120_000 }

const CONNECT_MS = 5_000

/** Statements are planned once and for all values, not for each value anew: for the few that are asked with every request. */
const PLANNED_ONCE = '-c plan_cache_mode=force_generic_plan'

/** @param most connections at once */
export const openPool = (connectionString: string, most = 12, patience: Patience = SHORT): Pool =>
  watched(new pg.Pool({ connectionString, max: most, ...waitingFor(patience) }))

/** For what is asked with every request, by named statements. @param most connections at once */
export const openQuickPool = (connectionString: string, most: number): Pool =>
  watched(new pg.Pool({ connectionString, max: most, options: PLANNED_ONCE, ...waitingFor(SHORT) }))

const waitingFor = (patience: Patience): pg.PoolConfig => {
  return {
    idleTimeoutMillis: 30_000,
    connectionTimeoutMillis: CONNECT_MS,
    statement_timeout: patience.statementMs,
    lock_timeout: patience.lockMs,
    idle_in_transaction_session_timeout: patience.idleInTransactionMs,
    // a server that no longer answers at all must not be waited for either
    query_timeout: patience.statementMs + CONNECT_MS,
  }
}

const watched = (pool: Pool): Pool => {
  // a connection that breaks, idle or borrowed, is told to whoever uses it by the query that fails; an error event
  // without a listener would end the process
  pool.on('error', ignore)
  pool.on('connect', (client) => client.on('error', ignore))
  return pool
}

const ignore = (): void => undefined

const [LOOK_AGAIN_MS, STARTS_WITHIN_MS] = [250, 60_000]

/**
 * Waits for a database that is only starting, or recovers from a crash.
 * @param waits called once, when it has to be waited for
 * @throws the driver's error when it takes longer than a minute, or when waiting cannot help
 */
export const untilItAnswers = async (pool: Pool, waits: (reason: unknown) => void): Promise<void> => {
  for (let waitedMs = 0; ; waitedMs += LOOK_AGAIN_MS) {
    try {
      await pool.query('select 1')
      return
    } catch (error) {
      if (databaseFault(error) !== 'unavailable' || waitedMs >= STARTS_WITHIN_MS) throw error
      if (waitedMs === 0) waits(error)
      await new Promise((resolve) => setTimeout(resolve, LOOK_AGAIN_MS))
    }
  }
}

/** Runs work in one transaction: all of it is kept, or nothing when it throws. */
export const inTransaction = async <Result>(pool: Pool, work: (db: Database) => Promise<Result>): Promise<Result> => {
  const client = await pool.connect()
  let broken: Error | undefined
  try {
    await client.query('begin')
    const result = await work(client)
    await client.query('commit')
    return result
  } catch (error) {
    // a connection that cannot even roll back is thrown away, and with it the transaction
    await client.query('rollback').catch((rollbackError: unknown) => {
      broken = rollbackError instanceof Error ? rollbackError : new Error('rollback failed', { cause: rollbackError })
    })
    throw error
  } finally {
    client.release(broken)
  }
}
