/** What an event kind has to offer. One folder holds it all; the table in kinds.ts closes the types away. */
import type { Capture, CaptureKind, Observation, Sensed } from '../capture/capture.ts'
import type { Signal } from '../clock/beats.ts'
import type { Finding } from '../document/finding.ts'
import type { Remark } from '../document/remark.ts'
import type { Estimate } from '../estimate/estimate.ts'
import type { FieldForm } from '../quantity/field.ts'
import type { Exact } from '../quantity/fraction.ts'
import type { PublishedUnit } from '../quantity/imperial.ts'
import type { Unit } from '../quantity/unit.ts'
import type { Refereed, Standing } from '../referee/attempt.ts'
import { cuesOf } from './cuesOf.ts'
import type { EndReason } from '../referee/ends.ts'
import type { Span } from '../referee/span.ts'
import type { Attempted, Call, Cue, Doubt, Person } from '../referee/referee.ts'
import { rulingOf, type Outside, type Ruling } from '../referee/ruling.ts'
import { attemptOf } from '../referee/stateAfter.ts'
import type { AskedGround } from './ground.ts'
import type { Stamped } from './stamped.ts'
import type { Note, Reading, ReadingStep } from './measure.ts'
import type { Ending, ProtocolBase } from './protocolBase.ts'
import type { Readings, Slot } from './slot.ts'
import type { Stage, Turn, WaveRunner } from './stage.ts'

/** `atLeast`: more is better and the cut is reached from below. `atMost`: less is better. */
export type Sense = 'atLeast' | 'atMost'

/** Values between which a figure can be meant seriously, both included. */
export interface Range {
  readonly least: number
  readonly most: number
}

/** What the figures of one person amount to. */
export interface Worked {
  readonly value: Exact
  /** Where it is another than the event's. */
  readonly unit?: Unit
  readonly steps: readonly ReadingStep[]
}

/** The figures themselves end the event. */
export interface EndedByFigures {
  readonly reason: EndReason
  /** Why, with its figures. */
  readonly notes: readonly Note[]
}

export interface EstimatedPerson {
  readonly ageYears: number
  /** Scoring category; formulas made for women or men are both shown unless it is one of "female" and "male". */
  readonly category: string
  readonly bodyMassG?: number
}

/** What an event is made of, while it is worked. */
export interface Progress {
  readonly what: 'repetitions' | 'laps' | 'lengths' | 'readings' | 'stations' | 'segments' | 'lifts'
  /** How many there are to be done, where that is known. */
  readonly of: number | null
}

export interface EvenSplit {
  readonly lap: number
  readonly distanceMm: number
  /** From the start; never later than an even pace, so that keeping them keeps the limit. */
  readonly atMs: number
  /** For this lap alone. */
  readonly splitMs: number
}

/** An event judged in place of another: with a measure in another unit, by a cut of its own. */
export interface JudgedInstead<P> {
  readonly protocol: P
  readonly rounding: { readonly mode: 'truncate'; readonly step: number }
  readonly atLeast: number
}

/** How a reach is read from a ruler. All in mm but the time. */
export interface RulerRead {
  /** What the ruler says at the foot line. */
  readonly zeroMm: number
  /** The smallest step that is read. */
  readonly stepMm: number
  /** How long it has to stay, in ms. */
  readonly holdMs: number
  /** Whether the hand further back is read. */
  readonly lesserHand: boolean
  /** How many tries a set has. */
  readonly tries: number
}

/** How a grader's eye is practised on an event. */
export interface EyePractice {
  /** What is to be seen: repetitions that are counted or refused, a position that wavers, turns at a line, a finish, a ruler. */
  readonly of: 'repetitions' | 'position' | 'turns' | 'finish' | 'ruler'
  /** When it ends by itself, in ms from the start. */
  readonly untilMs?: number
  /** How long one repetition lasts, where a beat says so, in ms. */
  readonly everyMs?: number
  /** When each turn is due, in ms from the start. */
  readonly turnsMs?: readonly number[]
  /** How near to the line a turn counts, in mm. */
  readonly zoneMm?: number
  readonly ruler?: RulerRead
  /** The protocol as a set is worked, where its own would end the set before its end. */
  readonly eased?: ProtocolBase
}

/** How staff are told what is done. @see words of the single kinds */
export interface KindWords<P> {
  /** One line: what is done. @param publishedIn the unit distances are published in, when not metric */
  conduct(protocol: P, publishedIn?: PublishedUnit): string
  /** The rules of this kind, each a sentence or two. */
  rules(protocol: P, publishedIn?: PublishedUnit): string[]
}

