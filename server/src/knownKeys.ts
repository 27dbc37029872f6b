/** Keys whose signatures are believed here: the own one, and those somebody vouched for. */
import type { Pool } from './database.ts'
import type { Signer } from './signer.ts'
import { listTrustedKeys } from './store/keyStore.ts'

export const knownKeys = async (pool: Pool, signer: Pick<Signer, 'publicKey'>): Promise<string[]> => [
  signer.publicKey,
  ...(await listTrustedKeys(pool)).map(({ publicKey }) => publicKey),
]
