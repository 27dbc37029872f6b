/** npm run restore -- FILE: puts a house back from its backup. What is there now keeps a name of its own. */
import { restore } from './lib/keep.mjs'
import { keepCommand } from './lib/keepCommand.mjs'

const HELP = `npm run restore -- FILE [--with-key] [--demo]
  --with-key  takes the private key of the backup as well, so that this installation signs as that one
  --demo      in place of the demo's data instead of the house's own
Stop the program first. Everybody is signed out; erasures made here since the backup are done again.`

await keepCommand({
  help: HELP,
  isNew: false,
  work: async ({ cluster, bin, database, file, keys }) => {
    const { counts, erased, replaced } = await restore(cluster, bin, database, file, keys)
    console.log(`Restored ${counts.days} days, ${counts.people} people, ${counts.captures} captures.`)
    if (erased > 0) console.log(`${erased} people who had been erased here since were erased again.`)
    if (replaced) console.log(`What was here before stands in the database ${replaced}.`)
  },
})
