/** What a person takes home, as plain data: each event with its figure, cut, margin, estimates, what comes next. */
import {
  endsOf,
  estimatesFor,
  gaugeScale,
  kindOf,
  positionOn,
  printDate,
  printEstimate,
  printMargin,
  printPoints,
  printQuantity,
  readingOf,
  retestDate,
  stepLine,
  type Mark,
  type Protocol,
  type Verdict,
} from '@able-gauge/core'
import { candidateFrom, eventName, fullName, protocolFor, type Day, type Entry } from '../day/day.ts'
import { dateAndTime } from '../ui/localTime.ts'
import { recordLine } from './recordLine.ts'
import { sayRuled } from '../day/sayRuled.ts'
import { chipOf, figureOf, markerOf, wordFor } from '../ui/verdictWords.ts'

export interface SheetGauge {
  /** Places on the strip, from 0 to 1. */
  readonly cutAt: number
  readonly valueAt: number | null
  /** Which side of the cut meets it. */
  readonly metSide: 'before' | 'after'
  readonly state: 'good' | 'short' | 'decide'
  readonly from: string
  readonly to: string
  readonly cut: string
}

export interface SheetEvent {
  readonly name: string
  readonly figure: string
  /** Met, short, points, class, or why there is none. */
  readonly word: string
  readonly margin: string
  readonly points: string
  readonly next: string
  readonly gauge: SheetGauge | null
  readonly reasons: readonly string[]
  readonly estimates: readonly string[]
}

export interface ResultSheet {
  readonly organisation: string
  readonly place: string
  readonly name: string
  readonly about: string
  readonly verdict: string
  readonly because: readonly string[]
  readonly events: readonly SheetEvent[]
  /** Points in total, class, what the next class takes; empty without points. */
  readonly points: string
  readonly retest: string
  readonly judgedBy: string
  readonly amended: readonly string[]
  /** Where the own page opens, to be scanned; empty for none. */
  readonly ownPage: string
}

/** @param ownPage address of the person's own page; empty for none */
export const resultSheet = (day: Day, entry: Entry, verdict: Verdict, ownPage = ''): ResultSheet => {
  const { standard, occasion } = day
  return {
    ownPage,
    organisation: standard.organisation,
    place: `${occasion.venue}, ${printDate(occasion.testDate)}`,
    name: fullName(entry),
    about: `Bib ${entry.bib ?? 'none'}, number ${entry.person.number}, age ${entry.ageYears}`,
    verdict: chipOf(verdict).word,
    because: verdict.trace.map(stepLine),
    events: verdict.marks.map((mark) => sheetEvent(day, entry, mark)),
    points: sayPoints(verdict),
    retest: `Earliest retest ${printDate(retestDate(standard, occasion.testDate))}, with the same set-up.`,
    judgedBy: `${standard.name}, version ${standard.version}, in force from ${printDate(standard.inForceFrom)}. ${
      occasion.signedOff
        ? `Signed by ${occasion.signedOff.by}, ${dateAndTime(occasion.signedOff.atMs, occasion.zone)}. `
        : ''
    }${recordLine(day)}`,
    amended: day.amendments
      .filter(({ entryId }) => entryId === entry.id)
      .map(
        (each) =>
          `Amended to ${sayRuled(day, each)} by ${each.by}, ${dateAndTime(each.atMs, occasion.zone)}: ${each.reason}`,
      ),
  }
}

const sheetEvent = (day: Day, entry: Entry, mark: Mark): SheetEvent => {
  const figure = figureOf(mark)
  const unit = 'unit' in mark ? mark.unit : 'count'
  const points = 'points' in mark && mark.points ? mark.points : null
  return {
    name: eventName(day, mark.eventId),
    figure: figure === null ? '' : printQuantity(figure, unit, mark.cut?.publishedIn),
    word: wordFor(mark),
    margin: 'margin' in mark ? sayMargin(mark.margin, mark.unit) : '',
    points: points ? `${printPoints(points.centipoints)} of ${printPoints(points.fullCentipoints)} points` : '',
    next: sayNext(mark),
    gauge: sheetGauge(mark, protocolFor(day, mark.eventId, entry)),
    reasons: mark.trace.map(stepLine),
    estimates: estimatesOf(day, entry, mark),
  }
}

const sayMargin = (margin: number, unit: Parameters<typeof printMargin>[1]): string => {
  // what is done or not has nothing to spare
  if (unit === 'done') return ''
  if (margin === 0) return 'exactly on the cut'
  return margin < 0 ? `short by ${printMargin(margin, unit)}` : `${printMargin(margin, unit)} to spare`
}

const sayNext = (mark: Mark): string => {
  if (!('next' in mark) || !mark.next) return ''
  const { value, unit, gives } = mark.next
  const what = gives.kind === 'class' ? gives.name : `${printPoints(gives.centipoints)} points`
  return `${printQuantity(value, unit)} would give ${what}`
}

const sayPoints = ({ points }: Verdict): string => {
  if (!points) return ''
  const { centipoints, asked, className, nextClass } = points
  const total = `${printPoints(centipoints)} points, ${printPoints(asked)} asked`
  const next = nextClass ? `; ${nextClass.name} from ${printPoints(nextClass.fromCentipoints)}` : ''
  return `${total}${className === null ? '' : `; class ${className}`}${next}.`
}

const sheetGauge = (mark: Mark, protocol: Protocol | undefined): SheetGauge | null => {
  const { cut } = mark
  if (!cut) return null
  const scale = gaugeScale(cut, protocol && kindOf(protocol).scale?.(protocol))
  const [from, to] = endsOf(scale)
  const figure = figureOf(mark)
  return {
    cutAt: positionOn(scale, cut.value),
    valueAt: figure === null ? null : positionOn(scale, figure),
    metSide: cut.sense === 'atMost' ? 'before' : 'after',
    state: markerOf(mark),
    from: printQuantity(from, cut.unit),
    to: printQuantity(to, cut.unit),
    cut: printQuantity(cut.value, cut.unit, cut.publishedIn),
  }
}

const estimatesOf = (day: Day, entry: Entry, mark: Mark): string[] => {
  const protocol = protocolFor(day, mark.eventId, entry)
  const reading = readingOf(mark)
  if (!protocol || !reading || !('measured' in mark) || mark.measured === null) return []
  return estimatesFor(protocol, mark.measured, reading, candidateFrom(entry)).map(
    (estimate) => `${printEstimate(estimate)}. An estimate decides nothing.`,
  )
}
