/** What has to agree between the parts of a standard before it means anything at all. */
import type { Finding } from '../document/finding.ts'
import { factsOf } from '../kinds/facts.ts'
import { isRead, suits } from '../quantity/unit.ts'
import { finding, repeatedIds } from '../document/contradiction.ts'
import { protocolContradictions } from './protocolContradictions.ts'
import { placedEvents, placedScorings, type PlacedEvent, type PlacedScoring } from './placed.ts'
import { placedValues } from './placedValues.ts'
import { schoolsFor } from './schools.ts'
import { bandListName, bandsOf, type Scoring } from './scoring.ts'
import type { Standard, StandardEvent } from './standard.ts'

/** @returns findings that each name their place; none when the document can be judged by */
export const contradictionsIn = (standard: Standard): Finding[] => [
  ...datesOf(standard),
  ...repeatedIds(standard.categories, (index) => `categories[${index}]`),
  ...repeatedIds(standard.roles ?? [], (index) => `roles[${index}]`),
  ...repeatedIds(standard.exemptions ?? [], (index) => `exemptions[${index}]`),
  ...eventIds(standard),
  ...placedEvents(standard).flatMap((placed) => [
    ...eventOf(placed),
    ...variantCategories(standard, placed),
    ...protocolContradictions(standard, placed),
  ]),
  ...placedScorings(standard).flatMap((placed) => scoringOf(standard, placed)),
  ...exemptionsOf(standard),
]

const datesOf = ({ ageRule, inForceFrom, inForceTo }: Standard): Finding[] => {
  const findings: Finding[] = []
  if ((ageRule.countedOn === 'fixedDate') !== (ageRule.fixedDate !== undefined)) {
    const expected = ageRule.countedOn === 'fixedDate' ? 'a date, because age is counted on a fixed date' : 'no date'
    findings.push(finding('ageRule.fixedDate', 'fixedDate', ageRule.fixedDate, expected))
  }
  if (inForceTo !== undefined && inForceTo < inForceFrom) {
    findings.push(finding('inForceTo', 'dateOrder', inForceTo, `a date on or after ${inForceFrom}`))
  }
  return findings
}

/** Events and alternates are referred to by the same kind of name, so none may be used twice. */
const eventIds = (standard: Standard): Finding[] => {
  const placed = placedEvents(standard)
  return repeatedIds(
    placed.map(({ event }) => event),
    (index) => placed[index]?.place ?? '',
  )
}

/** Whoever is in a category does the event in one form, and the category is one there is. */
const variantCategories = ({ categories }: Standard, { event: { variants = [] }, place }: PlacedEvent): Finding[] =>
  variants.flatMap(({ category }, index) => {
    if (category === undefined) return []
    const at = `${place}.variants[${index}].category`
    if (!categories.some(({ id }) => id === category))
      return [finding(at, 'category', category, 'a category of this standard')]
    return variants.findIndex((one) => one.category === category) < index
      ? [finding(at, 'category', category, 'a category no other variant is for')]
      : []
  })

const eventOf = ({ event, place }: PlacedEvent): Finding[] => {
  const { unit, name } = factsOf(event.protocol)
  return [
    ...repeatedIds(event.variants ?? [], (index) => `${place}.variants[${index}]`),
    ...(event.publishedIn === undefined || suits(unit, event.publishedIn) || isCourseIn(event)
      ? []
      : [
          finding(
            `${place}.publishedIn`,
            'publishedIn',
            event.publishedIn,
            `a unit for "${unit}", or none, for ${name}`,
          ),
        ]),
    ...(event.uncertainty === undefined || isRead(unit)
      ? []
      : [finding(`${place}.uncertainty`, 'uncertainty', event.uncertainty, `none, because ${name} is counted`)]),
  ]
}

/** A run, a swim or a chain is timed, and its distance may be published in feet, yards or miles. */
const isCourseIn = ({ protocol, publishedIn }: StandardEvent): boolean =>
  publishedIn !== 'lb' && ('distanceMm' in protocol || 'segments' in protocol || 'lineDistanceMm' in protocol)

