/** A site plan measured: how much ground each event takes, how long the ways are, how far help is. */
import type { SiteMark, SiteMarkKind, SitePlan, SiteWay } from '../day/sitePlan.ts'
import type { MeasuredGround } from '../day/measuredGround.ts'
import type { Finding } from '../document/finding.ts'
import type { Standard } from '../standard/standard.ts'
import type { DayPlan } from './dayPlan.ts'

export const SITE_MARK_NAMES: Readonly<Record<SiteMarkKind, string>> = {
  event: 'Event',
  muster: 'Muster',
  briefing: 'Briefing',
  warmUp: 'Warm-up',
  medical: 'Medical cover',
  defibrillator: 'Defibrillator',
  water: 'Water',
  shade: 'Shade',
  toilets: 'Toilets',
}

/** How much ground something takes, and in which form it is drawn. */
export interface Footprint {
  readonly shape: 'loop' | 'line' | 'area'
  readonly alongMm: number
  readonly acrossMm: number
}

/** A mat, a table, a step with room to move round it. */
const STATION_MM = 4_000
const LANE_MM = 2_500

/**
 * @param ground as it was measured; undefined where nothing is laid out
 * @param stations side by side
 */
export const footprintOf = (ground: MeasuredGround | undefined, stations = 1): Footprint => {
  switch (ground?.shape) {
    case 'loop': {
      // two straights and two half circles, a quarter of the lap each, as most tracks have
      const radiusMm = Math.round(ground.lengthMm / 4 / Math.PI)
      return { shape: 'loop', alongMm: Math.round(ground.lengthMm / 4) + 2 * radiusMm, acrossMm: 2 * radiusMm }
    }
    case 'outAndBack':
    case 'shuttle':
    case 'straight':
      return { shape: 'line', alongMm: ground.lengthMm, acrossMm: LANE_MM * stations }
    default:
      return { shape: 'area', alongMm: STATION_MM * stations, acrossMm: STATION_MM }
  }
}

const MARGIN_MM = 5_000
/** Along the lower edge, for briefing, help and water. */
const STRIP_MM = 10_000

/** A plan to begin with: every event under the one before, in the order of the battery, on ground that holds them all. */
export const firstSite = (standard: Pick<Standard, 'events'>, plan: Pick<DayPlan, 'events'>): SitePlan => {
  const footprints = standard.events.map(({ id }) => footprintIn(plan, id))
  const widthMm = 2 * MARGIN_MM + inWholeMetres(Math.max(...footprints.map(({ alongMm }) => alongMm), 20_000))
  let nextMm = MARGIN_MM
  const marks = standard.events.map(({ id }, index): SiteMark => {
    const { acrossMm } = footprints[index] ?? { acrossMm: STATION_MM }
    const yMm = nextMm + Math.round(acrossMm / 2)
    nextMm += acrossMm + MARGIN_MM
    return { id: `at-${id}`.slice(0, 60), kind: 'event', eventId: id, xMm: Math.round(widthMm / 2), yMm }
  })
  return { widthMm, depthMm: inWholeMetres(Math.max(nextMm + STRIP_MM, 20_000)), marks, ways: [] }
}

const inWholeMetres = (mm: number): number => Math.ceil(mm / 1_000) * 1_000

const footprintIn = ({ events }: Pick<DayPlan, 'events'>, eventId: string | undefined): Footprint => {
  const planned = events.find((one) => one.eventId === eventId)
  return footprintOf(planned?.ground, planned?.stations)
}

/** What a mark takes; anything but an event is a point on the ground. */
export const footprintAt = (plan: Pick<DayPlan, 'events'>, mark: SiteMark): Footprint | null =>
  mark.kind === 'event' ? footprintIn(plan, mark.eventId) : null

/** Straight from middle to middle, mm, to the nearest; null where an end is not there any more. */
export const wayLengthMm = ({ marks }: Pick<SitePlan, 'marks'>, { from, to }: SiteWay): number | null => {
  const [a, b] = [marks.find(({ id }) => id === from), marks.find(({ id }) => id === to)]
  return a && b ? Math.round(Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)) : null
}

/** How far help is from where it is farthest. */
export interface FarthestEvent {
  readonly eventId: string
  readonly distanceMm: number
}

