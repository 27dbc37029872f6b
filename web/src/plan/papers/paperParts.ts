/** Headings, lines and tables of a printed paper. */
import type { Content } from 'pdfmake/interfaces'
import { cell, say } from '../../handout/pdfParts.ts'

export const part = (title: string): object => say(title, { fontSize: 15, bold: true, margin: [0, 12, 0, 4] }) as object // a text with its style
export const heading = (text: string): Content => say(text, { bold: true, fontSize: 11, margin: [0, 8, 0, 2] })
export const lines = (texts: readonly string[]): Content[] => texts.map((text) => say(text, { margin: [0, 2, 0, 0] }))

type Cells = readonly (readonly string[])[]
type Widths = readonly (string | number)[]

const rowsOf = (head: readonly string[], rows: Cells, widths: Widths) => ({
  headerRows: 1,
  dontBreakRows: true,
  widths: [...widths],
  body: [head.map((text) => cell(text, { bold: true })), ...rows.map((row) => row.map((text) => cell(text)))],
})

/** To be read. */
export const table = (head: readonly string[], rows: Cells, widths: Widths): Content => ({
  table: rowsOf(head, rows, widths),
  layout: 'lightHorizontalLines',
  fontSize: 9,
  margin: [0, 2, 0, 6],
})

/** To be written into: every cell has its frame. */
export const boxed = (head: readonly string[], rows: Cells, widths: Widths): Content => ({
  table: rowsOf(head, rows, widths),
  fontSize: 9,
  margin: [0, 3, 0, 8],
})
