/** What all printed files share: colours, text with its fonts, the mark of the house. */
import type { Column, Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces'
import { fontRuns } from './fontRuns.ts'

export const [INK, INK_2, LINE, MET, SHORT, VEST, DECIDE] = [
  '#10201D',
  '#4A5B56',
  '#A9B6B0',
  '#0F6B57',
  '#B5361A',
  '#DDF247',
  '#D9A43B',
] as const
/** Between the margins of a page that stands. */
export const WIDTH = 515
export const STRIP = 9

export const say = (text: string, style: object = {}): Content => ({ text: fontRuns(text), ...style })

const MARK_BOX: [number, number] = [90, 26]

export const markColumn = (mark: string): Column[] =>
  mark === '' ? [] : [{ image: mark, fit: MARK_BOX, width: MARK_BOX[0] }]

/** A page that stands, with the margins of all of ours and its number where there are several. */
export const page = (title: string, content: Content[]): TDocumentDefinitions => ({
  pageSize: 'A4',
  pageMargins: [40, 36, 40, 36],
  info: { title, creator: 'Able Gauge' },
  defaultStyle: { font: 'Next', fontSize: 10, color: INK },
  content,
})

export const rule = (): Content => ({
  canvas: [{ type: 'line', x1: 0, y1: 4, x2: WIDTH, y2: 4, lineWidth: 1.5, lineColor: INK }],
})

export const cell = (text: string, style: object = {}): TableCell => ({ text: fontRuns(text), ...style })
