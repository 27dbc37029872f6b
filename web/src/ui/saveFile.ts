/** Hands a text or bytes to the browser as a file to keep. */
export const saveFile = (name: string, type: string, content: string | Uint8Array<ArrayBuffer>): void => {
  const address = URL.createObjectURL(new Blob([content], { type }))
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
  URL.revokeObjectURL(address)
}
