/** A picture from this device, made small before it is sent: a camera's file is fifty times what is looked at. */

export class PictureUnreadable extends Error {}

/**
 * @param mostPixels neither side is longer
 * @returns the file in base 64
 * @throws PictureUnreadable for what is no picture
 */
export const smallPicture = async (
  file: File,
  mostPixels: number,
  type: 'image/jpeg' | 'image/png',
): Promise<string> => {
  const image = await createImageBitmap(file).catch((error: unknown) => {
    throw new PictureUnreadable(`${file.name} is no picture this browser can open.`, { cause: error })
  })
  const scale = Math.min(1, mostPixels / Math.max(image.width, image.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(image.width * scale))
  canvas.height = Math.max(1, Math.round(image.height * scale))
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height)
  image.close()
  const [, base64 = ''] = canvas.toDataURL(type, 0.8).split(',')
  return base64
}
