/** Opens what a server process works with, and closes it again. Used by the process itself and by tests. */
import { createServer, type Server as HttpServer } from 'node:http'
import { createServer as createHttpsServer, type Server as HttpsServer } from 'node:https'
import type { Logger } from 'pino'
import { buildApp } from './app.ts'
import { makeCaptureWriter } from './captureWriter.ts'
import { openPool, openQuickPool, untilItAnswers } from './database.ts'
import { makeDayQueue } from './dayQueue.ts'
import type { Field } from './field.ts'
import type { Keeper } from './keeper.ts'
import { LIMITS, type Limits } from './limits.ts'
import { openLiveFeed } from './live/liveFeed.ts'
import type { Server } from './routes/route.ts'
import { openSigner } from './signer.ts'
import { makeWorkHere, makeWorkPool } from './work/workPool.ts'
import { openServerClock, type ServerClock, type TimeSources } from './serverClock.ts'

export interface OpenServer {
  readonly server: Server
  readonly http: HttpServer
  /** Beside it, where a field is served. */
  readonly https: HttpsServer | null
  readonly clock: ServerClock
  readonly close: () => Promise<void>
}

export interface Settings {
  readonly databaseUrl: string
  /** Whether demo accounts may sign in. */
  readonly demo: boolean
  /** The built application, or null to serve the interface alone. */
  readonly webFolder: string | null
  readonly log: Logger
  readonly limits?: Limits
  readonly trustedProxy?: string | null
  readonly field?: Field | null
  readonly keeper?: Keeper | null
  /** Where the key of this installation is kept; without it the key lasts as long as the process. */
  readonly keyFile?: string | null
  /** Where long work is done: in threads, or, for tests that open many servers, in this one. */
  readonly work?: 'threads' | 'here'
  readonly checksAnswers?: boolean
  /** What tells time; the machine's clocks, when left out. */
  readonly time?: TimeSources
}

/** Connections for what is read, asked with every request, and written to days: together less than half of what PostgreSQL allows. */
const [MOST_READING, MOST_ASKED, MOST_WRITING] = [12, 4, 8]
/** A body that takes longer to arrive is not waited for; streams out are no requests and last. */
const [HEADERS_MS, REQUEST_MS, LOOK_EVERY_MS] = [10_000, 30_000, 2_000]

export const openServer = async ({
  databaseUrl,
  demo,
  webFolder,
  log,
  limits = LIMITS,
  trustedProxy = null,
  field = null,
  keeper = null,
  keyFile = null,
  work: where = 'threads',
  checksAnswers = false,
  time,
}: Settings): Promise<OpenServer> => {
  const pool = openPool(databaseUrl, MOST_READING)
  const quick = openQuickPool(databaseUrl, MOST_ASKED)
  const dayPool = openPool(databaseUrl, MOST_WRITING)
  const days = makeDayQueue(dayPool)
  await untilItAnswers(pool, (error) => log.warn({ err: error }, 'the database does not answer yet; waiting'))
  const clock = await openServerClock(pool, days, log, time)
  const feed = openLiveFeed(databaseUrl, log)
  const { seed, ...signer } = openSigner(keyFile)
  const work = where === 'threads' ? makeWorkPool(databaseUrl, seed, log) : makeWorkHere({ pool, signer })
  const server: Server = {
    pool,
    quick,
    days,
    feed,
    writer: makeCaptureWriter(days),
    clock,
    signer,
    work,
    log,
    demo,
    checksAnswers,
    limits,
    trustedProxy,
    field,
    keeper,
  }
  const app = buildApp(server, webFolder)
  const patience = {
    headersTimeout: HEADERS_MS,
    requestTimeout: REQUEST_MS,
    connectionsCheckingInterval: LOOK_EVERY_MS,
  }
  const http = createServer(patience, app)
  const https = field ? createHttpsServer({ ...patience, ...field.tls }, app) : null
  const listeners = https ? [http, https] : [http]
  // an answer that cannot be written any more costs that answer; without a listener it would cost the process
  for (const listener of listeners) {
    listener.on('request', (_request, response) => {
      response.on('error', (error) => log.warn({ err: error }, 'an answer broke'))
    })
  }
  return {
    server,
    http,
    https,
    clock,
    close: async () => {
      clock.close()
      const closed = listeners.map((listener) => new Promise<void>((resolve) => listener.close(() => resolve())))
      for (const listener of listeners) listener.closeAllConnections()
      await Promise.all(closed)
      await Promise.allSettled([work.close(), feed.close(), pool.end(), quick.end(), dayPool.end()])
    },
  }
}
