/** The field: HTTPS on the machine's own addresses by a certificate of its own small authority, beside HTTP that serves everything too. */
import { createHash, X509Certificate } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type { FieldReach } from '@able-gauge/core'

/** Where the certificates stand, and how devices reach this machine. */
export interface FieldSettings {
  readonly authorityFile: string
  readonly certificateFile: string
  readonly keyFile: string
  readonly addresses: readonly string[]
  readonly httpsPort: number
}

export interface Field {
  readonly reach: FieldReach
  /** The authority's certificate, as phones take it in. */
  readonly authorityDer: Buffer
  readonly tls: { readonly cert: string; readonly key: string }
}

/** @throws Error when a file is missing or is no certificate */
export const openField = (
  { authorityFile, certificateFile, keyFile, addresses, httpsPort }: FieldSettings,
  httpPort: number,
): Field => {
  const { raw } = new X509Certificate(readFileSync(authorityFile))
  return {
    reach: { addresses: [...addresses], httpPort, httpsPort, fingerprint: fingerprintOf(raw) },
    authorityDer: raw,
    tls: { cert: readFileSync(certificateFile, 'utf8'), key: readFileSync(keyFile, 'utf8') },
  }
}

/** SHA-256 in groups of four, to be read out. */
const fingerprintOf = (der: Buffer): string =>
  (createHash('sha256').update(der).digest('hex').toUpperCase().match(/.{4}/g) ?? []).join(' ')
