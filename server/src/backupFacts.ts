/** Prints what a backup says of itself, as JSON. Runs as the database's owner. */
import { openPool } from './database.ts'
import { needed } from './environment.ts'
import { openSigner } from './signer.ts'
import { countKept, listErasures } from './store/backupStore.ts'

const pool = openPool(needed(process.env, 'ABLE_GAUGE_OWNER_URL'), 1)
try {
  const { publicKey } = openSigner(needed(process.env, 'ABLE_GAUGE_KEY_FILE'))
  const [counts, erasures] = [await countKept(pool), await listErasures(pool)]
  process.stdout.write(JSON.stringify({ counts, publicKey, erasures }))
} finally {
  await pool.end()
}
