/** Everybody's results as a table: one row a person, for a CSV file or a spreadsheet. */
import { printPoints, type Verdict } from '@able-gauge/core'
import { byBib, type Day } from '../day/day.ts'
import { chipOf, figureOf, wordFor } from '../ui/verdictWords.ts'

type Cell = string | number | null

export interface ResultTable {
  readonly heading: readonly string[]
  readonly rows: readonly (readonly Cell[])[]
}

/** Figures are in base units, as their headings say, so that nothing is rounded on the way out. */
export const resultTable = (day: Day, verdicts: ReadonlyMap<string, Verdict>): ResultTable => {
  const { standard, occasion } = day
  const unitOf = (eventId: string): string => {
    for (const { marks } of verdicts.values()) {
      const mark = marks.find((one) => one.eventId === eventId)
      if (mark && 'unit' in mark) return mark.unit
    }
    return ''
  }
  return {
    heading: [
      'test_date',
      'bib',
      'number',
      'given_name',
      'family_name',
      'age',
      'category',
      'attendance',
      'verdict',
      'points',
      'class',
      ...standard.events.flatMap(({ id }) => [`${id}_${unitOf(id) || 'figure'}`, `${id}_mark`, `${id}_margin`]),
    ],
    rows: [...day.entries].sort(byBib).map((entry) => {
      const verdict = verdicts.get(entry.id)
      const marks = standard.events.map(({ id }) => verdict?.marks.find(({ eventId }) => eventId === id))
      return [
        occasion.testDate,
        entry.bib,
        entry.person.number,
        entry.person.givenName,
        entry.person.familyName,
        entry.ageYears,
        entry.category,
        entry.attendance,
        verdict ? chipOf(verdict).word : '',
        verdict?.points ? printPoints(verdict.points.centipoints) : '',
        verdict?.points?.className ?? '',
        ...marks.flatMap((mark): Cell[] =>
          mark ? [figureOf(mark), wordFor(mark), 'margin' in mark ? mark.margin : null] : [null, '', null],
        ),
      ]
    }),
  }
}
