/** The officer's sheet of the whole group: figures, doubtful cases, conditions, staff, set-up, signatures. */
import {
  confirmationOf,
  printDate,
  printQuantity,
  recordsOf,
  saySetOut,
  setOut,
  type Verdict,
  printHeat,
} from '@able-gauge/core'
import { bibAndName, byBib, fullName, type Day } from '../day/day.ts'
import { dateAndTime } from '../ui/localTime.ts'
import { recordLine } from './recordLine.ts'
import { sayRuled } from '../day/sayRuled.ts'
import { chipOf, figureOf, wordFor } from '../ui/verdictWords.ts'

export interface GroupSheet {
  readonly title: string
  readonly about: string
  readonly events: readonly string[]
  /** Bib, name, a cell for each event, verdict. */
  readonly rows: readonly (readonly string[])[]
  readonly sections: readonly { readonly title: string; readonly lines: readonly string[] }[]
}

export const groupSheet = (day: Day, verdicts: ReadonlyMap<string, Verdict>): GroupSheet => {
  const { occasion, standard } = day
  return {
    title: occasion.name,
    about: `${occasion.venue}, ${printDate(occasion.testDate)}. ${standard.organisation}: ${standard.name}, version ${standard.version}. Content hash ${day.standardHash}.`,
    events: standard.events.map(({ name }) => name),
    rows: [...day.entries]
      .sort(byBib)
      .map((entry) => rowOf(day, entry.id, verdicts.get(entry.id), String(entry.bib ?? ''), fullName(entry))),
    sections: sectionsOf(day).filter(({ lines }) => lines.length > 0),
  }
}

const rowOf = (day: Day, entryId: string, verdict: Verdict | undefined, bib: string, name: string): string[] => {
  const attendance = day.entries.find(({ id }) => id === entryId)?.attendance
  if (attendance === 'absent' || attendance === 'withdrawn' || !verdict) {
    return [bib, name, ...day.standard.events.map(() => ''), attendance === 'withdrawn' ? 'withdrew' : 'absent']
  }
  const cells = verdict.marks.map((mark) => {
    const figure = figureOf(mark)
    const unit = 'unit' in mark ? mark.unit : 'count'
    return figure === null ? wordFor(mark) : `${printQuantity(figure, unit)} ${wordFor(mark)}`
  })
  return [bib, name, ...cells, chipOf(verdict).word]
}

const sectionsOf = (day: Day): GroupSheet['sections'] => {
  const { occasion, standard, records, staff, amendments } = day
  const at = (atMs: number): string => dateAndTime(atMs, occasion.zone)
  const nameOf = (entryId: string): string => {
    const entry = day.entries.find(({ id }) => id === entryId)
    return entry ? bibAndName(entry, fullName) : ''
  }
  return [
    {
      title: 'Conditions and briefing',
      lines: [
        ...recordsOf(records, 'conditions').map(
          ({ content, actor, atMs }) =>
            `${printHeat(content.airDeciC)}, ${content.humidityPercent} % humidity, ${content.surface}. ${actor}, ${at(atMs)}`,
        ),
        ...recordsOf(records, 'heatDecided').map(
          ({ content, actor, atMs }) => `Heat: ${content.decision}. ${content.reason} ${actor}, ${at(atMs)}`,
        ),
        ...recordsOf(records, 'briefed').map(
          ({ content, actor, atMs }) =>
            `Briefing${content.wave === undefined ? '' : ` to wave ${content.wave}`}. ${actor}, ${at(atMs)}`,
        ),
      ],
    },
    {
      title: 'Set-up',
      lines: standard.events.flatMap(({ id, name, protocol }) => {
        const ground = day.plan?.plan.events.find(({ eventId }) => eventId === id)?.ground
        const set = ground && setOut(protocol, ground)
        return set ? [`${name}: ${saySetOut(set).join(' ')}`] : []
      }),
    },
    {
      title: 'Holds and protests',
      lines: [
        ...recordsOf(records, 'holdRaised').map(
          ({ content, actor, atMs }) => `Hold on ${nameOf(content.entryId)}. ${actor}, ${at(atMs)}`,
        ),
        ...recordsOf(records, 'holdLifted').map(
          ({ content, actor, atMs }) => `Hold lifted: ${content.reason}. ${actor}, ${at(atMs)}`,
        ),
        ...recordsOf(records, 'protested').map(
          ({ content, actor, atMs }) => `Protest of ${nameOf(content.entryId)}: ${content.text}. ${actor}, ${at(atMs)}`,
        ),
        ...recordsOf(records, 'protestAnswered').map(
          ({ content, actor, atMs }) => `Protest ${content.outcome}: ${content.reason}. ${actor}, ${at(atMs)}`,
        ),
      ],
    },
    { title: 'Staff', lines: staff.map(({ displayName, duty }) => `${displayName}: ${duty}`) },
    {
      title: 'Confirmed and signed',
      lines: [
        ...standard.events.flatMap(({ id, name }) => {
          const confirmed = confirmationOf(records, id)
          return confirmed ? [`${name} confirmed by ${confirmed.actor}, ${at(confirmed.atMs)}`] : []
        }),
        ...(occasion.signedOff ? [`Signed off by ${occasion.signedOff.by}, ${at(occasion.signedOff.atMs)}`] : []),
        recordLine(day),
        ...amendments.map(
          (each) =>
            `Amended: ${nameOf(each.entryId)} to ${sayRuled(day, each)}, ${each.reason}. ${each.by}, ${at(each.atMs)}`,
        ),
      ],
    },
  ]
}
