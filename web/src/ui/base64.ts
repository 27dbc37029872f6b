/** So many at once as every browser takes as arguments. */
const AT_ONCE = 8_192

/** Bytes in base 64, as they are sent in a document. */
export const base64Of = (bytes: Uint8Array): string => {
  let text = ''
  for (let from = 0; from < bytes.length; from += AT_ONCE)
    text += String.fromCharCode(...bytes.subarray(from, from + AT_ONCE))
  return btoa(text)
}
