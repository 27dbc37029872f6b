/** able-gauge report: what a file of results says of a standard: rates, the event that decides, groups. */
import { judgeResultRowPlainly, readResultRow, type Standard } from '@able-gauge/core'
import {
  LEAST_IN_GROUP,
  passReport,
  sayGroup,
  type Interval,
  type JudgedPerson,
  type PassReport,
} from '@able-gauge/core/statistics'
import { complainOf, openResultsFile } from './input.ts'
import { EXIT, type Output } from './output.ts'

/** Reports on every row that can be read; others are told with line and column, and are in no figure. */
export const reportFile = async (
  standard: Standard,
  file: string,
  isJson: boolean,
  output: Output,
): Promise<number> => {
  const results = await openResultsFile(file, standard, output)
  if (results === null) return EXIT.unusable
  const people: JudgedPerson[] = []
  let refused = 0
  for await (const some of results) {
    for (const { read, line } of some) {
      const judged = read.ok ? judgeResultRowPlainly(standard, read.row, line) : read
      const person = read.ok ? readResultRow(standard, read.row, line) : read
      if (judged.ok && person.ok) {
        const { category, ageYears } = person.row.candidate
        const events = Object.fromEntries(
          judged.marks.flatMap(({ eventId, kind }) => (kind === 'met' || kind === 'short' ? [[eventId, kind]] : [])),
        )
        people.push({ outcome: judged.verdict.outcome, category, ageYears, events })
      } else {
        refused += 1
        if (!judged.ok) complainOf(file, judged.findings, output)
      }
    }
  }
  if (people.length === 0) {
    output.complain(`${file} holds no row that can be judged.`)
    return EXIT.findings
  }
  const report = passReport(
    people,
    standard.events.map(({ id }) => id),
    standard.categories,
  )
  output.out(isJson ? JSON.stringify(report) : inWords(standard, report))
  if (refused > 0)
    output.complain(
      `${refused} ${refused === 1 ? 'row was refused and is' : 'rows were refused and are'} in no figure.`,
    )
  return refused > 0 ? EXIT.findings : EXIT.fine
}

export const percent = (share: number): string => `${(100 * share).toFixed(1)} %`
const between = ({ low, high }: Interval): string => `95 % between ${percent(low)} and ${percent(high)}`

const inWords = (standard: Standard, report: PassReport): string => {
  const nameOf = (id: string): string => standard.events.find((event) => event.id === id)?.name ?? id
  const others = Object.entries(report.others).map(([outcome, count]) => `${count} ${outcome}`)
  const [first] = [...report.events].sort((a, b) => b.decides - a.decides)
  return [
    `${standard.name}, version ${standard.version}: ${report.people} people.`,
    report.judged === 0
      ? 'Nobody met it or was short.'
      : `${report.met} of ${report.judged} met it: ${percent(report.met / report.judged)}, ${between(report.interval)}.`,
    ...(others.length > 0 ? [`In no rate: ${others.join(', ')}.`] : []),
    '',
    'By event',
    ...report.events.map(({ eventId, met, of, interval }) =>
      of === 0
        ? `  ${nameOf(eventId)}: judged for nobody.`
        : `  ${nameOf(eventId)}: ${met} of ${of}, ${percent(met / of)}, ${between(interval)}.`,
    ),
    '',
    ...(first && first.decides > 0
      ? [
          `${nameOf(first.eventId)} decides most: ${first.decides} of ${report.judged - report.met} who were short were short in it, ${first.decidesAlone} in it alone.`,
          ...report.combinations.map(({ eventIds, people }) => `  ${eventIds.map(nameOf).join(' and ')}: ${people}`),
          '',
        ]
      : []),
    'By category',
    ...report.byCategory.map((group) => `  ${sayGroup(group)}`),
    'By age',
    ...report.byAge.map((group) => `  ${sayGroup(group)}`),
    `Groups under ${LEAST_IN_GROUP} people are too small to say. Chance is by Fisher's exact test against the highest rate, adjusted after Holm; intervals are Wilson's.`,
  ].join('\n')
}
