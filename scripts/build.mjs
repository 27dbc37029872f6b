/** npm run build: the application in the browser, the server and the command line, when anything they are made of has changed. */
import { buildCli, buildServer, buildWeb } from './lib/build.mjs'
import { run } from './lib/fail.mjs'

await run(async () => {
  await buildWeb()
  await buildServer()
  await buildCli()
})
