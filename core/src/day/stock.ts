/** What an organisation keeps for every day: venues with their measured ground, kit, groups of staff. */
import { Choice, NestedList, Text, Uuid, Whole } from '../document/rules.ts'
import { MeasuredGround } from './measuredGround.ts'

/** Ground of a venue that was measured once: a track, a loop, two lines in a hall. */
export class VenueGround extends MeasuredGround {
  @Text(80) name!: string
}

export class Venue {
  @Text(120) name!: string
  /** IANA zone. */
  @Text(60) zone!: string
  @NestedList(() => VenueGround, 0, 20) grounds!: VenueGround[]
}

/** What a count of kit goes by. */
const KIT_PER = ['day', 'station', 'head'] as const
export type KitPer = (typeof KIT_PER)[number]

/** Something that has to be brought to every day. */
export class KitRule {
  @Text(120) item!: string
  @Choice(KIT_PER) per!: KitPer
  /** For each of them. */
  @Whole(1, 1_000) count!: number
  /** In hundredths of the whole, rounded up. */
  @Whole(0, 100) sparePercent!: number
}

export class GroupMember {
  @Uuid() accountId!: string
  @Text(80) duty!: string
}

/** People who often work together. */
export class StaffGroup {
  @Text(80) name!: string
  @NestedList(() => GroupMember, 1, 100) members!: GroupMember[]
}

/** What experience asks for, until the organisation says otherwise: a tenth more of what gets lost or wet. */
export const FIRST_KIT: readonly Readonly<KitRule>[] = [
  { item: 'Bib', per: 'head', count: 1, sparePercent: 10 },
  { item: 'Paper score card, in case the devices fail', per: 'head', count: 1, sparePercent: 10 },
  { item: 'Station card', per: 'station', count: 1, sparePercent: 0 },
  { item: 'Clipboard and pencil', per: 'station', count: 1, sparePercent: 0 },
  { item: 'First aid kit', per: 'day', count: 1, sparePercent: 0 },
  { item: 'Defibrillator', per: 'day', count: 1, sparePercent: 0 },
  { item: 'Water, litres', per: 'head', count: 1, sparePercent: 0 },
]
