/** Starts a server process. */
import pino from 'pino'
import { readEnvironment } from './environment.ts'
import { openField } from './field.ts'
import { openKeeper } from './keeper.ts'
import { logError } from './logError.ts'
import { openServer } from './openServer.ts'
import { runRehearsals } from './rehearsal/rehearsalRunner.ts'

const { databaseUrl, host, port, demo, logLevel, webFolder, keyFile, trustedProxy, field } = readEnvironment(
  process.env,
)
const log = pino({ level: logLevel, serializers: { err: logError } })
const { server, http, https, close } = await openServer({
  databaseUrl,
  demo,
  webFolder,
  keyFile,
  trustedProxy,
  field: field && openField(field, port),
  keeper: openKeeper(
    process.send
      ? { send: (message) => process.send?.(message), listen: (listener) => process.on('message', listener) }
      : null,
  ),
  log,
})
const rehearsals = runRehearsals(server, log)

const stop = (): void => {
  void rehearsals
    .close()
    .then(close)
    .then(() => process.exit(0))
}

const failed = (error: Error): void => {
  log.fatal({ err: error }, 'cannot listen')
  process.exit(1)
}
http.on('error', failed)
if (https && field) https.on('error', failed).listen(field.httpsPort, host)
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
