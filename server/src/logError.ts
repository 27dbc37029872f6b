/** How an error stands in the log: what is needed to find the cause, without the driver's inner objects and without data. */
import pg from 'pg'

export interface LoggedError {
  readonly type: string
  readonly message: string
  readonly code?: string
  /** What of the database it was about. */
  readonly at?: string
  readonly stack?: string
}

const MOST_CHARACTERS = 300
const MOST_FRAMES = 4

/** PostgreSQL quotes the values it refuses, and values are people. */
const withoutValues = (message: string): string => message.replaceAll(/"[^"]*"/g, '"…"').slice(0, MOST_CHARACTERS)

export const logError = (error: unknown): LoggedError => {
  if (!(error instanceof Error)) return { type: typeof error, message: 'no error object' }
  const code = 'code' in error && typeof error.code === 'string' ? { code: error.code } : {}
  if (error instanceof pg.DatabaseError) {
    const at = [error.table, error.column, error.constraint].filter(Boolean).join(' ')
    return { type: 'DatabaseError', message: withoutValues(error.message), ...code, ...(at === '' ? {} : { at }) }
  }
  const frames = error.stack
    ?.split('\n')
    .filter((line) => line.startsWith('    at '))
    .slice(0, MOST_FRAMES)
    .map((line) => line.trim())
  return {
    type: error.name,
    message: withoutValues(error.message),
    ...code,
    ...(frames && frames.length > 0 ? { stack: frames.join(' | ') } : {}),
  }
}
