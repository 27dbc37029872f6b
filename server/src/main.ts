/** Starts a server process. */
import { createServer } from 'node:http'
import pino from 'pino'
import { buildApp } from './app.ts'
import { makeCaptureWriter } from './captureWriter.ts'
import { openPool } from './database.ts'
import { readEnvironment } from './environment.ts'
import { openLiveFeed } from './live/liveFeed.ts'
import { runRehearsals } from './rehearsal/rehearsalRunner.ts'

const { databaseUrl, host, port, demo, logLevel, webFolder } = readEnvironment(process.env)
const log = pino({ level: logLevel })
const pool = openPool(databaseUrl)
// a connection that breaks while idle is replaced by the pool; without a listener it would end the process
pool.on('error', (error) => log.warn({ err: error }, 'idle database connection lost'))
const feed = openLiveFeed(databaseUrl, log)
const writer = makeCaptureWriter(pool)
const rehearsals = runRehearsals(pool, writer, log)
const http = createServer(buildApp({ pool, feed, writer, log, demo }, webFolder))

const stop = (): void => {
  http.close()
  http.closeAllConnections()
  void rehearsals
    .close()
    .then(() => Promise.allSettled([feed.close(), pool.end()]))
    .then(() => process.exit(0))
}

http.on('error', (error) => {
  log.fatal({ err: error }, 'cannot listen')
  process.exit(1)
})
http.listen(port, host, () => {
  const address = http.address()
  process.send?.({ listening: typeof address === 'object' ? address?.port : port })
})
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
// the program that started this process is gone: a server nobody can stop must not stay
process.on('disconnect', stop)
