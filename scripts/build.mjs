/** npm run build: the application in the browser and the server, when anything they are made of has changed. */
import { buildServer, buildWeb } from './lib/build.mjs'
import { run } from './lib/fail.mjs'

await run(async () => {
  await buildWeb()
  await buildServer()
})
