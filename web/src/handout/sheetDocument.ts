/** Result sheets and the officer's group sheet -> documents for the PDF maker. */
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces'
import { fontRuns } from './fontRuns.ts'
import { DECIDE, INK, INK_2, LINE, markColumn, MET, say, SHORT, STRIP, VEST, WIDTH } from './pdfParts.ts'
import type { GroupSheet } from './groupSheet.ts'
import type { ResultSheet, SheetEvent, SheetGauge } from './resultSheet.ts'

export type SheetLayout = 'full' | 'twoToAPage'

/** @param mark of the house as a data address; empty for none */
export const sheetDocument = (
  sheets: readonly ResultSheet[],
  layout: SheetLayout,
  mark: string,
): TDocumentDefinitions => ({
  pageSize: 'A4',
  pageMargins: [40, 36, 40, 36],
  info: { title: 'Result sheets', creator: 'Able Gauge' },
  defaultStyle: { font: 'Next', fontSize: layout === 'full' ? 10 : 8.5, color: INK },
  content: sheets.map((sheet, index) => ({
    stack: layout === 'full' ? fullSheet(sheet, mark) : shortSheet(sheet, index % 2 === 0, mark),
    unbreakable: layout === 'twoToAPage',
    ...(isLastOnPage(index, sheets.length, layout) ? { pageBreak: 'after' as const } : {}),
  })),
})

const isLastOnPage = (index: number, count: number, layout: SheetLayout): boolean =>
  index < count - 1 && (layout === 'full' || index % 2 === 1)

const head = ({ organisation, place, name, about, verdict }: ResultSheet, mark: string): Content[] => [
  {
    columns: [...markColumn(mark), say(organisation, { bold: true }), say(place, { alignment: 'right', color: INK_2 })],
    columnGap: 10,
  },
  { canvas: [{ type: 'line', x1: 0, y1: 4, x2: WIDTH, y2: 4, lineWidth: 1.5, lineColor: INK }] },
  {
    columns: [
      [say(name, { fontSize: 17, bold: true, margin: [0, 8, 0, 0] }), say(about, { color: INK_2 })],
      say(verdict, { fontSize: 15, bold: true, alignment: 'right', width: 150, margin: [0, 10, 0, 0] }),
    ],
    margin: [0, 0, 0, 6],
  },
]

const CODE_SIZE = 74

const foot = ({ ownPage, ...sheet }: ResultSheet): Content[] =>
  ownPage === ''
    ? footLines(sheet)
    : [
        {
          columns: [
            footLines(sheet),
            [
              { qr: ownPage, fit: CODE_SIZE, alignment: 'right' as const },
              say('Your own page', { alignment: 'right', fontSize: 8, color: INK_2 }),
            ],
          ],
          columnGap: 14,
          margin: [0, 6, 0, 0],
          unbreakable: true,
        },
      ]

const footLines = ({ points, retest, judgedBy, amended }: Omit<ResultSheet, 'ownPage'>): Content[] => [
  ...(points === '' ? [] : [say(points, { bold: true, margin: [0, 6, 0, 0] })]),
  ...amended.map((line) => say(line, { bold: true, color: SHORT })),
  say(retest, { margin: [0, 6, 0, 0] }),
  say(judgedBy, { color: INK_2, margin: [0, 2, 0, 0] }),
  say('Talk to a clinician before training if you had pain, faintness or an injury on the day.', { color: INK_2 }),
]

const fullSheet = (sheet: ResultSheet, mark: string): Content[] => [
  ...head(sheet, mark),
  ...sheet.because.map((line) => say(line, { margin: [0, 0, 0, 2] })),
  ...sheet.events.map((event) => ({
    stack: [
      eventLine(event),
      ...(event.gauge ? gauge(event.gauge) : []),
      ...event.reasons.map((line) => say(line, { fontSize: 8.5, color: INK_2 })),
      ...[event.next, ...event.estimates].filter((line) => line !== '').map((line) => say(line, { fontSize: 8.5 })),
    ],
    unbreakable: true,
    margin: [0, 8, 0, 0] as [number, number, number, number],
  })),
  ...foot(sheet),
]

