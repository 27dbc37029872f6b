/** The encodings spreadsheets save text in, told from the bytes alone. */
export type Encoding = 'utf-8' | 'utf-16le' | 'utf-16be' | 'windows-1252'

/** Bytes at the beginning of a file that are looked at for a sign of two-byte text. */
const ENCODING_SAMPLE = 4_096

/**
 * What the first bytes of a file say: a byte order mark, or zeros between the letters of two-byte text.
 * @returns null where only the whole text can tell UTF-8 from Latin-1
 */
export const encodingBySample = (bytes: Uint8Array): Encoding | null => {
  const [first, second, third] = bytes
  if (first === 0xff && second === 0xfe) return 'utf-16le'
  if (first === 0xfe && second === 0xff) return 'utf-16be'
  if (first === 0xef && second === 0xbb && third === 0xbf) return 'utf-8'
  const sample = bytes.subarray(0, ENCODING_SAMPLE)
  const zeros = (from: number): number => sample.filter((byte, at) => byte === 0 && at % 2 === from).length
  const enough = sample.length / 4
  if (zeros(1) > enough) return 'utf-16le'
  return zeros(0) > enough ? 'utf-16be' : null
}

/**
 * Text of a file, without its byte order mark. What is not valid UTF-8 is read as Latin-1 in the form spreadsheets write it
 * (windows-1252).
 */
export const decodeText = (bytes: Uint8Array): string => {
  const encoding = encodingBySample(bytes)
  if (encoding !== null) return new TextDecoder(encoding).decode(bytes)
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch (error) {
    if (!(error instanceof TypeError)) throw error
    return new TextDecoder('windows-1252').decode(bytes)
  }
}
