/** Makes the files of a day: sheets, group sheet, tables, archive. */
import { EntryPagesAnswer, type Verdict } from '@able-gauge/core'
import Papa from 'papaparse'
import { ref } from 'vue'
import { call, download, inWords } from '../api.ts'
import { byBib, fullName, type Day } from '../day/day.ts'
import { useSession } from '../session/sessionStore.ts'
import { saveFile } from '../ui/saveFile.ts'
import { dateAndTime } from '../ui/localTime.ts'
import { certificateDocument } from './certificate.ts'
import { groupSheet } from './groupSheet.ts'
import { resultSheet } from './resultSheet.ts'
import { resultTable } from './resultTable.ts'
import { groupDocument, sheetDocument, type SheetLayout } from './sheetDocument.ts'
import { usePdf } from './usePdf.ts'

export const useHandOut = (day: () => Day, verdicts: () => ReadonlyMap<string, Verdict>) => {
  const { progress, problem, markData, savePdf } = usePdf()
  const nameOf = (what: string, ending: string): string =>
    `${day().occasion.testDate} ${day().occasion.name}, ${what}.${ending}`

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
      await savePdf(nameOf('result sheets', 'pdf'), sheetDocument(sheets, layout, mark))
    } catch (error) {
      problem.value = inWords(error)
    }
  }
  /** Of somebody who met it, on a day that is signed. */
  const saveCertificate = async (entryId: string): Promise<void> => {
    const entry = day().entries.find(({ id }) => id === entryId)
    const verdict = verdicts().get(entryId)
    const { signedOff } = day().occasion
    if (!entry || !verdict || !signedOff) return
    problem.value = ''
    try {
      const { standard, signature } = day()
      const fingerprints = [
        ['The day', signature?.head ?? ''],
        ['The key', signature?.key ?? ''],
      ] as const
      const certificate = {
        sheet: resultSheet(day(), entry, verdict),
        standard: `${standard.name}, version ${standard.version}`,
        signed: `Signed by ${signedOff.by}, ${dateAndTime(signedOff.atMs, day().occasion.zone)}.`,
        fingerprints: fingerprints.filter(([, fingerprint]) => fingerprint !== ''),
      }
      await savePdf(nameOf(`certificate ${fullName(entry)}`, 'pdf'), certificateDocument(certificate, await markData()))
    } catch (error) {
      problem.value = inWords(error)
    }
  }
  const saveGroup = (): Promise<void> =>
    savePdf(nameOf('group sheet', 'pdf'), groupDocument(groupSheet(day(), verdicts())))

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

  return { progress, problem, withCodes, saveSheets, saveCertificate, saveGroup, saveCsv, saveXlsx, saveArchive }
}
