/** A hundred and fifty made-up people as a records office has them: one workbook, names with letters of many countries. */
import writeXlsxFile from 'write-excel-file/node'

export const HEADINGS = ['Service number', 'First name', 'Surname', 'Born', 'Sex', 'Division', 'Rank']
export const HEADS = 150

const GIVEN = ['Jörg', 'Ása', 'Zoë', 'Łukasz', 'Ñuria']
const person = (index: number): (string | Date)[] => [
  `H-${100 + index}`,
  GIVEN[index % GIVEN.length] ?? '',
  `Müller-${index}`,
  new Date(Date.UTC(1990 + (index % 12), index % 12, 1 + (index % 28))),
  index % 2 === 0 ? 'female' : 'male',
  index % 3 === 0 ? 'Quay watch' : 'Harbour Police',
  'Constable',
]

export const peopleWorkbook = async (): Promise<Buffer> => {
  const cells = Array.from({ length: HEADS }, (_, index) => person(index))
  const rows = [HEADINGS, ...cells].map((row) =>
    row.map((value) => (value instanceof Date ? { value, format: 'yyyy-mm-dd' } : { value })),
  )
  return writeXlsxFile(rows).toBuffer()
}

/** A file as an ordinary spreadsheet program writes it. */
export const latinCsv = (...lines: string[]): Buffer => Buffer.from(lines.join('\r\n'), 'latin1')
