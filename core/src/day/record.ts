/**
 * The day's log beside the captures: conditions, briefings, holds, protests, confirmations, cards keyed in. Entries of the log
 * are only ever added, as captures are; what stands is worked out from all of them.
 */
import {
  CalendarDate,
  Choice,
  FreeText,
  NestedList,
  OneOf,
  Optional,
  Slug,
  SlugList,
  Text,
  Uuid,
  Whole,
} from '../document/rules.ts'

/** Measured at the venue. Temperatures in tenths of a degree Celsius. */
export class Conditions {
  @Choice(['conditions']) kind!: 'conditions'
  @Whole(-600, 600) airDeciC!: number
  @Whole(0, 100) humidityPercent!: number
  @Optional() @Whole(0, 300) windKmh?: number
  /** From an instrument, when there is one. */
  @Optional() @Whole(-600, 600) wbgtDeciC?: number
  @Optional() @Whole(-500, 9_000) altitudeM?: number
  @Text(120) surface!: string
  /** What was worn. */
  @FreeText(200) worn!: string
}

export const HEAT_DECISIONS = ['go', 'change', 'stop'] as const

/** Whether the day goes on in this heat or cold, by a person with a name. */
export class HeatDecided {
  @Choice(['heatDecided']) kind!: 'heatDecided'
  @Choice(HEAT_DECISIONS) decision!: (typeof HEAT_DECISIONS)[number]
  @Text(500) reason!: string
}

/** The briefing was read and understood. */
export class Briefed {
  @Choice(['briefed']) kind!: 'briefed'
  /** Events that were explained; none for the general part alone. */
  @SlugList(0, 40) eventIds!: string[]
  /** The wave it was read to; everybody when left out. */
  @Optional() @Whole(1, 999) wave?: number
}

/** A reason somebody may not start yet. */
class HoldRaised {
  @Choice(['holdRaised']) kind!: 'holdRaised'
  @Uuid() entryId!: string
  @Text(300) reason!: string
}

class HoldLifted {
  @Choice(['holdLifted']) kind!: 'holdLifted'
  /** The record that raised it. */
  @Uuid() holdId!: string
  @Text(300) reason!: string
}

/** A grader or timer says that an event is complete and right as it stands. */
export class EventConfirmed {
  @Choice(['eventConfirmed']) kind!: 'eventConfirmed'
  @Slug() eventId!: string
  @FreeText(300) note!: string
}

class Protested {
  @Choice(['protested']) kind!: 'protested'
  @Uuid() entryId!: string
  @Slug() eventId!: string
  /** In the candidate's words. */
  @Text(1_000) text!: string
}

class ProtestAnswered {
  @Choice(['protestAnswered']) kind!: 'protestAnswered'
  /** The record of the protest. */
  @Uuid() protestId!: string
  @Choice(['upheld', 'dismissed']) outcome!: 'upheld' | 'dismissed'
  @Text(1_000) reason!: string
}

/** One figure of a card: whose, which, and as it stands there in the base unit. */
export class KeyedFigure {
  @Uuid() entryId!: string
  @Slug() slot!: string
  @Whole(-100_000, 1_000_000_000) value!: number
}

/** The cards of an event as one person keyed them in, to be laid beside what another keys. */
export class CardsKeyed {
  @Choice(['cardsKeyed']) kind!: 'cardsKeyed'
  @Slug() eventId!: string
  @NestedList(() => KeyedFigure, 1, 5_000) figures!: KeyedFigure[]
}

/** The officer opens the day on another date than it was planned for: what is captured then belongs to it. */
class DayOpened {
  @Choice(['dayOpened']) kind!: 'dayOpened'
  @CalendarDate() date!: string
  @Text(300) reason!: string
}

/** The server noticed that its wall clock was set, by how much, while the day was under way. It writes this itself. */
class ClockStepped {
  @Choice(['clockStepped']) kind!: 'clockStepped'
  @Whole(-4_000_000_000_000, 4_000_000_000_000) byMs!: number
}

export const RECORDS = {
  conditions: Conditions,
  heatDecided: HeatDecided,
  briefed: Briefed,
  holdRaised: HoldRaised,
  holdLifted: HoldLifted,
  eventConfirmed: EventConfirmed,
  protested: Protested,
  protestAnswered: ProtestAnswered,
  cardsKeyed: CardsKeyed,
  dayOpened: DayOpened,
  clockStepped: ClockStepped,
} as const

export type RecordKind = keyof typeof RECORDS
export type DayRecordContent = { [Kind in RecordKind]: Readonly<InstanceType<(typeof RECORDS)[Kind]>> }[RecordKind]

/** What a screen sends. */
export class RecordDocument {
  /** UUID made by the sender; sent twice, it is kept once. */
  @Uuid() id!: string
  @OneOf(RECORDS) content!: DayRecordContent
}

/** An entry of the log as it is kept. */
export interface DayRecordEntry {
  readonly id: string
  /** Number within the day, without gaps. */
  readonly seq: number
  readonly content: DayRecordContent
  readonly actorId: string
  readonly actor: string
  readonly atMs: number
}

type Kept<Kind extends RecordKind> = DayRecordEntry & {
  readonly content: Extract<DayRecordContent, { readonly kind: Kind }>
}

/** Entries of one kind, oldest first. */
export const recordsOf = <Kind extends RecordKind>(records: readonly DayRecordEntry[], kind: Kind): Kept<Kind>[] =>
  records.filter((record): record is Kept<Kind> => record.content.kind === kind)

/** Holds that nobody has lifted. */
export const openHolds = (records: readonly DayRecordEntry[]): Kept<'holdRaised'>[] => {
  const lifted = new Set(recordsOf(records, 'holdLifted').map(({ content }) => content.holdId))
  return recordsOf(records, 'holdRaised').filter(({ id }) => !lifted.has(id))
}

/** Protests that nobody has answered. */
export const openProtests = (records: readonly DayRecordEntry[]): Kept<'protested'>[] => {
  const answered = new Set(recordsOf(records, 'protestAnswered').map(({ content }) => content.protestId))
  return recordsOf(records, 'protested').filter(({ id }) => !answered.has(id))
}

/** Who confirmed an event last, or undefined. */
export const confirmationOf = (
  records: readonly DayRecordEntry[],
  eventId: string,
): Kept<'eventConfirmed'> | undefined =>
  recordsOf(records, 'eventConfirmed').findLast(({ content }) => content.eventId === eventId)
