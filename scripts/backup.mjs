/** npm run backup -- FILE: everything of the house in one encrypted file. */
import { backUp } from './lib/keep.mjs'
import { keepCommand } from './lib/keepCommand.mjs'

const HELP = `npm run backup -- FILE [--with-key] [--demo]
  --with-key  the private key goes along: whoever restores it signs days as this installation
  --demo      the demo's data instead of the house's own
The passphrase is asked for, or read from the environment variable ABLE_GAUGE_PASSPHRASE. The program may go on running meanwhile.`

await keepCommand({
  help: HELP,
  isNew: true,
  work: async ({ cluster, bin, database, file, keys }) => {
    const { made } = await backUp(cluster, bin, database, file, keys)
    console.log(`Wrote ${file}: ${made.days} days, ${made.people} people, ${made.captures} captures.`)
    if (!keys.withKey) console.log('The private key is not in it. Keep .data/signing-key.pem apart.')
  },
})
