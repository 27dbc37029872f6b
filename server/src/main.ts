/** Starts a server process. */
import pino from 'pino'
import { readEnvironment } from './environment.ts'
import { logError } from './logError.ts'
import { openServer } from './openServer.ts'
import { runRehearsals } from './rehearsal/rehearsalRunner.ts'

const { databaseUrl, host, port, demo, logLevel, webFolder, keyFile, trustedProxy } = readEnvironment(process.env)
const log = pino({ level: logLevel, serializers: { err: logError } })
const { server, http, close } = await openServer({ databaseUrl, demo, webFolder, keyFile, trustedProxy, log })
const rehearsals = runRehearsals(server, log)

const stop = (): void => {
  void rehearsals
    .close()
    .then(close)
    .then(() => process.exit(0))
}

http.on('error', (error) => {
  log.fatal({ err: error }, 'cannot listen')
  process.exit(1)
})
http.listen(port, host, () => {
  const address = http.address()
  const listening = typeof address === 'object' ? address?.port : port
  // whoever started this process may be gone by now; `disconnect` ends it then
  process.send?.({ listening }, undefined, undefined, () => undefined)
})
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
// the program that started this process is gone: a server nobody can stop must not stay
process.on('disconnect', stop)
