/** Ids made on this device. */

/** A random id (UUID version 4). The browser's own function for it is missing on pages that came over plain HTTP. */
export const newId = (): string => {
  const bytes = crypto.getRandomValues(new Uint8Array(16))
  const hex = [...bytes].map((byte, index) => {
    const marked = index === 6 ? (byte & 0x0f) | 0x40 : index === 8 ? (byte & 0x3f) | 0x80 : byte
    return marked.toString(16).padStart(2, '0')
  })
  return [
    [0, 4],
    [4, 6],
    [6, 8],
    [8, 10],
    [10, 16],
  ]
    .map(([from, to]) => hex.slice(from, to).join(''))
    .join('-')
}
