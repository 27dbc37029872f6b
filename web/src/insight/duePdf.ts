/** The list of who is due, as a page to hand round. */
import { printDate, type DueAnswer, type DuePerson } from '@able-gauge/core'
import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import { cell, INK_2, LINE, markColumn, page, rule, say } from '../handout/pdfParts.ts'
import { DUE_WORDS, sayDue, shortInWords } from './dueWords.ts'

export const duePdf = (
  { calls, today }: DueAnswer,
  people: readonly DuePerson[],
  mark: string,
): TDocumentDefinitions => {
  const title = `Due on ${printDate(today)}`
  const heading = ['Name', 'Number', 'Unit', 'Stands', 'Last test', 'Short in', ''].map((text) =>
    cell(text, { color: INK_2, fontSize: 8.5 }),
  )
  return page(title, [
    { columns: [say(title, { fontSize: 18, bold: true }), ...markColumn(mark)] },
    rule(),
    ...calls.flatMap((call, at) => {
      const own = people.filter((person) => person.call === at)
      if (own.length === 0) return []
      const rows = own.map((person) => [
        cell(person.name),
        cell(person.number),
        cell(person.unit),
        cell(`${person.state === 'fine' ? '' : DUE_WORDS[person.state]} ${sayDue(person)}`),
        cell(person.lastDate === null ? '' : printDate(person.lastDate)),
        cell(shortInWords(person)),
        cell(person.enteredOn === '' ? '' : `entered: ${person.enteredOn}`, { color: INK_2, fontSize: 8.5 }),
      ])
      return [
        say(`${call.name}: ${call.standardName}`, { fontSize: 13, bold: true, margin: [0, 12, 0, 4] }),
        {
          table: { headerRows: 1, widths: ['*', 'auto', 'auto', '*', 'auto', '*', 'auto'], body: [heading, ...rows] },
          layout: {
            hLineColor: () => LINE,
            hLineWidth: (line: number) => (line === 0 ? 0 : 0.5),
            vLineWidth: () => 0,
            paddingLeft: () => 0,
          },
          fontSize: 9,
        },
      ]
    }),
  ])
}
