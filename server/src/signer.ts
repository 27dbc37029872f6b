/** The key of this installation, with which days are signed. It is made at the first start and readable by its owner alone. */
import { createPrivateKey, generateKeyPairSync, randomUUID, type KeyObject } from 'node:crypto'
import { existsSync, linkSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { publicKeyOf, signAmendment, signDayHead, type AmendmentSigned, type DaySigned } from '@able-gauge/core'

export interface Signer {
  /** 64 hexadecimal digits. */
  readonly publicKey: string
  readonly signDay: (signed: DaySigned) => string
  readonly signAmendment: (signed: AmendmentSigned) => string
}

const OWNER_ALONE = 0o600
const SEED_BYTES = 32

/** @param keyFile PKCS #8 in PEM, made when it is not there; null for a key that lasts as long as the process */
export const openSigner = (keyFile: string | null): Signer & { readonly seed: string } => {
  const seed = seedOf(keyFile === null ? generateKeyPairSync('ed25519').privateKey : keyIn(keyFile))
  return { ...signerWith(seed), seed }
}

/** @param privateKey 32 bytes as hexadecimal digits */
export const signerWith = (privateKey: string): Signer => {
  return {
    publicKey: publicKeyOf(privateKey),
    signDay: (signed) => signDayHead(signed, privateKey),
    signAmendment: (signed) => signAmendment(signed, privateKey),
  }
}

const keyIn = (file: string): KeyObject => {
  if (!existsSync(file)) {
    const { privateKey } = generateKeyPairSync('ed25519')
    const own = `${file}.${randomUUID()}`
    writeFileSync(own, privateKey.export({ type: 'pkcs8', format: 'pem' }), { mode: OWNER_ALONE, flag: 'wx' })
    try {
      // should two start at once, both go on with the key of the first
      linkSync(own, file)
    } catch (error) {
      if (!existsSync(file)) throw error
    } finally {
      rmSync(own)
    }
  }
  return createPrivateKey(readFileSync(file))
}

/** The last bytes of the DER form are the seed (RFC 8410). */
const seedOf = (key: KeyObject): string =>
  key.export({ type: 'pkcs8', format: 'der' }).subarray(-SEED_BYTES).toString('hex')
