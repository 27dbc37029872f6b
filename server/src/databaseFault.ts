/** What went wrong between this process and PostgreSQL, told apart by what the caller can do about it. */
import pg from 'pg'

export type DatabaseFault =
  /** No connection, or it was lost: the same request works again in a moment. */
  | 'unavailable'
  /** Somebody else holds what is needed, or it took too long: try again. */
  | 'busy'
  | 'diskFull'
  /** A value the columns cannot hold. Bounds belong to the request classes, so each of these is a gap there. */
  | 'refusedValue'
  /** Something unique is there already, or something named is not. */
  | 'conflict'
  /** The session ended meanwhile. */
  | 'signedOut'
  /** The database does not let this account do it, whatever this process thought. */
  | 'forbidden'
  /** The day was signed off meanwhile. */
  | 'dayClosed'
  /** What is named is not there. */
  | 'missing'
  /** Nobody would be left who can let others in. */
  | 'lastAdministrator'
  | 'accountClosed'
  /** A unit would lie within itself. */
  | 'unitCircle'
  /** Something was captured on a day that was to be cancelled. */
  | 'dayBegun'

/** The work waited for its turn too long, or too much waits already. */
export class TooBusy extends Error {}

/** SQLSTATE codes, or the two characters of their class (PostgreSQL manual, appendix A). */
const BY_STATE: readonly (readonly [string, DatabaseFault])[] = [
  ['53100', 'diskFull'],
  ['58030', 'diskFull'],
  ['57P', 'unavailable'],
  ['08', 'unavailable'],
  ['25P03', 'unavailable'],
  ['53', 'unavailable'],
  ['57014', 'busy'],
  ['55P03', 'busy'],
  ['40', 'busy'],
  ['28000', 'signedOut'],
  ['42501', 'forbidden'],
  ['55000', 'dayClosed'],
  ['P0002', 'missing'],
  // raised by functions of our own
  ['AG001', 'lastAdministrator'],
  ['AG002', 'accountClosed'],
  ['AG003', 'unitCircle'],
  ['AG004', 'dayBegun'],
  ['22', 'refusedValue'],
  ['23514', 'refusedValue'],
  ['54', 'refusedValue'],
  ['23', 'conflict'],
]

const CONNECTION_CODES = new Set(['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'ENOTCONN', 'EHOSTUNREACH'])
/** The driver gives these no code of their own. */
const CONNECTION_MESSAGES =
  /Connection terminated|timeout exceeded when trying to connect|not queryable|connection error|Client was closed|Query read timeout|Cannot use a pool after/

/** @returns null for anything that is not the database's */
export const databaseFault = (error: unknown): DatabaseFault | null => {
  if (error instanceof TooBusy) return 'busy'
  if (error instanceof AggregateError) return error.errors.map(databaseFault).find((fault) => fault !== null) ?? null
  if (!(error instanceof Error)) return null
  const code = 'code' in error && typeof error.code === 'string' ? error.code : ''
  if (code === 'ENOSPC') return 'diskFull'
  if (error instanceof pg.DatabaseError) return BY_STATE.find(([state]) => code.startsWith(state))?.[1] ?? null
  return CONNECTION_CODES.has(code) || CONNECTION_MESSAGES.test(error.message) ? 'unavailable' : null
}

/** Whether trying the same again later can help. */
export const isPassing = (error: unknown): boolean => {
  const fault = databaseFault(error)
  return fault === 'unavailable' || fault === 'busy' || fault === 'diskFull'
}
