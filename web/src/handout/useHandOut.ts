/** Makes the files of a day: sheets, group sheet, tables, archive. */
import { EntryPagesAnswer, type Verdict } from '@able-gauge/core'
import { proxy, wrap } from 'comlink'
import Papa from 'papaparse'
import { ref } from 'vue'
import { call, download, inWords, receiveFile } from '../api.ts'
import { byBib, type Day } from '../day/day.ts'
import { useSession } from '../session/sessionStore.ts'
import { base64Of } from '../ui/base64.ts'
import { saveFile } from '../ui/saveFile.ts'
import { groupSheet } from './groupSheet.ts'
import type { PdfWorker } from './pdf.worker.ts'
import { resultSheet } from './resultSheet.ts'
import { resultTable } from './resultTable.ts'
import type { SheetLayout } from './sheetDocument.ts'

export const useHandOut = (day: () => Day, verdicts: () => ReadonlyMap<string, Verdict>) => {
  /** How far the file being made is, from 0 to 1; null while none is. */
  const progress = ref<number | null>(null)
  const problem = ref('')
  const nameOf = (what: string, ending: string): string =>
    `${day().occasion.testDate} ${day().occasion.name}, ${what}.${ending}`

  const withMaker = async (
    work: (maker: ReturnType<typeof wrap<PdfWorker>>) => Promise<Uint8Array>,
    what: string,
  ): Promise<void> => {
    const worker = new Worker(new URL('./pdf.worker.ts', import.meta.url), { type: 'module' })
    progress.value = 0
    problem.value = ''
    try {
      saveFile(nameOf(what, 'pdf'), 'application/pdf', new Uint8Array(await work(wrap<PdfWorker>(worker))))
    } catch (error) {
      console.error(error)
      problem.value = 'The PDF could not be made. The result sheets can be printed from the screen instead.'
    } finally {
      worker.terminate()
      progress.value = null
    }
  }
  const onProgress = () => proxy((share: number) => void (progress.value = share))

  /** Whether each sheet carries a code that opens the candidate's own page. */
  const withCodes = ref(false)
  const session = useSession()
  /** New links, each opening the page of one of these; none where they are not wanted. */
  const pagesOf = async (entryIds: readonly string[]): Promise<ReadonlyMap<string, string>> => {
    const { publicAddress } = session
    if (!withCodes.value || publicAddress === null) return new Map()
    const { links } = await call('POST', `/occasions/${day().occasion.id}/own-pages`, EntryPagesAnswer, { entryIds })
    return new Map(links.map(({ entryId, code }) => [entryId, `${publicAddress}/mine#${code}`]))
  }
  /** The mark of the house as the PDF maker takes it; empty for none. */
  const markData = async (): Promise<string> => {
    if (session.markSinceMs === null) return ''
    const bytes = await receiveFile('GET', '/session/mark')
    return `data:image/png;base64,${base64Of(bytes)}`
  }

  /** @param entryIds whose sheets; everybody who was there when left out */
  const saveSheets = async (layout: SheetLayout, entryIds?: readonly string[]): Promise<void> => {
    const entries = [...day().entries]
      .filter(({ id, attendance }) =>
        entryIds ? entryIds.includes(id) : attendance !== 'absent' && attendance !== 'withdrawn',
      )
      .sort(byBib)
    problem.value = ''
    try {
      const pages = await pagesOf(entries.map(({ id }) => id))
      const mark = await markData()
      const sheets = entries.flatMap((entry) => {
        const verdict = verdicts().get(entry.id)
        return verdict ? [resultSheet(day(), entry, verdict, pages.get(entry.id))] : []
      })
      await withMaker((maker) => maker.sheets(plain(sheets), layout, mark, onProgress()), 'result sheets')
    } catch (error) {
      problem.value = inWords(error)
    }
  }
  const saveGroup = (): Promise<void> =>
    withMaker((maker) => maker.group(plain(groupSheet(day(), verdicts())), onProgress()), 'group sheet')

  const saveCsv = (): void => {
    const { heading, rows } = resultTable(day(), verdicts())
    saveFile(nameOf('results', 'csv'), 'text/csv', Papa.unparse([[...heading], ...rows.map((row) => [...row])]))
  }
  const saveXlsx = async (): Promise<void> => {
    const { default: writeXlsxFile } = await import('write-excel-file/browser')
    const { heading, rows } = resultTable(day(), verdicts())
    const sheet = [
      heading.map((value) => ({ value, fontWeight: 'bold' as const })),
      ...rows.map((row) => row.map((value) => (value === null ? null : { value }))),
    ]
    await writeXlsxFile(sheet).toFile(nameOf('results', 'xlsx'))
  }
  const saveArchive = async (): Promise<void> => {
    problem.value = ''
    try {
      const archive = await download(`/occasions/${day().occasion.id}/archive`)
      saveFile(nameOf('archive', 'json'), 'application/json', archive)
    } catch (error) {
      problem.value = inWords(error)
    }
  }

  return { progress, problem, withCodes, saveSheets, saveGroup, saveCsv, saveXlsx, saveArchive }
}

/** A worker takes plain data alone. */
const plain = <Data>(data: Data): Data => JSON.parse(JSON.stringify(data)) as Data
