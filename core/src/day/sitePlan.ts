/** The ground of a day as a plan to scale: where each event is, where people are briefed, where water and the defibrillator stand. */
import { Choice, NestedList, Optional, Slug, Text, Whole } from '../document/rules.ts'

export const SITE_MARKS = [
  'event',
  'muster',
  'briefing',
  'warmUp',
  'medical',
  'defibrillator',
  'water',
  'shade',
  'toilets',
] as const
export type SiteMarkKind = (typeof SITE_MARKS)[number]

/** Ten kilometres either way. */
const FARTHEST_MM = 10_000_000

export class SiteMark {
  @Slug() id!: string
  @Choice(SITE_MARKS) kind!: SiteMarkKind
  /** For an event alone. */
  @Optional() @Slug() eventId?: string
  /** Of its middle, from the left. */
  @Whole(0, FARTHEST_MM) xMm!: number
  /** Of its middle, from the top. */
  @Whole(0, FARTHEST_MM) yMm!: number
  /** Clockwise; left out, it lies across the page. */
  @Optional() @Whole(0, 359) turnDegrees?: number
  /** In words of one's own. */
  @Optional() @Text(60) label?: string
}

/** A way people walk, from one mark to another. */
export class SiteWay {
  @Slug() from!: string
  @Slug() to!: string
}

export class SitePlan {
  @Whole(5_000, FARTHEST_MM) widthMm!: number
  @Whole(5_000, FARTHEST_MM) depthMm!: number
  @NestedList(() => SiteMark, 0, 100) marks!: SiteMark[]
  @NestedList(() => SiteWay, 0, 100) ways!: SiteWay[]
}
