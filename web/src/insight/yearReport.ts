/** A year's report for the command: what the figures say in sentences, the figures, how they were made, and from which signed days. */
import {
  columnWidth,
  perSquare,
  printDate,
  type EventCount,
  type GradersAnswer,
  type GroupedBy,
  type InsightAnswer,
  type InsightDay,
} from '@able-gauge/core'
import { LEAST_IN_GROUP, sayGroup, wilson, type ComparedGroup } from '@able-gauge/core/statistics'
import type { CanvasElement, Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { cell, INK, INK_2, LINE, markColumn, MET, page, rule, say, SHORT, VEST } from '../handout/pdfParts.ts'
import { printEnd } from './eventWords.ts'
import { MOST_SQUARES } from './squares.ts'
import { groupsBy, saidOf, type Compared } from './useOverview.ts'

export interface YearReport {
  readonly organisation: string
  /** What is reported on: a year, or days. */
  readonly period: string
  /** The data address of the house's mark; empty for none. */
  readonly mark: string
  readonly madeOn: string
  readonly answer: InsightAnswer
  readonly eventGroups: Compared
  readonly graders: GradersAnswer | null
  readonly days: readonly InsightDay[]
}

const h2 = (text: string): Content => say(text, { fontSize: 13, bold: true, margin: [0, 16, 0, 4] })
const note = (text: string): Content => say(text, { color: INK_2, fontSize: 8.5, margin: [0, 4, 0, 0] })

export const yearReport = (report: YearReport): TDocumentDefinitions => {
  const { organisation, period, mark, madeOn, answer, eventGroups, graders } = report
  const title = `${answer.standardName}, ${period}`
  const sentences = saidOf(answer, eventGroups, graders)
  return {
    ...page(title, [
      { columns: [say(organisation, { bold: true }), ...markColumn(mark)] },
      rule(),
      say(title, { fontSize: 20, bold: true, margin: [0, 10, 0, 0] }),
      say(
        `${answer.results} results of ${answer.people} people on ${answer.days} signed days. Made on ${printDate(madeOn)}.`,
        { color: INK_2 },
      ),
      h2('What the figures say'),
      ...sentences.map(({ text, advice }) =>
        say(advice === undefined ? text : `${text} ${advice}`, { margin: [0, 0, 0, 3] }),
      ),
      h2('Event by event'),
      ...answer.events.flatMap(({ eventId }) => eventPart(answer, eventId)),
      ...decisivePart(answer),
      ...(['unit', 'category', 'age'] as const).flatMap((by) => groupPart(answer, by)),
      h2('How the figures were made'),
      note(
        `Only signed days count, as they stand with every amendment; rehearsals never do. A share is of those who met it or fell short; whoever is open, withdrawn, disqualified or did not finish is told apart. Ranges are 95 % after Wilson (1927). Groups are held against the highest rate: the four-fifths rule of thumb, Fisher's exact test (1935), adjusted for several comparisons after Holm (1979). Results are counted, not persons.`,
      ),
      note(
        `Under ${LEAST_IN_GROUP} results nothing is said of a group, and no comparison is made. Figures show where to look; what the work asks, and the law, decide.`,
      ),
      ...daysPart(report),
    ]),
    footer: (current, count) =>
      say(`${title}   ${current} of ${count}`, {
        alignment: 'right',
        margin: [0, 8, 40, 0],
        fontSize: 8,
        color: INK_2,
      }),
  }
}

const STRIP_WIDTH = 312

const eventPart = (answer: InsightAnswer, eventId: string): Content[] => {
  const event = answer.events.find((one) => one.eventId === eventId)
  const count = answer.byEvent.find((one) => one.eventId === eventId)
  if (!event || !count) return []
  const judged = count.met + count.short
  const { low, high } = wilson(count.met, judged)
  const share = judged === 0 ? '' : `${Math.round((100 * count.met) / judged)} %`
  const range = judged === 0 ? '' : `95 %: ${Math.round(100 * low)} to ${Math.round(100 * high)} %`
  const others = [
    count.ended > 0 ? `${count.ended} ended` : '',
    count.open > 0 ? `${count.open} open` : '',
    count.near > 0 ? `${count.near} near the cut` : '',
  ].filter((part) => part !== '')
  return [
    {
      columns: [
        {
          width: 105,
          stack: [
            say(event.name, { bold: true }),
            say([`${judged} judged`, ...others].join(', '), { color: INK_2, fontSize: 8 }),
          ],
        },
        { width: STRIP_WIDTH + 10, stack: stripPart(count, event) },
        {
          width: '*',
          stack: [
            say(share, { bold: true, fontSize: 14, alignment: 'right' }),
            say(range, { color: INK_2, fontSize: 8, alignment: 'right' }),
          ],
        },
      ],
      columnGap: 8,
      unbreakable: true,
      margin: [0, 4, 0, 2],
    },
  ]
}

const stripPart = (count: EventCount, event: InsightAnswer['events'][number]): Content[] => {
  const { strip } = count
  if (!strip) return []
  const [pitch, up, base] = [STRIP_WIDTH / strip.bins, 2.7, 40]
  const wide = Math.min(pitch - 0.7, 1.8 * (up - 0.6))
  const each = perSquare(strip.columns, MOST_SQUARES)
  const squares = strip.columns.flatMap((column): CanvasElement[] => {
    const kinds = (['met', 'scored', 'short'] as const).flatMap((kind) =>
      Array.from({ length: Math.ceil(column[kind] / each) }, () => kind),
    )
    return kinds.map((kind, row) => {
      const at = {
        type: 'rect' as const,
        x: column.at * pitch,
        y: base - 1 - (row + 1) * up,
        w: wide,
        h: up - 0.6,
      }
      return kind === 'short' ? { ...at, lineWidth: 0.7, lineColor: SHORT } : { ...at, lineWidth: 0, color: MET }
    })
  })
  const isLessBetter = strip.by === 'value' && event.sense === 'atMost'
  const x = (value: number): number => ((value - strip.from) / (strip.to - strip.from)) * STRIP_WIDTH
  const cutAt = x((strip.cut ?? 0) + (isLessBetter ? columnWidth(strip) : 0))
  const cut: CanvasElement[] =
    strip.cut === null
      ? []
      : [{ type: 'line', x1: cutAt, y1: 0, x2: cutAt, y2: base + 6, lineWidth: 1.4, lineColor: INK }]
  return [
    {
      canvas: [
        { type: 'rect', x: 0, y: base, w: STRIP_WIDTH, h: 5, lineWidth: 0.6, lineColor: LINE },
        ...squares,
        ...cut,
      ],
    },
    {
      columns: [
        say(printEnd(strip, strip.from, event), { fontSize: 7.5, color: INK_2 }),
        say(strip.cut === null ? '' : `cut ${strip.by === 'margin' ? 'of each' : printEnd(strip, strip.cut, event)}`, {
          fontSize: 7.5,
          alignment: 'center',
        }),
        say(printEnd(strip, strip.to, event), { fontSize: 7.5, color: INK_2, alignment: 'right' }),
      ],
    },
    ...(each > 1 ? [say(`A square is ${each} people.`, { fontSize: 7, color: INK_2 })] : []),
  ]
}

const decisivePart = ({ combinations, events }: InsightAnswer): Content[] => {
  if (combinations.length === 0) return []
  const nameOf = (id: string): string => events.find(({ eventId }) => eventId === id)?.name ?? id
  return [
    h2('What decides'),
    {
      table: {
        widths: ['*', 50],
        body: combinations
          .slice(0, 8)
          .map(({ eventIds, results }) => [
            cell(`Short in ${eventIds.map(nameOf).join(' and ')}`),
            cell(String(results), { alignment: 'right', bold: true }),
          ]),
      },
      layout: 'lightHorizontalLines',
      fontSize: 9,
    },
  ]
}

const GROUP_TITLES: Readonly<Partial<Record<GroupedBy, string>>> = {
  unit: 'By unit',
  category: 'By category',
  age: 'By age',
}
const RATE_WIDTH = 170

const groupPart = (answer: InsightAnswer, by: GroupedBy): Content[] => {
  const groups = groupsBy(answer, by)
  if (groups.length === 0) return []
  const rows = groups.map((group): Content => ({
    columns: [
      { width: RATE_WIDTH + 10, canvas: rateCanvas(group) },
      { width: '*', stack: [say(sayGroup(group), { fontSize: 9 })] },
    ],
    unbreakable: true,
    margin: [0, 2, 0, 2],
  }))
  const [first = '', ...others] = rows
  // a heading stays with what it heads
  return [{ stack: [h2(GROUP_TITLES[by] ?? ''), first], unbreakable: true }, ...others]
}

const rateCanvas = ({ rate, interval, reading }: ComparedGroup): CanvasElement[] => {
  const x = (share: number): number => share * RATE_WIDTH
  const ruled: CanvasElement = { type: 'line', x1: 0, y1: 7, x2: RATE_WIDTH, y2: 7, lineWidth: 0.6, lineColor: LINE }
  if (reading === 'tooFew') return [ruled]
  return [
    ruled,
    { type: 'line', x1: x(interval.low), y1: 7, x2: x(interval.high), y2: 7, lineWidth: 1.4, lineColor: INK },
    { type: 'rect', x: x(rate) - 3, y: 1.5, w: 6, h: 11, r: 1, color: VEST, lineWidth: 1, lineColor: INK },
  ]
}

const daysPart = ({ days }: YearReport): Content[] => [
  h2('The signed days'),
  {
    table: {
      headerRows: 1,
      widths: ['auto', '*', '*', 40, 'auto'],
      body: [
        ['Date', 'Day', 'Venue', 'Results', 'Fingerprint'].map((text) => cell(text, { color: INK_2 })),
        ...days.map(({ testDate, name, venue, results, fingerprint }) => [
          cell(printDate(testDate)),
          cell(name),
          cell(venue),
          cell(String(results), { alignment: 'right' }),
          cell(fingerprint, { font: 'Mono', fontSize: 7 }),
        ]),
      ],
    },
    layout: 'lightHorizontalLines',
    fontSize: 8.5,
  },
]
