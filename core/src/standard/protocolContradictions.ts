/** What has to agree inside a protocol. */
import type { Finding } from '../document/finding.ts'
import { finding } from '../document/contradiction.ts'
import { kindOf } from '../kinds/kinds.ts'
import type { PlacedEvent } from './placed.ts'
import type { Standard } from './standard.ts'

export const protocolContradictions = (standard: Standard, { event, place: eventPlace }: PlacedEvent): Finding[] => {
  const { protocol } = event
  const place = `${eventPlace}.protocol`
  const categories = standard.categories.map(({ id }) => id)
  return [
    ...announcementsOf(protocol.announcements ?? [], place),
    ...(kindOf(protocol).contradictions?.(protocol, place, categories) ?? []),
  ]
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