/**
 * The parts of an event kind that know nothing of its referee's states. Its functions are written as methods, so that the table can hold all kinds side by side: whoever asks a kind hands it
 * its own protocol, which `kindOf` sees to.
 */
interface KindParts<P extends ProtocolBase> {
  readonly name: string
  readonly protocol: new () => P
  /** A protocol to begin a new event with, but for its kind; every figure is there to be changed. */
  readonly template: object
  /** Captures that belong to it, besides those that belong to every event. */
  readonly captures: readonly CaptureKind[]
  /** Everybody on the line starts together. */
  readonly startsTogether?: true
  /** Several who start together can be watched on one console. */
  readonly inLanes?: true
  /** Its figures are counted from parts of known size, as plates are, and not read off: the method leaves no doubt. */
  readonly isExact?: true
  /** Its figures are neither better nor worse with age. */
  readonly isAgeless?: true
  /** It ends when all work is done, so that completion can be asked for. */
  readonly endsWithWork?: true

  /** How the measure is read and written; its unit is the unit of the event. */
  form(protocol: P): FieldForm
  sense(protocol: P): Sense
  /** What has to be read of one person, in the order it is read. The first one alone is enough where the measure is one figure. */
  slots(protocol: P): readonly Slot[]
  /** The slot whose one raw reading stands for the event; the first where it is not said, null where there is none. */
  mainSlot?(protocol: P): string | null
  /** Whether these figures are enough although slots are empty. */
  isEnough?(protocol: P, readings: Readings): boolean
  /** Figures -> value, exact; for captures, cards, files and columns alike. */
  measure(protocol: P, readings: Readings): Worked | EndedByFigures
  /** Whether its figures are read, from a card or an instrument, and nothing is stamped. */
  isRead?(protocol: P): boolean
  /** What it is made of while it runs; left out, it is only under way. */
  progress?(protocol: P): Progress
  /** Ids of its parts, which captures can name. */
  parts?(protocol: P): readonly string[]
  /** Reasons of this kind that end it, in the protocol's own words, beside those the protocol lists for itself. */
  endings?(protocol: P): readonly Ending[]
  /** What refuses a repetition. */
  refusals?(protocol: P): readonly { readonly id: string; readonly label: string }[]
  /** What a grader has to know, beside what every protocol can carry. */
  cues?(protocol: P, person: Person): readonly Cue[]

  /** Wide on purpose: it finds wrong units and slipped digits, no opinions. */
  sensibleRange(protocol: P): Range
  /** Between which a raw reading of a slot can lie; where it is not said, a slot in the event's unit is held against the range of the measure. */
  readingRange?(protocol: P, slot: string): Range | null
  /** The finest step a reading tells, in the event's unit; 1 where it is not said. */
  finestStep?(protocol: P): number
  /** Beyond this step a rounding swallows what was measured; null for the usual one of the unit. */
  coarsestStep?(protocol: P): number | null
  /** Figures by which the values are compared, where they are no plain numbers: shuttles by the schedule. Null where they are. */
  scale?(protocol: P): ValueScale | null
  /** The event a measure in another unit is judged by. */
  judgedInstead?(protocol: P, unit: Unit): JudgedInstead<P> | null
  /** What has to agree inside the protocol. @param categories ids of the standard's categories */
  contradictions?(protocol: P, place: string, categories: readonly string[]): Finding[]
  /** What looks like a slip. @param place of the protocol */
  remarks?(protocol: P, place: string): Remark[]

  estimates?(protocol: P, value: number, reading: Reading, person: EstimatedPerson): readonly Estimate[]
  /** Signals that people can be let hear beforehand, so that they know them; left out where it has none. */
  heard?(protocol: P): readonly Signal[]
  /** What has to be laid out for it; left out or null where nothing is. */
  ground?(protocol: P): AskedGround | null
  /** Even parts that meet a limit. */
  evenSplits?(protocol: P, limitMs: number): EvenSplit[]
  /** The figure of an instrument in the unit of the slots that take it; null where it has no use for it. */
  sensed?(protocol: P, sensed: Sensed): { readonly unit: Unit; readonly value: number } | null

  /** Left out or null where nothing of it is judged by eye. */
  practice?(protocol: P): EyePractice | null