/** Half a page: figures and gauges, the reasons stay on screen. */
const shortSheet = (sheet: ResultSheet, isUpper: boolean, mark: string): Content[] => [
  ...head(sheet, mark),
  ...sheet.events.map((event) => ({
    stack: [eventLine(event), ...(event.gauge && sheet.events.length <= 6 ? gauge(event.gauge) : [])],
    margin: [0, 3, 0, 0] as [number, number, number, number],
  })),
  ...foot(sheet),
  ...(isUpper
    ? [
        {
          canvas: [{ type: 'line' as const, x1: 0, y1: 12, x2: WIDTH, y2: 12, dash: { length: 4 }, lineColor: LINE }],
          margin: [0, 0, 0, 14] as [number, number, number, number],
        },
      ]
    : []),
]

const eventLine = ({ name, figure, word, margin, points }: SheetEvent): Content => ({
  columns: [
    say(name, { bold: true }),
    say(figure, { alignment: 'right', width: 80, bold: true }),
    say([word, margin, points].filter((part) => part !== '').join(', '), {
      alignment: 'right',
      width: 220,
      color: INK_2,
    }),
  ],
})

/** The gauge on paper: the side that meets the standard filled, the cut a notch, the person a marker. */
const gauge = ({ cutAt, valueAt, metSide, state, from, to, cut }: SheetGauge): Content[] => {
  const x = cutAt * WIDTH
  const filled = metSide === 'before' ? { x: 0, w: x } : { x, w: WIDTH - x }
  const markers =
    valueAt === null
      ? []
      : [
          {
            type: 'rect' as const,
            x: Math.min(WIDTH - 7, Math.max(0, valueAt * WIDTH - 3.5)),
            y: 0,
            w: 7,
            h: STRIP + 6,
            r: 2,
            color: state === 'short' ? SHORT : state === 'decide' ? DECIDE : VEST,
            lineColor: INK,
          },
        ]
  return [
    {
      canvas: [
        { type: 'rect', x: 0, y: 3, w: WIDTH, h: STRIP, lineColor: LINE },
        { type: 'rect', x: filled.x, y: 3, w: filled.w, h: STRIP, color: MET },
        { type: 'line', x1: x, y1: 0, x2: x, y2: STRIP + 6, lineWidth: 1.5, lineColor: INK },
        ...markers,
      ],
      margin: [0, 2, 0, 0],
    },
    {
      columns: [
        say(from, { color: INK_2, fontSize: 8 }),
        say(`asked ${metSide === 'before' ? 'at most' : 'at least'} ${cut}`, {
          alignment: 'center',
          fontSize: 8,
          bold: true,
        }),
        say(to, { alignment: 'right', color: INK_2, fontSize: 8 }),
      ],
    },
  ]
}

export const groupDocument = (group: GroupSheet): TDocumentDefinitions => ({
  pageSize: 'A4',
  pageOrientation: 'landscape',
  pageMargins: [34, 34, 34, 34],
  info: { title: group.title, creator: 'Able Gauge' },
  defaultStyle: { font: 'Next', fontSize: 8.5, color: INK },
  content: [
    say(group.title, { fontSize: 15, bold: true }),
    say(group.about, { color: INK_2, margin: [0, 0, 0, 8] }),
    {
      table: {
        headerRows: 1,
        widths: [28, '*', ...group.events.map(() => 'auto'), 'auto'],
        body: [
          ['Bib', 'Name', ...group.events, 'Verdict'].map((text): TableCell => ({
            text: fontRuns(text),
            bold: true,
            noWrap: true,
          })),
          ...group.rows.map((row) => row.map((text): TableCell => ({ text: fontRuns(text), noWrap: true }))),
        ],
      },
      layout: 'lightHorizontalLines',
    },
    ...group.sections.map(({ title, lines }) => ({
      stack: [say(title, { bold: true, fontSize: 10, margin: [0, 10, 0, 2] }), ...lines.map((line) => say(line))],
      unbreakable: lines.length < 20,
    })),
  ],
})
