/** A table as a file: CSV that spreadsheets read with its accents, or XLSX with its heading bold. */
import Papa from 'papaparse'
import { saveFile } from './saveFile.ts'

export type Cells = readonly (readonly (string | number)[])[]

/** Spreadsheets take a file without it for another encoding. */
const BYTE_ORDER_MARK = '\uFEFF'

/** @param table its heading first */
export const saveCsvTable = (name: string, table: Cells): void =>
  saveFile(name, 'text/csv', BYTE_ORDER_MARK + Papa.unparse(table.map((row) => [...row])))

/** @param table its heading first */
export const saveXlsxTable = async (name: string, table: Cells): Promise<void> => {
  const { default: writeXlsxFile } = await import('write-excel-file/browser')
  const [heading = [], ...rows] = table
  await writeXlsxFile([
    heading.map((value) => ({ value, fontWeight: 'bold' as const })),
    ...rows.map((row) => row.map((value) => ({ value }))),
  ]).toFile(name)
}