  readonly words: KindWords<P>
  /** What such people usually reach, in the unit of the event; for rehearsals of events without a cut. */
  usual(protocol: P): number
  /** A made-up target about a cut, where adding a share to it does not do. @param form about a standard normal value */
  rehearsedTarget?(protocol: P, cut: number, form: number): number | null
  /** Made-up captures of one person, in the order they happen; for kinds that are worked person by person. */
  rehearse?(stage: Stage, protocol: P, turn: Turn): Capture[]
  /** Made-up captures of a wave, each runner's in order; for kinds that start together. */
  rehearseWave?(stage: Stage, protocol: P, wave: number, startAtMs: number, runners: readonly WaveRunner[]): Capture[]
}

export interface ValueScale {
  readonly to: (value: number) => number
  readonly from: (onScale: number) => number
}

/** A kind as its folder defines it, with its referee. */
export interface KindDefinition<P extends ProtocolBase, S extends Attempted> extends KindParts<P>, Refereed<P, S> {
  /** What a state amounts to. */
  stamped(protocol: P, state: S): Stamped
}

/** What a candidate's attempt amounts to at a moment, with its state closed away. */
export interface Stood extends Omit<Standing<unknown>, 'state' | 'second'> {
  readonly stamped: Stamped
  /** What other devices counted beside the holder. */
  readonly second: readonly { readonly deviceId: string; readonly stamped: Stamped }[]
}

/** A kind as the table holds it: its states are closed away, so that nobody outside can look into one. */
export interface EventKindRecord<P extends ProtocolBase> extends KindParts<P> {
  /** What can be pressed at its console. */
  actions(protocol: P): readonly Observation[]
  /** Captures that count from whoever holds the attempt. */
  readonly held: ReadonlySet<CaptureKind> | undefined
  /**
   * One candidate's attempt.
   * @param captures settled captures of the candidate, in order
   * @param start of the candidate's wave, where there is one
   * @param asOfMs the moment it is looked at; null: as of the last capture
   */
  stood(
    protocol: P,
    person: Person,
    captures: readonly Capture[],
    start: Capture | undefined,
    asOfMs: number | null,
  ): Stood
  /** What may be done at a moment; whoever has a console open or not. */
  rulingAt(
    protocol: P,
    person: Person,
    captures: readonly Capture[],
    start: Capture | undefined,
    nowMs: number,
    outside: Outside,
  ): Ruling
}

/** Puts a kind's definition into the form the table holds. */
export const defineKind = <P extends ProtocolBase, S extends Attempted>({
  referee,
  stamped,
  held,
  actions,
  ...parts
}: KindDefinition<P, S>): EventKindRecord<P> => {
  const refereed: Refereed<P, S> = { referee, ...(held ? { held } : {}), ...(actions ? { actions } : {}) }
  return {
    ...parts,
    held,
    actions: (protocol) => actions?.(protocol) ?? [],
    stood: (protocol, person, captures, start, asOfMs) => {
      const { state, second, ...rest } = attemptOf(refereed, protocol, captures, start, person).at(asOfMs)
      const mine = stamped(protocol, state)
      const others = second.map((other) => ({ deviceId: other.deviceId, stamped: stamped(protocol, other.state) }))
      return {
        ...rest,
        stamped: mine,
        second: others,
        doubts: [...rest.doubts, ...differences(mine, others, captures)],
      }
    },
    rulingAt: (protocol, person, captures, start, nowMs, outside) => {
      const ruling = rulingOf(
        refereed,
        protocol,
        attemptOf(refereed, protocol, captures, start, person),
        nowMs,
        outside,
        (state) => stamped(protocol, state).soFar,
      )
      const announced = announcementCalls(protocol, ruling.span)
      return {
        ...ruling,
        calls: announced.length > 0 ? [...ruling.calls, ...announced] : ruling.calls,
        cues: [...cuesOf(protocol), ...(parts.cues?.(protocol, person) ?? [])],
      }
    },
  }
}

/** What is announced at a moment from the start; what is announced at a lap or a distance is called by the kinds that have them. */
const announcementCalls = ({ announcements = [] }: ProtocolBase, span: Span | null): Call[] =>
  span === null
    ? []
    : announcements.flatMap(({ atMs, say }) =>
        atMs === undefined ? [] : [{ code: 'announcement', atMs: span.fromMs + atMs, figures: { say } }],
      )

/** Another device's count beside the holder's that came to something else, with the captures it is made of. */
const differences = (mine: Stamped, others: Stood['second'], captures: readonly Capture[]): Doubt[] =>
  others.flatMap(({ deviceId, stamped: other }) =>
    other.soFar === mine.soFar
      ? []
      : [
          {
            code: 'countsDiffer' as const,
            captures: captures.filter((capture) => capture.deviceId === deviceId).map(({ id }) => id),
            figures: { first: mine.soFar, second: other.soFar },
          },
        ],
  )
