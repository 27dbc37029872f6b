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

/** Encodings a file may have been saved in, in words, for whoever sees broken letters and knows better. */
export const ENCODINGS = {
  'utf-8': 'Unicode (UTF-8)',
  'utf-16le': 'Unicode (UTF-16)',
  'utf-16be': 'Unicode (UTF-16, other order)',
  'windows-1252': 'Western European',
  'windows-1250': 'Central European',
  'windows-1257': 'Baltic',
  'windows-1254': 'Turkish',
  'windows-1253': 'Greek',
  'windows-1251': 'Cyrillic',
  macintosh: 'Western European (older Apple computers)',
} as const
export type TextEncoding = keyof typeof ENCODINGS

/** What a file was probably saved in. What is not valid UTF-8 is taken for Latin-1 in the form spreadsheets write it (windows-1252). */
export const encodingOf = (bytes: Uint8Array): Encoding => {
  const encoding = encodingBySample(bytes)
  if (encoding !== null) return encoding
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes)
    return 'utf-8'
  } catch (error) {
    if (!(error instanceof TypeError)) throw error
    return 'windows-1252'
  }
}

/** Text of a file, without its byte order mark. @param encoding what it was saved in; told from its bytes when left out */
export const decodeText = (bytes: Uint8Array, encoding: TextEncoding = encodingOf(bytes)): string =>
  new TextDecoder(encoding).decode(bytes)
