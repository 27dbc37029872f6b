/** A standard as it is printed, whatever prints it: a page, a sheet, a file. */
import { KIND_NAMES } from '../kinds/kinds.ts'
import { factsOf } from '../kinds/facts.ts'
import { printLength } from '../quantity/length.ts'
import { printMass } from '../quantity/mass.ts'
import { printDate } from '../quantity/printDate.ts'
import { printSeconds, printTime } from '../quantity/time.ts'
import { printPoints, printQuantity } from '../quantity/unit.ts'
import { COMBINATION_NAMES } from '../standard/combination.ts'
import type { Scoring } from '../standard/scoring.ts'
import type { Standard, StandardEvent } from '../standard/standard.ts'
import { rulesOf } from '../words/describeProtocol.ts'
import { sayOrder } from '../words/sayOrder.ts'

export interface PrintedEvent {
  readonly id: string
  readonly name: string
  readonly kind: string
  /** How it is conducted. */
  readonly rules: readonly string[]
  /** The scoring of the event, then that of each variant with its name. */
  readonly scorings: readonly { readonly heading: string; readonly scoring: Scoring }[]
  /** What else is asked: least points, alternates. */
  readonly asked: readonly string[]
  readonly cautions: readonly string[]
  /** For whoever works it: what is read out, kit, notes. */
  readonly forStaff: readonly string[]
  /** Empty where no rest is stated. */
  readonly rest: string
}

export interface PrintedStandard {
  readonly organisation: string
  readonly name: string
  readonly about: string
  readonly events: readonly PrintedEvent[]
  readonly alternates: readonly PrintedEvent[]
  /** How marks combine, how age is counted, how sure readings are, when a retest is. */
  readonly judging: readonly string[]
}

export const printStandard = (standard: Standard): PrintedStandard => ({
  organisation: standard.organisation,
  name: standard.name,
  about: `Version ${standard.version}, in force from ${printDate(standard.inForceFrom)}${standard.inForceTo ? ` to ${printDate(standard.inForceTo)}` : ''}. ${standard.source}`,
  events: standard.events.map((event) => printEvent(standard, event)),
  alternates: (standard.alternateEvents ?? []).map((event) => printEvent(standard, event)),
  judging: [
    ...combinationLines(standard),
    ...sayOrder(standard),
    ...(standard.exemptions ?? []).map((exemption) => exemptionLine(standard, exemption)),
    ageLine(standard),
    uncertaintyLine(standard),
    ...outcomeLine(standard),
    `Retest from ${standard.retest.earliestAfterDays} days after${standard.retest.repeats === 'shortEvents' ? ', of the events that were short' : ''}.`,
  ],
})

const BY = { band: 'by band', choice: 'by choice', medicalProfile: 'on a medical profile' } as const
const EFFORT = { maximal: 'maximal', submaximal: 'submaximal', skill: 'skill' } as const

const printEvent = (standard: Standard, event: StandardEvent): PrintedEvent => {
  const { protocol, kit = [], restAfterMs } = event
  const { notes, readOut = [] } = protocol
  return {
    id: event.id,
    name: event.name,
    kind: KIND_NAMES[protocol.kind],
    rules: rulesOf(protocol, event.publishedIn),
    scorings: [
      { heading: '', scoring: event.scoring },
      ...(event.variants ?? []).map(({ name, scoring, category }) => {
        const called = standard.categories.find(({ id }) => id === category)?.name ?? category
        return { heading: `Variant: ${name}${called === undefined ? '' : `, for everybody in ${called}`}`, scoring }
      }),
    ],
    asked: [
      ...surenessLine(event),
      ...(event.minimumCentipoints ? [`At least ${printPoints(event.minimumCentipoints)} points.`] : []),
      ...(event.alternates ?? []).map(({ eventId, allowedBy }) => {
        const name = standard.alternateEvents?.find(({ id }) => id === eventId)?.name ?? eventId
        return `${name} may stand in its place, ${BY[allowedBy]}.`
      }),
    ],
    cautions: event.cautions ?? [],
    forStaff: [
      ...readOut,
      ...(kit.length > 0 ? [`Kit: ${kit.join(', ')}.`] : []),
      ...(notes
        ? [
            `Measures: ${notes.measures} (${EFFORT[notes.effort]}). ${notes.peopleAtOnce} at once, ${notes.secondsEach} s each.${notes.repeatability ? ` ${notes.repeatability.figure}, ${notes.repeatability.source}` : ''}`,
          ]
        : []),
    ],
    rest: restAfterMs ? `Then rest at least ${printTime(restAfterMs)}.` : '',
  }
}

const surenessLine = ({ uncertainty, protocol }: StandardEvent): string[] => {
  if (uncertainty === undefined) return []
  return [
    uncertainty === 0
      ? 'Its readings are taken as exact.'
      : `Its readings are good to about ${printQuantity(uncertainty, factsOf(protocol).unit)}.`,
  ]
}

const combinationLines = ({ combination: how, events }: Standard): string[] => [
  `${COMBINATION_NAMES[how.kind]}.`,
  ...(how.kind === 'pointsTotal'
    ? [
        `At least ${printPoints(how.totalCentipoints)} points in total${how.minimumEachCentipoints ? `, and ${printPoints(how.minimumEachCentipoints)} in each event` : ''}.`,
        ...(how.classes?.length
          ? [
              `Classes: ${how.classes.map(({ name, fromCentipoints }) => `${name} from ${printPoints(fromCentipoints)}`).join(', ')}.`,
            ]
          : []),
      ]
    : []),
  ...(how.kind === 'bestOf' ? [`${how.eventsToMeet} of ${events.length} have to be met.`] : []),
  ...(how.safetyBreachOverrides ? ['A breach of safety makes the verdict short whatever the figures.'] : []),
]

const exemptionLine = (
  { events }: Standard,
  { name, eventIds, effect, fixedCentipoints = 0 }: NonNullable<Standard['exemptions']>[number],
): string =>
  `${name}: ${eventIds.map((id) => events.find((event) => event.id === id)?.name ?? id).join(', ')} ${
    effect === 'removed' ? 'left out.' : `counts with ${printPoints(fixedCentipoints)} points.`
  }`

const COUNTED_ON = {
  testDate: 'on the day of the test',
  fixedDate: 'on a fixed date',
  endOfCalendarYear: 'at the end of the calendar year',
} as const

const ageLine = ({ ageRule: { countedOn, fixedDate, leapDayBirthday } }: Standard): string =>
  `Age is counted ${COUNTED_ON[countedOn]}${fixedDate ? ` (${printDate(fixedDate)})` : ''}. Somebody born on 29 February has their birthday on ${leapDayBirthday} in other years.`

const uncertaintyLine = ({
  uncertainty: { handTimingMs, lengthMm, massG, pulseBpm, nearTheCut },
}: Standard): string => {
  const sure = [
    `hand timing ${printSeconds(handTimingMs)}`,
    ...(lengthMm ? [`lengths ${printLength(lengthMm)}`] : []),
    ...(massG ? [`masses ${printMass(massG)}`] : []),
    ...(pulseBpm ? [`a pulse ${pulseBpm} beats a minute`] : []),
  ]
  return `Readings are good to about: ${sure.join(', ')}. Nearer to the cut than that, ${nearTheCut === 'decide' ? 'a person decides' : 'the mark is flagged'}.`
}

const outcomeLine = ({ outcomeWords = {} }: Standard): string[] => {
  const words = Object.values(outcomeWords).filter((word) => typeof word === 'string')
  return words.length > 0 ? [`Words for the outcomes: ${words.join(', ')}.`] : []
}
