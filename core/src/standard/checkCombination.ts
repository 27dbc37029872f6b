/** Checks how marks combine: totals and classes that can be reached and missed, and something to judge. */
import { printPoints } from '../quantity/unit.ts'
import { eventsThatCanBeMissed } from './canBeMissed.ts'
import type { PointsTotal } from './combination.ts'
import type { Remark } from '../document/remark.ts'
import type { Scoring } from './scoring.ts'
import type { Standard } from './standard.ts'

export const checkCombination = (standard: Standard): Remark[] => {
  const { combination, events } = standard
  switch (combination.kind) {
    case 'everyEventMet':
      return eventsThatCanBeMissed(standard).includes(true) ? [] : [nothingJudged('Every event is met by taking part.')]
    case 'pointsTotal':
      return checkTotal(standard, combination)
    case 'bestOf': {
      const judged = eventsThatCanBeMissed(standard).filter((can) => can).length
      if (judged === 0) return [nothingJudged('No event can be short.')]
      return combination.eventsToMeet <= judged
        ? []
        : [
            {
              place: 'combination.eventsToMeet',
              code: 'tooManyToMeet',
              severity: 'error',
              what: `${combination.eventsToMeet} events have to be met, but only ${judged} of ${events.length} can be met or missed.`,
              example: 'Nobody could meet the standard.',
              mend: 'Lower the number, or judge more events.',
              remedy: { label: `Ask for ${judged}`, edits: [{ place: 'combination.eventsToMeet', value: judged }] },
            },
          ]
    }
    case 'tookPart': {
      const at = events.findIndex(({ scoring }) => hasCut(scoring))
      return at < 0
        ? []
        : [
            {
              place: `events[${at}].scoring`,
              code: 'judgedForNothing',
              severity: 'warning',
              what: `${events[at]?.name} has a cut, but the verdict only asks whether people took part.`,
              example: 'Somebody short in it would read "Took part".',
              mend: 'Combine by "every event has to be met", or score the event by classes or effort.',
            },
          ]
    }
  }
}

/** Points without a minimum make nobody short. */
const hasCut = ({ kind }: Scoring): boolean => kind === 'singleCut' || kind === 'cutByBand' || kind === 'relativeCut'

const nothingJudged = (what: string): Remark => ({
  place: 'combination',
  code: 'nothingJudged',
  severity: 'warning',
  what,
  example: 'Somebody who only took part would read "Met".',
  mend: 'Combine by "taking part", or give an event a cut.',
  remedy: { label: 'Combine by taking part', edits: [{ place: 'combination', value: { kind: 'tookPart' } }] },
})

const checkTotal = (
  { events }: Standard,
  { totalCentipoints, minimumEachCentipoints = 0, classes = [] }: PointsTotal,
): Remark[] => {
  const withPoints = events.filter(({ scoring }) => rangeOf(scoring) !== null)
  if (withPoints.length === 0) {
    return [
      {
        place: 'combination',
        code: 'totalUnreachable',
        severity: 'error',
        what: 'Points are added, but no event gives points.',
        example: `Nobody could reach ${printPoints(totalCentipoints)}.`,
        mend: 'Score events by a points table or a rule, or combine in another way.',
      },
    ]
  }
  let [most, least] = [0, 0]
  for (const { scoring, minimumCentipoints } of withPoints) {
    const range = rangeOf(scoring)
    if (!range) continue
    most += range.most
    // a minimum beyond the table is told at its own place
    least += Math.min(range.most, Math.max(range.least, minimumCentipoints ?? minimumEachCentipoints))
  }
  return [
    ...(totalCentipoints > most
      ? [
          {
            place: 'combination.totalCentipoints',
            code: 'totalUnreachable' as const,
            severity: 'error' as const,
            what: `${printPoints(totalCentipoints)} points are asked, but all events together give ${printPoints(most)} at most.`,
            example: 'Somebody with full points everywhere would be short.',
            mend: 'Lower the total, or look for a slipped digit.',
          },
        ]
      : []),
    ...(totalCentipoints > 0 && totalCentipoints <= least
      ? [
          {
            place: 'combination.totalCentipoints',
            code: 'totalAlwaysReached' as const,
            severity: 'warning' as const,
            what: `${printPoints(totalCentipoints)} points in total cannot be missed by anybody who has the least in each event (${printPoints(least)} together).`,
            example: 'The total decides nothing.',
            mend: 'Raise the total, or leave the minimum to decide alone.',
          },
        ]
      : []),
    ...checkTotalClasses(classes, totalCentipoints, most),
  ]
}

const inOrder = (classes: NonNullable<PointsTotal['classes']>): object[] =>
  [...classes].sort((a, b) => a.fromCentipoints - b.fromCentipoints)

const checkTotalClasses = (classes: NonNullable<PointsTotal['classes']>, total: number, most: number): Remark[] =>
  classes.flatMap(({ name, fromCentipoints }, index): Remark[] => {
    const place = `combination.classes[${index}].fromCentipoints`
    const below = classes[index - 1]
    if (below && fromCentipoints <= below.fromCentipoints) {
      return [
        {
          place,
          code: 'classesOutOfOrder',
          severity: 'error',
          what: `${name} begins at ${printPoints(fromCentipoints)}, not above ${printPoints(below.fromCentipoints)} of ${below.name}.`,
          example: `Somebody with ${printPoints(below.fromCentipoints)} points would be in both.`,
          mend: 'List the classes from the lowest up.',
          ...(new Set(classes.map((one) => one.fromCentipoints)).size === classes.length
            ? {
                remedy: {
                  label: 'Put the classes in order',
                  edits: [{ place: 'combination.classes', value: inOrder(classes) }],
                },
              }
            : {}),
        },
      ]
    }
    const next = classes[index + 1]
    const isEmpty = next !== undefined && next.fromCentipoints > fromCentipoints && next.fromCentipoints <= total
    if (fromCentipoints <= most && !isEmpty) return []
    return [
      {
        place,
        code: 'classUnreachable',
        severity: fromCentipoints > most ? 'error' : 'warning',
        what:
          fromCentipoints > most
            ? `${name} begins at ${printPoints(fromCentipoints)}, but all events together give ${printPoints(most)} at most.`
            : `Nobody who meets the standard can be in ${name}: it ends where ${printPoints(total)} in total are asked.`,
        example: `No total falls into ${name}.`,
        mend: 'Look for a slipped digit in where the class begins.',
      },
    ]
  })

/** The least and the most hundredths of a point a scoring gives, over all bands. */
const rangeOf = (scoring: Scoring): { readonly least: number; readonly most: number } | null => {
  if (scoring.kind === 'pointsByRule') return { least: scoring.floorCentipoints ?? 0, most: scoring.fullCentipoints }
  if (scoring.kind !== 'pointsTable') return null
  const all = scoring.bands.flatMap(({ rows }) => rows.map(({ centipoints }) => centipoints))
  return { least: scoring.floorCentipoints ?? 0, most: Math.max(...all) }
}
