/** The hash a published version carries: SHA-256 over the document written in one canonical way. */
import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js'

/**
 * Hashes any JSON document. The order of keys and the white space of the file do not matter; the order of lists does.
 * @returns 64 hexadecimal digits
 */
export const contentHash = (document: unknown): string => bytesToHex(sha256(utf8ToBytes(canonicalJson(document))))

/** JSON with sorted keys and no white space; fields that are undefined are left out, as JSON does. */
export const canonicalJson = (value: unknown): string => {
  if (typeof value !== 'object' || value === null) return JSON.stringify(value)
  if (Array.isArray(value)) {
    let items = ''
    for (const item of value as unknown[]) items += `${items === '' ? '' : ','}${canonicalJson(item ?? null)}`
    return `[${items}]`
  }
  // whole days go through here, so no lists are made on the way
  let fields = ''
  for (const key of Object.keys(value).sort()) {
    const inner: unknown = (value as Record<string, unknown>)[key]
    if (inner !== undefined) fields += `${fields === '' ? '' : ','}${JSON.stringify(key)}:${canonicalJson(inner)}`
  }
  return `{${fields}}`
}
