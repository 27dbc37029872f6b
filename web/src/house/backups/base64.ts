/** Bytes as they are sent in a document. */
export const base64Of = (bytes: Uint8Array): string => {
  const AT_ONCE = 8_192
  let text = ''
  for (let from = 0; from < bytes.length; from += AT_ONCE)
    text += String.fromCharCode(...bytes.subarray(from, from + AT_ONCE))
  return btoa(text)
}
