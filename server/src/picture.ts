/** Pictures somebody sends: looked at, turned upright, made small and written anew, so that nothing but what is seen is kept. */
import sharp from 'sharp'
import { invalidInput } from './problem.ts'

/** More than any camera takes; a picture that unpacks to more is refused before it does. */
const MOST_PIXELS = 60_000_000
const KNOWN_FORMATS: ReadonlySet<string> = new Set(['jpeg', 'png', 'webp'])
const JPEG_QUALITY = 78

export interface PictureForm {
  readonly as: 'png' | 'jpeg'
  /** Neither side is longer. */
  readonly mostPixels: number
}

/**
 * @param base64 of a JPEG, PNG or WebP file
 * @param place of the picture in what was sent
 * @throws Problem 422 for anything else
 */
export const readPicture = async (base64: string, place: string, { as, mostPixels }: PictureForm): Promise<Buffer> => {
  const refused = (found: string) =>
    invalidInput([{ place, code: 'picture', found, expected: 'a picture as JPEG, PNG or WebP' }])
  const bytes = Buffer.from(base64, 'base64')
  if (bytes.length === 0) throw refused('nothing')
  const image = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
  const { format } = await image.metadata().catch(() => ({ format: undefined }))
  if (format === undefined || !KNOWN_FORMATS.has(format)) throw refused(format ?? 'something else')
  const shown = image
    .autoOrient()
    .resize({ width: mostPixels, height: mostPixels, fit: 'inside', withoutEnlargement: true })
  const written = as === 'png' ? shown.png() : shown.flatten({ background: '#ffffff' }).jpeg({ quality: JPEG_QUALITY })
  return written.toBuffer().catch(() => {
    throw refused('a picture that breaks off')
  })
}