const scoringOf = (standard: Standard, { event, scoring, scoringPlace: place }: PlacedScoring): Finding[] => {
  const facts = factsOf(event.protocol)
  const schools = schoolsFor(event.protocol, facts)
  if (!schools.includes(scoring.kind)) {
    return [finding(`${place}.kind`, 'school', scoring.kind, `one of ${schools.join(', ')} for ${facts.name}`)]
  }
  const unit =
    'unit' in scoring && scoring.unit !== facts.unit
      ? [finding(`${place}.unit`, 'unit', scoring.unit, `"${facts.unit}" for ${facts.name}`)]
      : []
  const list = bandListName(scoring.kind)
  const bands = bandsOf(scoring).flatMap((band, index) => bandOf(standard, band, `${place}.${list}[${index}]`))
  // only a reading from a foot line can be below zero
  const below = facts.unit === 'mm' ? [] : placedValues(event, scoring, place).filter(({ value }) => value < 0)
  return [
    ...unit,
    ...bands,
    ...figuresOf(scoring, facts, place),
    ...below.map((one) => finding(one.place, 'belowZero', one.value, 'a whole number from 0')),
  ]
}

const bandOf = (
  { categories, roles = [] }: Standard,
  { ageFrom, ageTo, category, role }: { ageFrom: number; ageTo?: number; category?: string; role?: string },
  place: string,
): Finding[] => [
  ...(category === undefined || categories.some(({ id }) => id === category)
    ? []
    : [finding(`${place}.category`, 'category', category, 'a category of this standard')]),
  ...(role === undefined || roles.some(({ id }) => id === role)
    ? []
    : [finding(`${place}.role`, 'role', role, 'a role of this standard')]),
  ...(ageTo === undefined || ageTo >= ageFrom
    ? []
    : [finding(`${place}.ageTo`, 'ageOrder', ageTo, `an age from ${ageFrom}`)]),
]

type Facts = ReturnType<typeof factsOf>

const figuresOf = (scoring: Scoring, facts: Facts, place: string): Finding[] => {
  switch (scoring.kind) {
    case 'singleCut':
      return cutOf(facts, scoring, place)
    case 'cutByBand':
      return scoring.rows.flatMap((row, index) => cutOf(facts, row, `${place}.rows[${index}]`))
    case 'pointsTable':
      return scoring.pointsRounding !== undefined && scoring.between === 'lowerRow'
        ? [
            finding(
              `${place}.pointsRounding`,
              'pointsRounding',
              scoring.pointsRounding,
              'none, because points are not interpolated',
            ),
          ]
        : []
    case 'normClasses':
      return [
        ...repeatedIds(scoring.classes, (index) => `${place}.classes[${index}]`),
        ...scoring.bands.flatMap(({ from }, index) =>
          from.length === scoring.classes.length - 1
            ? []
            : [
                finding(
                  `${place}.bands[${index}].from`,
                  'classCount',
                  from,
                  `${scoring.classes.length - 1} values, one for each class but the lowest`,
                ),
              ],
        ),
      ]
    case 'completion':
      return scoring.atMost !== undefined && facts.unit !== 'ms'
        ? [finding(`${place}.atMost`, 'limit', scoring.atMost, 'no limit, because the task has no time')]
        : []
    default:
      return []
  }
}

const cutOf = ({ sense, name }: Facts, cut: { atLeast?: number; atMost?: number }, place: string): Finding[] => {
  const other = sense === 'atLeast' ? 'atMost' : 'atLeast'
  return [
    ...(cut[sense] === undefined
      ? [finding(`${place}.${sense}`, 'cut', undefined, `a cut, because ${name} is judged by "${sense}"`)]
      : []),
    ...(cut[other] === undefined
      ? []
      : [finding(`${place}.${other}`, 'cut', cut[other], `no "${other}", because ${name} is judged by "${sense}"`)]),
  ]
}

const exemptionsOf = ({ exemptions = [], events }: Standard): Finding[] =>
  exemptions.flatMap(({ eventIds, effect, fixedCentipoints }, index) => [
    ...eventIds.flatMap((id, at) =>
      events.some((event) => event.id === id)
        ? []
        : [finding(`exemptions[${index}].eventIds[${at}]`, 'event', id, 'an event of this standard')],
    ),
    ...((effect === 'fixed') === (fixedCentipoints !== undefined)
      ? []
      : [
          finding(
            `exemptions[${index}].fixedCentipoints`,
            'fixedPoints',
            fixedCentipoints,
            effect === 'fixed'
              ? 'points, because the event counts with fixed points'
              : 'none, because the event is left out',
          ),
        ]),
  ])