/**
 * The event that is farthest from the nearest mark of a kind: from the middle of what it takes, to which half of its length comes on
 * top, since somebody may lie at its end.
 * @returns null where no event or no such mark is placed
 */
export const farthestFrom = (
  site: SitePlan,
  plan: Pick<DayPlan, 'events'>,
  kind: SiteMarkKind,
): FarthestEvent | null => {
  const helpers = site.marks.filter((mark) => mark.kind === kind)
  if (helpers.length === 0) return null
  const reaches = site.marks.flatMap((mark): FarthestEvent[] => {
    if (mark.eventId === undefined) return []
    const { alongMm } = footprintIn(plan, mark.eventId)
    const nearest = Math.min(...helpers.map(({ xMm, yMm }) => Math.hypot(xMm - mark.xMm, yMm - mark.yMm)))
    return [{ eventId: mark.eventId, distanceMm: Math.round(nearest + alongMm / 2) }]
  })
  return reaches.reduce<FarthestEvent | null>((far, one) => (far && far.distanceMm >= one.distanceMm ? far : one), null)
}

export type SiteFinding =
  | { readonly code: 'notPlaced'; readonly eventId: string }
  | { readonly code: 'missing'; readonly kind: SiteMarkKind }
  | { readonly code: 'outside'; readonly mark: SiteMark }

/** What every site has, whatever the tests. */
const NEEDED: readonly SiteMarkKind[] = ['muster', 'briefing', 'medical', 'defibrillator', 'water']

export const siteFindings = (
  standard: Pick<Standard, 'events'>,
  plan: Pick<DayPlan, 'events'>,
  { widthMm, depthMm, marks }: SitePlan,
): SiteFinding[] => [
  ...standard.events
    .filter(({ id }) => !marks.some(({ eventId }) => eventId === id))
    .map(({ id }) => ({ code: 'notPlaced' as const, eventId: id })),
  ...NEEDED.filter((kind) => !marks.some((mark) => mark.kind === kind)).map((kind) => ({
    code: 'missing' as const,
    kind,
  })),
  ...marks.flatMap((mark) => {
    const { alongMm, acrossMm } = footprintAt(plan, mark) ?? { alongMm: 0, acrossMm: 0 }
    const turn = ((mark.turnDegrees ?? 0) * Math.PI) / 180
    const [halfX, halfY] = [
      (Math.abs(alongMm * Math.cos(turn)) + Math.abs(acrossMm * Math.sin(turn))) / 2,
      (Math.abs(alongMm * Math.sin(turn)) + Math.abs(acrossMm * Math.cos(turn))) / 2,
    ]
    const isOutside =
      mark.xMm - halfX < -1 || mark.xMm + halfX > widthMm + 1 || mark.yMm - halfY < -1 || mark.yMm + halfY > depthMm + 1
    return isOutside ? [{ code: 'outside' as const, mark }] : []
  }),
]

/** What contradicts itself in a site plan that is sent. @param place of it in the body */
export const siteContradictions = (
  { marks, ways }: SitePlan,
  eventIds: readonly string[],
  place: string,
): Finding[] => {
  const ids = marks.map(({ id }) => id)
  const finding = (at: string, code: string, found: string, expected: string): Finding => ({
    place: `${place}.${at}`,
    code,
    found,
    expected,
  })
  return [
    ...marks.flatMap(({ id, kind, eventId }, index) => [
      ...(ids.indexOf(id) < index ? [finding(`marks[${index}].id`, 'repeated', id, 'an id of its own')] : []),
      ...((kind === 'event') === (eventId !== undefined)
        ? []
        : [finding(`marks[${index}].eventId`, 'event', eventId ?? 'nothing', 'an event where the mark is one')]),
      ...(eventId === undefined || eventIds.includes(eventId)
        ? []
        : [finding(`marks[${index}].eventId`, 'unknown', eventId, `one of ${eventIds.join(', ')}`)]),
    ]),
    ...ways.flatMap(({ from, to }, index) =>
      [from, to]
        .filter((id) => !ids.includes(id))
        .map((id) => finding(`ways[${index}]`, 'unknown', id, 'ids of two marks')),
    ),
  ]
}
