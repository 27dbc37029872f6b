/** A certificate of a test that was met: who, what, when, how, and the fingerprints that prove the signed day it stands on. */
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { cell, INK_2, LINE, markColumn, page, rule, say, VEST, WIDTH } from './pdfParts.ts'
import type { ResultSheet } from './resultSheet.ts'

export interface Certificate {
  readonly sheet: Pick<ResultSheet, 'organisation' | 'place' | 'name' | 'about' | 'verdict' | 'points' | 'events'>
  readonly standard: string
  /** Who signed the day, and when, in words. */
  readonly signed: string
  /** Of the day, and of the key it was signed with; empty for days signed before there was one. */
  readonly fingerprints: readonly (readonly [what: string, fingerprint: string])[]
}

/** @param mark of the house as a data address; empty for none */
export const certificateDocument = (
  { sheet, standard, signed, fingerprints }: Certificate,
  mark: string,
): TDocumentDefinitions => {
  const { organisation, place, name, about, verdict, points, events } = sheet
  const rows = events.map((event) => [
    cell(event.name),
    cell(event.figure, { bold: true, alignment: 'right' }),
    cell([event.word, event.points].filter((part) => part !== '').join(', '), { alignment: 'right' }),
  ])
  return page(`Certificate, ${name}`, [
    { columns: [say(organisation, { bold: true, fontSize: 12 }), ...markColumn(mark)] },
    rule(),
    say('Certificate', { fontSize: 30, bold: true, margin: [0, 60, 0, 0] }),
    gauge(),
    say(name, { fontSize: 22, bold: true, margin: [0, 26, 0, 0] }),
    say(about, { color: INK_2 }),
    say(`${verdict}: ${standard}`, { fontSize: 14, bold: true, margin: [0, 18, 0, 0] }),
    say(place, { margin: [0, 2, 0, 0] }),
    ...(points === '' ? [] : [say(points, { margin: [0, 4, 0, 0] })]),
    {
      margin: [0, 24, 0, 0],
      table: { widths: ['*', 120, 120], body: rows },
      layout: {
        hLineColor: () => LINE,
        hLineWidth: () => 0.7,
        vLineWidth: () => 0,
        paddingLeft: () => 0,
        paddingRight: () => 0,
        paddingTop: () => 5,
        paddingBottom: () => 5,
      },
    },
    say(signed, { margin: [0, 36, 0, 4] }),
    ...fingerprints.map(([what, fingerprint]) => ({
      columns: [
        { width: 110, ...lineOf(what) },
        { width: '*', ...lineOf(fingerprint) },
      ],
    })),
    say(
      'The signed day proves itself: its archive holds everything this stands on, and the fingerprints are those of its signature.',
      {
        color: INK_2,
        fontSize: 8.5,
        margin: [0, 10, 0, 0],
      },
    ),
  ])
}

const lineOf = (text: string): { readonly text: string; readonly fontSize: number; readonly color: string } => ({
  text,
  fontSize: 8.5,
  color: INK_2,
})

/** The house's own sign: a ruled strip with the cut behind whoever passed it. */
const gauge = (): Content => ({
  margin: [0, 10, 0, 0],
  canvas: [
    { type: 'rect', x: 0, y: 8, w: WIDTH, h: 6, lineWidth: 0.7, lineColor: LINE },
    { type: 'rect', x: WIDTH * 0.62, y: 8, w: WIDTH * 0.38, h: 6, lineWidth: 0, color: '#DCE8E4' },
    { type: 'line', x1: WIDTH * 0.62, y1: 2, x2: WIDTH * 0.62, y2: 20, lineWidth: 2, lineColor: '#10201D' },
    { type: 'rect', x: WIDTH * 0.78, y: 3, w: 8, h: 16, r: 1.5, color: VEST, lineWidth: 1.2, lineColor: '#10201D' },
  ],
})
