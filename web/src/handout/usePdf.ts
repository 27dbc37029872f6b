/** Makes a PDF away from the page, with its progress, and hands it to the browser. */
import { proxy, wrap } from 'comlink'
import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import { ref } from 'vue'
import { receiveFile } from '../api.ts'
import { useSession } from '../session/sessionStore.ts'
import { base64Of } from '../ui/base64.ts'
import { saveFile } from '../ui/saveFile.ts'
import type { PdfWorker } from './pdf.worker.ts'

export const usePdf = () => {
  const session = useSession()
  /** How far the file being made is, from 0 to 1; null while none is. */
  const progress = ref<number | null>(null)
  const problem = ref('')

  /** The mark of the house as the PDF maker takes it; empty for none. */
  const markData = async (): Promise<string> => {
    if (session.markSinceMs === null) return ''
    const bytes = await receiveFile('GET', '/session/mark')
    return `data:image/png;base64,${base64Of(bytes)}`
  }

  /** @param name of the file */
  const savePdf = async (name: string, document: TDocumentDefinitions): Promise<void> => {
    const worker = new Worker(new URL('./pdf.worker.ts', import.meta.url), { type: 'module' })
    progress.value = 0
    problem.value = ''
    try {
      const maker = wrap<PdfWorker>(worker)
      const bytes = await maker.document(
        plain(document),
        proxy((share: number) => void (progress.value = share)),
      )
      saveFile(name, 'application/pdf', new Uint8Array(bytes))
    } catch (error) {
      console.error(error)
      problem.value = 'The PDF could not be made. What is on the screen can be printed instead.'
    } finally {
      worker.terminate()
      progress.value = null
    }
  }
  return { progress, problem, markData, savePdf }
}

/** A worker takes plain data alone. */
const plain = <Data>(data: Data): Data => JSON.parse(JSON.stringify(data)) as Data
