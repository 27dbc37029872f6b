/** All papers of a day as one file: what is needed when every device fails. */
import {
  cardBoxes,
  kitList,
  printDate,
  rulesOf,
  saySetOut,
  setOut,
  startingLists,
  waveSheet,
  type DayPlan,
  type KitRule,
  type StandardEvent,
  type StationCode,
  type Timetable,
  type WaveSheet,
} from '@able-gauge/core'
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces'
import { byBib, eventFor, eventName, fullName, wavesOf, type Day, type Entry } from '../../day/day.ts'
import { cell, INK_2, markColumn, page, rule, say } from '../../handout/pdfParts.ts'
import { clockAt } from '../clockAt.ts'
import { boxLabels, numbersTo } from './boxLabels.ts'
import { boxed, heading, lines, part, table } from './paperParts.ts'
import { siteSheet } from './siteSheet.ts'

export interface PapersOf {
  readonly day: Day
  readonly plan: DayPlan
  readonly timetable: Timetable
  /** Codes that were made for stations, with the address each opens. */
  readonly codes: readonly { readonly station: StationCode; readonly address: string }[]
  readonly kit: readonly KitRule[] | undefined
  /** Of the house as a data address; empty for none. */
  readonly mark: string
}

export const papersPdf = (papers: PapersOf): TDocumentDefinitions => {
  const { day, mark } = papers
  const { name, venue, testDate } = day.occasion
  const parts: readonly (readonly [title: string, content: readonly Content[]])[] = [
    ['Run sheet', runSheet(papers)],
    ...(papers.plan.site ? [['Site plan', siteSheet(papers.day, papers.plan, papers.plan.site)] as const] : []),
    ['Starting lists', startPages(papers)],
    ['Station cards', stationPages(papers)],
    ['Strike-off sheets', wavePages(papers)],
    ['Score cards', cardPages(papers)],
    ['Kit list', kitPages(papers)],
  ]
  const filled = parts.filter(([, content]) => content.length > 0)
  return {
    ...page(`${name}, papers`, [
      { columns: [...markColumn(mark), say(day.standard.organisation, { bold: true })], columnGap: 10 },
      rule(),
      say(name, { fontSize: 18, bold: true, margin: [0, 10, 0, 0] }),
      say(`${venue}, ${printDate(testDate)}. ${day.standard.name}, version ${day.standard.version}.`, { color: INK_2 }),
      ...filled.flatMap(([title, content], index) => [
        { ...part(title), ...(index === 0 ? {} : { pageBreak: 'before' as const }) } as Content,
        ...content,
      ]),
    ]),
  }
}

const staffOf = ({ day, plan }: PapersOf, eventId: string): string =>
  (plan.events.find((one) => one.eventId === eventId)?.staff ?? [])
    .flatMap((id) => day.staff.find(({ accountId }) => accountId === id)?.displayName ?? [])
    .join(', ')

const runSheet = (papers: PapersOf): Content[] => {
  const { day, plan, timetable } = papers
  const placeOf = (id: string): string => plan.events.find(({ eventId }) => eventId === id)?.place ?? ''
  return [
    ...plan.days.flatMap(({ musterAt, startsAt }, index) => [
      heading(`${plan.days.length > 1 ? `Day ${index + 1}: ` : ''}Muster ${musterAt}, events from ${startsAt}`),
      table(
        ['From', 'To', 'Event', 'Wave', 'Where', 'Who works it'],
        timetable.sittings
          .filter((sitting) => sitting.day === index)
          .sort((a, b) => a.startMs - b.startMs)
          .map(({ startMs, endMs, eventId, wave }) => [
            clockAt(startsAt, startMs),
            clockAt(startsAt, endMs),
            eventName(day, eventId),
            String(wave),
            placeOf(eventId),
            staffOf(papers, eventId),
          ]),
        [34, 34, '*', 30, '*', '*'],
      ),
    ]),
    heading('Staff'),
    ...lines(day.staff.map(({ displayName, duty }) => `${displayName}: ${duty}`)),
    heading('Keep in sight'),
    ...lines([
      'Medical cover, defibrillator and water are in place before the first start. Chest pain, faintness, confusion, injury or a request to stop ends an attempt at once.',
      'Your organisation’s rules and its clinicians decide; this sheet only reminds.',
    ]),
  ]
}

const entriesOf = ({ day }: PapersOf): ReadonlyMap<string, Entry> =>
  new Map(day.entries.map((entry) => [entry.id, entry]))
const bibOf = (entry: Entry | undefined): string => String(entry?.bib ?? '')

const startPages = (papers: PapersOf): Content[] => {
  const { day, plan, timetable } = papers
  const entries = entriesOf(papers)
  const ids = day.standard.events.map(({ id }) => id)
  return startingLists(ids, timetable).map(({ eventId, wave, day: at, lines: own }) => ({
    unbreakable: own.length < 30,
    stack: [
      heading(`${eventName(day, eventId)}, wave ${wave}`),
      table(
        ['Starts', 'Station', 'Bib', 'Name', 'Here', 'Started at'],
        own.map(({ startMs, station, entryId }) => {
          const entry = entries.get(entryId)
          const startsAt = plan.days[at]?.startsAt ?? '09:00'
          return [clockAt(startsAt, startMs), String(station), bibOf(entry), entry ? fullName(entry) : '', '', '']
        }),
        [36, 40, 30, '*', 34, 90],
      ),
    ],
  }))
}

