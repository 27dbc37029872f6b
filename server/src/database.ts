/** Connections to PostgreSQL: how they are opened, borrowed and given back. */
import pg from 'pg'

/** Something SQL can be sent through: the pool, or one connection inside a transaction. */
export type Database = Pick<pg.Pool | pg.PoolClient, 'query'>
export type Pool = pg.Pool

const DATE_OID = 1082
// a calendar date stays text: as a Date it would become midnight in the server's zone
pg.types.setTypeParser(DATE_OID, (text) => text)

export const openPool = (connectionString: string): Pool =>
  new pg.Pool({ connectionString, max: 12, idleTimeoutMillis: 30_000, connectionTimeoutMillis: 5_000 })

/** Runs work in one transaction: all of it is kept, or nothing when it throws. */
export const inTransaction = async <Result>(pool: Pool, work: (db: Database) => Promise<Result>): Promise<Result> => {
  const client = await pool.connect()
  try {
    await client.query('begin')
    const result = await work(client)
    await client.query('commit')
    return result
  } catch (error) {
    await client.query('rollback').catch((rollbackError: unknown) => {
      throw new AggregateError([error, rollbackError], 'The transaction failed and could not be rolled back.')
    })
    throw error
  } finally {
    client.release()
  }
}
