/** The key days are signed with here, keys that are believed, and what a signed day proves. */
import {
  keyFingerprint,
  KeysAnswer,
  ProofAnswer,
  publicKeyPem,
  readPublicKey,
  TrustedAnswer,
  TrustedKeyBody,
} from '@able-gauge/core'
import { dayOf } from '../access/day.ts'
import { knownKeys } from '../knownKeys.ts'
import { invalidInput } from '../problem.ts'
import { listTrustedKeys, trustKey } from '../store/keyStore.ts'
import { noteEvent } from '../store/securityStore.ts'
import { readBody } from './body.ts'
import type { Route } from './route.ts'

export const keyRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/keys',
    what: 'the key days are signed with here, and those that are believed',
    answer: KeysAnswer,
    action: 'keys.read',
    handle: async ({ server, response }) => {
      const { publicKey } = server.signer
      const trusted = await listTrustedKeys(server.pool)
      response.json({
        own: { publicKey, pem: publicKeyPem(publicKey), fingerprint: keyFingerprint(publicKey) },
        trusted: trusted.map((key) => ({ ...key, fingerprint: keyFingerprint(key.publicKey) })),
      })
    },
  },
  {
    method: 'post',
    path: '/api/keys',
    what: 'believes the key of a sister organisation',
    answer: TrustedAnswer,
    action: 'keys.trust',
    body: TrustedKeyBody,
    handle: async ({ server, request, response, account, token }) => {
      const { key, name } = readBody(TrustedKeyBody, request)
      const publicKey = readPublicKey(key)
      if (publicKey === null) {
        throw invalidInput([
          { place: 'key', code: 'key', found: key.slice(0, 40), expected: 'an Ed25519 public key in PEM' },
        ])
      }
      await trustKey(server.pool, token, publicKey, name)
      const printed = keyFingerprint(publicKey)
      await noteEvent(server.pool, { kind: 'key.trusted', accountId: account.id, detail: { key: printed } })
      response.status(201).json({ fingerprint: printed })
    },
  },
  {
    method: 'get',
    path: '/api/occasions/:occasionId/proof',
    what: 'what the signature proves, and whether what is stored is what was signed',
    answer: ProofAnswer,
    action: 'day.read',
    cost: 'costly',
    handle: async (call) => {
      const { server, response } = call
      const occasion = await dayOf(call)
      const asked = { occasionId: occasion.id, knownKeys: await knownKeys(server.pool, server.signer) }
      response.type('json').send(await server.work.run('proof', asked))
    },
  },
]
