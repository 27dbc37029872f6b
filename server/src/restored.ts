/** Does what a restored house needs: everybody is signed out, erasures are done again, the former key is believed. Reads JSON, prints JSON. */
import { inTransaction, openPool } from './database.ts'
import { needed } from './environment.ts'
import { openSigner } from './signer.ts'
import { believeFormerKey, eraseAgain, signEverybodyOut, type Erasure } from './store/backupStore.ts'
import { writeMissingDays } from './writtenResults.ts'

interface Told {
  readonly erasures: readonly Erasure[]
  /** With which the house signed when the backup was made; null where it goes on with that key. */
  readonly formerKey: string | null
}

const chunks: Buffer[] = []
for await (const chunk of process.stdin) chunks.push(chunk as Buffer)
// written by the command that runs this
const { erasures, formerKey } = JSON.parse(Buffer.concat(chunks).toString()) as Told

const ownKey = (): string => openSigner(needed(process.env, 'ABLE_GAUGE_KEY_FILE')).publicKey
const pool = openPool(needed(process.env, 'ABLE_GAUGE_OWNER_URL'), 1)
try {
  const erased = await inTransaction(pool, async (db) => {
    await signEverybodyOut(db)
    if (formerKey !== null && formerKey !== ownKey()) await believeFormerKey(db, formerKey)
    return eraseAgain(db, erasures)
  })
  await writeMissingDays(pool)
  // what was just filled is planned for as if it were empty, until it has been counted
  await pool.query('analyze')
  process.stdout.write(JSON.stringify({ erased }))
} finally {
  await pool.end()
}
