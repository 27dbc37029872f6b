/** What has to agree inside a protocol. */
import type { Finding } from '../document/finding.ts'
import { finding, repeatedIds } from './disagreementFinding.ts'
import type { PlacedEvent } from './placed.ts'
import type { Standard } from './standard.ts'

export const protocolDisagreements = (standard: Standard, { event, place: eventPlace }: PlacedEvent): Finding[] => {
  const { protocol } = event
  const place = `${eventPlace}.protocol`
  return [...announcementsOf(protocol.announcements ?? [], place), ...ownOf(standard, protocol, place)]
}

const announcementsOf = (
  announcements: readonly { atLap?: number; atMs?: number; atMm?: number }[],
  place: string,
): Finding[] =>
  announcements.flatMap(({ atLap, atMs, atMm }, index) =>
    [atLap, atMs, atMm].filter((at) => at !== undefined).length === 1
      ? []
      : [
          finding(
            `${place}.announcements[${index}]`,
            'oneMoment',
            { atLap, atMs, atMm },
            'exactly one of atLap, atMs and atMm',
          ),
        ],
  )

const ownOf = (standard: Standard, protocol: PlacedEvent['event']['protocol'], place: string): Finding[] => {
  switch (protocol.kind) {
    case 'repetitionsInTime':
    case 'repetitionsToFailure':
    case 'repetitionsToCadence':
      return repeatedIds(protocol.refusals, (index) => `${place}.refusals[${index}]`)
    case 'progressiveShuttle':
      return (protocol.speeds === undefined) === (protocol.levels === undefined)
        ? [finding(`${place}.speeds`, 'schedule', protocol.speeds, 'either speeds or levels')]
        : []
    case 'sprint':
      return protocol.handCorrectionMs !== undefined && protocol.timing === 'electronic'
        ? [
            finding(
              `${place}.handCorrectionMs`,
              'handCorrection',
              protocol.handCorrectionMs,
              'none, because no time is taken by hand',
            ),
          ]
        : []
    case 'attempts':
      return [
        ...((protocol.sides === 'each') === (protocol.ofSides !== undefined)
          ? []
          : [
              finding(
                `${place}.ofSides`,
                'sides',
                protocol.ofSides,
                protocol.sides === 'each' ? 'what the two sides amount to' : 'nothing, because one side is measured',
              ),
            ]),
        ...(protocol.unit !== 'mm' && (protocol.lessStandingReach || protocol.zero !== undefined)
          ? [finding(`${place}.unit`, 'offset', protocol.unit, '"mm", because an offset is taken off')]
          : []),
      ]
    case 'stationCourse':
      return repeatedIds(protocol.stations, (index) => `${place}.stations[${index}]`)
    case 'workChain':
      return [
        ...repeatedIds(protocol.segments, (index) => `${place}.segments[${index}]`),
        ...protocol.segments.flatMap(({ distanceMm, repetitions }, index) =>
          (distanceMm === undefined) === (repetitions === undefined)
            ? [
                finding(
                  `${place}.segments[${index}]`,
                  'oneWork',
                  { distanceMm, repetitions },
                  'exactly one of distanceMm and repetitions',
                ),
              ]
            : [],
        ),
      ]
    case 'stepTest':
      return (protocol.heights ?? []).flatMap(({ category }, index) =>
        standard.categories.some(({ id }) => id === category)
          ? []
          : [finding(`${place}.heights[${index}].category`, 'category', category, 'a category of this standard')],
      )
    case 'bodyMeasures': {
      const { measures, judged } = protocol
      return [
        ...repeatedIds(measures, (index) => `${place}.measures[${index}]`),
        ...(judged && !measures.some(({ id }) => id === judged.id)
          ? [finding(`${place}.judged.id`, 'judged', judged.id, 'a measure that is taken')]
          : []),
      ]
    }
    default:
      return []
  }
}
