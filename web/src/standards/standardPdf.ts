/** A standard as a printed document: for the wall, for a file, for whoever asks what is asked. */
import {
  cutsOf,
  printStandard,
  scoringTable,
  type PrintedEvent,
  type Standard,
  type StandardEvent,
} from '@able-gauge/core'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { cell, INK_2, markColumn, page, rule, say } from '../handout/pdfParts.ts'

/** More columns than this stand on their side no more; the figures grow smaller instead. */
const MANY_COLUMNS = 7

/** @param mark of the house as a data address; empty for none */
export const standardPdf = (standard: Standard, mark: string): TDocumentDefinitions => {
  const { organisation, name, about, events, alternates, judging } = printStandard(standard)
  const eventOf = ({ id }: PrintedEvent): StandardEvent | undefined =>
    [...standard.events, ...(standard.alternateEvents ?? [])].find((event) => event.id === id)
  const printed = (event: PrintedEvent, number: string): Content[] => {
    const of = eventOf(event)
    return of ? eventPages(standard, of, event, number) : []
  }
  return page(`${name}, version ${standard.version}`, [
    { columns: [...markColumn(mark), say(organisation, { bold: true })], columnGap: 10 },
    rule(),
    say(name, { fontSize: 18, bold: true, margin: [0, 10, 0, 0] }),
    say(about, { color: INK_2 }),
    ...events.flatMap((event, index) => printed(event, `${index + 1}`)),
    ...(alternates.length > 0 ? [heading('Alternates')] : []),
    ...alternates.flatMap((event) => printed(event, '')),
    heading('How it is judged'),
    ...judging.map((line) => say(line, { margin: [0, 2, 0, 0] })),
    say('Local rules, clinicians and the law come before any standard.', { color: INK_2, margin: [0, 4, 0, 0] }),
  ])
}

const heading = (text: string): Content => say(text, { fontSize: 13, bold: true, margin: [0, 14, 0, 2] })

const eventPages = (standard: Standard, event: StandardEvent, printed: PrintedEvent, number: string): Content[] => [
  {
    stack: [
      heading(`${number === '' ? '' : `${number}  `}${printed.name}`),
      say(printed.kind, { color: INK_2 }),
      ...printed.rules.map((line) => say(line, { margin: [0, 2, 0, 0] })),
    ],
    unbreakable: true,
  },
  ...printed.scorings.flatMap(({ heading: title, scoring }) => [
    ...(title === '' ? [] : [say(title, { bold: true, margin: [0, 6, 0, 0] })]),
    tableOf(standard, event, scoring),
  ]),
  ...[...printed.asked, ...printed.cautions].map((line) => say(line, { margin: [0, 2, 0, 0] })),
  ...printed.forStaff.map((line) => say(line, { fontSize: 9, color: INK_2, margin: [0, 2, 0, 0] })),
  ...(printed.rest === '' ? [] : [say(printed.rest, { bold: true, margin: [0, 4, 0, 0] })]),
]

const tableOf = (standard: Standard, event: StandardEvent, scoring: StandardEvent['scoring']): Content => {
  const table = scoringTable(event, standard.categories, scoring)
  if (!table) return say(`The same for everybody: ${cutsOf(event, scoring)}`, { bold: true, margin: [0, 4, 0, 0] })
  const fontSize = table.heading.length > MANY_COLUMNS ? 7.5 : 9
  return {
    table: {
      headerRows: 1,
      dontBreakRows: true,
      widths: table.heading.map((_, index) => (index === 0 ? 'auto' : '*')),
      body: [
        table.heading.map((text) => cell(text, { bold: true })),
        ...table.rows.map(({ head, cells }) => [cell(head, { bold: true }), ...cells.map((text) => cell(text))]),
      ],
    },
    fontSize,
    layout: 'lightHorizontalLines',
    margin: [0, 4, 0, 4],
  }
}