const stationPages = ({ day, plan, codes }: PapersOf): Content[] =>
  day.standard.events.flatMap((event, index) => {
    const ground = plan.events.find(({ eventId }) => eventId === event.id)?.ground
    const set = ground && setOut(event.protocol, ground)
    const own = codes.filter(({ station }) => station.eventIds.includes(event.id))
    return [
      {
        stack: [
          heading(`${index + 1}. ${event.name}`),
          ...(own.length > 0
            ? [
                {
                  columns: own.map(({ station, address }) => [
                    { qr: address, fit: 74 },
                    say(`${station.code}, ${station.role}`, { fontSize: 8 }),
                  ]),
                },
              ]
            : []),
          ...lines(rulesOf(event.protocol, event.publishedIn)),
          ...(set ? [say('Ground', { bold: true, margin: [0, 4, 0, 0] }), ...lines(saySetOut(set))] : []),
          ...titled('Read out', event.protocol.readOut),
          ...titled('Watch for', event.cautions),
          say('Chest pain, faintness, confusion, injury or a request to stop ends the attempt at once.', {
            bold: true,
            margin: [0, 4, 0, 8],
          }),
        ],
        unbreakable: true,
      },
    ]
  })

const titled = (title: string, texts: readonly string[] = []): Content[] =>
  texts.length === 0 ? [] : [say(title, { bold: true, margin: [0, 4, 0, 0] }), ...lines(texts)]

const wavePages = ({ day }: PapersOf): Content[] =>
  day.standard.events.flatMap((event) => {
    const sheet = waveSheet(event)
    return sheet ? wavesOf(day).map((wave) => waveTable(day, event, wave, sheet)) : []
  })

const waveTable = (day: Day, event: StandardEvent, wave: number, sheet: WaveSheet): Content => {
  const people = day.entries.filter((entry) => entry.wave === wave).sort(byBib)
  return {
    stack: [
      heading(`${event.name}, wave ${wave}`),
      say('Started at ____ : ____ : ____   by watch ________   counted by ____________________', { fontSize: 9 }),
      sheet.kind === 'laps'
        ? boxed(
            ['Bib', 'Name', `Strike each of the ${sheet.what}`, 'Time'],
            people.map((entry) => [bibOf(entry), fullName(entry), numbersTo(sheet.laps), '']),
            [28, 130, '*', 70],
          )
        : boxed(
            ['Level', 'Shuttles, strike each', 'Bibs that stopped in it, with the shuttle'],
            sheet.shuttles.map((shuttles, at) => [String(at + 1), numbersTo(shuttles), '']),
            [34, 190, '*'],
          ),
    ],
  }
}

/** So many boxes beside each other; more go into another row. */
const BOXES_A_ROW = 6

const cardPages = ({ day }: PapersOf): Content[] =>
  [...day.entries].sort(byBib).map((entry) => ({
    unbreakable: true,
    margin: [0, 0, 0, 14],
    stack: [
      {
        columns: [
          say(bibOf(entry) || '____', { fontSize: 20, bold: true, width: 60 }),
          say(`${fullName(entry)}\n${entry.person.number}, wave ${entry.wave}`),
        ],
      },
      ...day.standard.events.flatMap((event): Content[] => {
        const done = eventFor(day, event, entry)
        const boxes = cardBoxes(done)
        return [
          say(done.name, { bold: true, fontSize: 9, margin: [0, 4, 0, 1] }),
          ...(boxes.strike ? [say(numbersTo(boxes.strike.upTo), { fontSize: 7.5 })] : []),
          boxRows(boxLabels(boxes)),
        ]
      }),
    ],
  }))

const boxRows = (labels: readonly string[]): Content => {
  const rows: TableCell[][] = []
  for (let at = 0; at < labels.length; at += BOXES_A_ROW) {
    const row = labels.slice(at, at + BOXES_A_ROW).map((label) => cell(label, { fontSize: 6.5, color: INK_2 }))
    rows.push([...row, ...Array.from({ length: BOXES_A_ROW - row.length }, () => cell(''))])
  }
  return {
    table: { widths: Array.from({ length: BOXES_A_ROW }, () => '*'), heights: 20, body: rows },
    margin: [0, 1, 0, 0],
  }
}

const kitPages = ({ day, plan, kit }: PapersOf): Content[] => [
  boxed(
    ['Packed', 'How many', 'What', 'For'],
    kitList(day.standard, plan, day.entries.length, kit).map(({ item, count, events }) => [
      '',
      String(count),
      item,
      events.join(', ') || 'the whole day',
    ]),
    [44, 56, '*', '*'],
  ),
]
