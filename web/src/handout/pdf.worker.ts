/** Makes PDF files away from the page, with the program's own fonts. */
import regular from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url'
import bold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url'
import regularExtended from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-400-normal.woff?url'
import boldExtended from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-700-normal.woff?url'
import { expose } from 'comlink'
import type { TDocumentDefinitions, TFontDictionary } from 'pdfmake/interfaces'
import { base64Of } from '../ui/base64.ts'

/** The PDF maker as it is built for browsers; it looks for a window, which a worker has not. */
interface PdfMaker {
  readonly createPdf: (
    document: TDocumentDefinitions,
    layouts: undefined,
    fonts: TFontDictionary,
    files: Readonly<Record<string, string>>,
  ) => {
    readonly getBuffer: (
      done: (bytes: Uint8Array) => void,
      options: { progressCallback: (share: number) => void },
    ) => void
  }
}

const FILES = {
  'next.woff': regular,
  'next-bold.woff': bold,
  'extended.woff': regularExtended,
  'extended-bold.woff': boldExtended,
}
const face = (normal: string, strong: string) => ({ normal, bold: strong, italics: normal, bolditalics: strong })
const FONTS: TFontDictionary = {
  Next: face('next.woff', 'next-bold.woff'),
  NextExtended: face('extended.woff', 'extended-bold.woff'),
}

const loadMaker = async (): Promise<PdfMaker> => {
  Object.assign(globalThis, { window: globalThis })
  const module = (await import('pdfmake/build/pdfmake.js')) as unknown as { default: PdfMaker }
  return module.default
}

const fileAt = async (address: string): Promise<string> =>
  base64Of(new Uint8Array(await (await fetch(address)).arrayBuffer()))

const make = async (document: TDocumentDefinitions, progress: (share: number) => void): Promise<Uint8Array> => {
  const maker = await loadMaker()
  const files = Object.fromEntries(
    await Promise.all(Object.entries(FILES).map(async ([name, address]) => [name, await fileAt(address)] as const)),
  )
  return new Promise((resolve) =>
    maker.createPdf(document, undefined, FONTS, files).getBuffer(resolve, { progressCallback: progress }),
  )
}

const api = {
  /** @param progress from 0 to 1 */
  document: (document: TDocumentDefinitions, progress: (share: number) => void): Promise<Uint8Array> =>
    make(document, progress),
}

export type PdfWorker = typeof api

expose(api)
