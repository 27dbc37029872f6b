/** Makes what the browser tests begin from while the unit tests run; `npm test` calls it. The database goes on running for them. */
import { run } from './lib/fail.mjs'
import { prepareTemplate } from './lib/testHouse.mjs'

await run(prepareTemplate)
