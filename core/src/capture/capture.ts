/** What is observed at one moment by one person or device. Captures are only ever added; a correction is another capture. */
import { Choice, Flag, OneOf, Optional, Slug, Text, TextList, Uuid, UuidList, Whole } from '../document/rules.ts'

/** Nothing more than that it happened. */
class Bare {}

class WaveStarted {
  @Whole(1, 999) wave!: number
  /** Who stood on the line. */
  @UuidList(1_000) entryIds!: string[]
  /** The lap as it was measured there, in mm, where it is not the one the standard speaks of. */
  @Optional() @Whole(1_000, 1_000_000_000) lapLengthMm?: number
}

/** Somebody passes the line, or finishes. */
class Crossed {
  /** Which watch stamped it: 1 is the timer, 2 and 3 are backups. Without it, the timer. */
  @Optional() @Whole(1, 3) watch?: number
  /** Put in later for a stamp that was missed: its time is estimated from the other laps. */
  @Optional() @Flag() estimated?: boolean
}

/** Where somebody was when the time ran out: distance beyond the last line crossed. */
class MarkedAt {
  @Whole(0, 1_000_000_000) beyondLineMm!: number
}

/** A station, or a segment of a chain, is complete. */
class Passed {
  /** Id of a station or segment of the protocol. */
  @Slug() part!: string
}

class Faulted {
  /** Id of the station. */
  @Slug() part!: string
}

class Lifted {
  @Whole(0, 1_000_000) loadG!: number
  @Flag() good!: boolean
}

/** One figure read from an instrument or a card. A later one for the same slot replaces it. */
class Read {
  /** Id of a slot of the event, such as `left-1`. */
  @Slug() slot!: string
  /** In the base unit of the slot. */
  @Whole(-100_000, 1_000_000_000) value!: number
  /** The capture an instrument sent, when the figure comes from one. */
  @Optional() @Uuid() sensedBy?: string
}

const SENSED_QUANTITIES = ['time', 'height', 'force', 'pulse'] as const
export type SensedQuantity = (typeof SENSED_QUANTITIES)[number]

/** What an instrument sent, before it is anybody's reading: ms, mm, g or beats a minute. */
export class Sensed {
  /** Name of the instrument. */
  @Text(60) instrument!: string
  @Choice(SENSED_QUANTITIES) quantity!: SensedQuantity
  @Whole(0, 1_000_000_000) value!: number
  /** The smallest step it tells, in the unit of the value. */
  @Whole(1, 1_000_000) resolution!: number
}

class Refused {
  /** Id of a refusal reason of the protocol. */
  @Slug() reason!: string
}

export const STOP_REASONS = [
  'time',
  'ended',
  'didNotFinish',
  'failed',
  'breach',
  'safety',
  'withdrawn',
  'disqualified',
] as const
/**
 * `time`: the clock ran out. `ended`: the candidate ended it or broke off. `didNotFinish`: closed without a finish.
 * `failed`: the work itself failed at once. `breach`: the candidate broke a safety rule.
 * `safety`: stopped for safety, a person decides. `withdrawn`: on medical grounds. `disqualified`: by the officer.
 */
export type StopReason = (typeof STOP_REASONS)[number]

class Stopped {
  @Choice(STOP_REASONS) reason!: StopReason
  @Optional() @Text(300) note?: string
}

class Restarted {
  /** The fault that was explained to the candidate. */
  @Text(300) reason!: string
}

class Voided {
  /** Id of the capture that no longer counts. */
  @Uuid() captureId!: string
  @Text(300) reason!: string
}

class Assigned {
  /** Id of the capture that gets its candidate now. */
  @Uuid() captureId!: string
  @Optional() @Text(300) reason?: string
}

/** A stamp was made too early or too late. */
class Moved {
  /** Id of the capture whose time changes. */
  @Uuid() captureId!: string
  /** Agreed time it is moved to. */
  @Whole(0) toMs!: number
  @Text(300) reason!: string
}

/** A figure was read or typed wrongly. */
class Replaced {
  /** Id of the reading. */
  @Uuid() captureId!: string
  /** In the base unit of its slot. */
  @Whole(-100_000, 1_000_000_000) value!: number
  @Text(300) reason!: string
}

/** The officer in charge settles an open mark: by a word, or by the measure it is to be judged from. Exactly one is given. */
class Decided {
  @Optional() @Choice(['met', 'short']) as?: 'met' | 'short'
  /** In the base unit of the event's measure. */
  @Optional() @Whole(-100_000, 1_000_000_000) value?: number
  @Text(500) reason!: string
}

/** What has to be clear before the event was asked and found clear, of everybody named. */
class Cleared {
  @UuidList(1_000) entryIds!: string[]
}

/** The form the candidate does it in from here on: a variant of the event, where the form that was planned cannot be kept. */
class Varied {
  /** Id of the variant; left out, the event's own form. */
  @Optional() @Slug() variant?: string
}

/** Another device goes on counting: from here on its captures count, and those of the first are the second count. */
class TookOver {
  /** How many it goes on from; left out, from what the first holder's captures come to. */
  @Optional() @Whole(0, 10_000) counted?: number
}

export const PAYLOADS = {
  cleared: Cleared,
  waveStarted: WaveStarted,
  started: Bare,
  counted: Bare,
  refused: Refused,
  cautioned: Bare,
  restarted: Restarted,
  /** Resting where the clock stands meanwhile. */
  paused: Bare,
  resumed: Bare,
  /** A beat or a line was missed. */
  missed: Bare,
  crossed: Crossed,
  /** Written down by whoever keeps the order of the finish. */
  placed: Bare,
  markedAt: MarkedAt,
  passed: Passed,
  faulted: Faulted,
  lifted: Lifted,
  read: Read,
  sensed: Sensed,
  stopped: Stopped,
  tookOver: TookOver,
  varied: Varied,
  voided: Voided,
  assigned: Assigned,
  moved: Moved,
  replaced: Replaced,
  decided: Decided,
} as const

export type CaptureKind = keyof typeof PAYLOADS

/** Kinds about one candidate, who has to be named at once. */
export const NEEDS_CANDIDATE: ReadonlySet<CaptureKind> = new Set([
  'started',
  'counted',
  'refused',
  'cautioned',
  'restarted',
  'paused',
  'resumed',
  'missed',
  'placed',
  'markedAt',
  'passed',
  'faulted',
  'lifted',
  'read',
  'stopped',
  'tookOver',
  'varied',
  'assigned',
  'decided',
])

type Of<Kind extends CaptureKind> = Kind extends CaptureKind
  ? { readonly kind: Kind; readonly payload: Readonly<InstanceType<(typeof PAYLOADS)[Kind]>> }
  : never

/** Kind and payload, which always go together. */
export type Observation = Of<CaptureKind>

/** Where and when something was observed. */
export interface CaptureEnvelope {
  /** UUIDv7 made on the device. */
  readonly id: string
  readonly eventId: string
  /** The candidate, or null while unknown or when it is about a whole wave. */
  readonly entryId: string | null
  readonly deviceId: string
  /** The device's monotonic clock, in ms since it started counting; evidence, never used for a result. */
  readonly deviceMs: number
  /** Which run of that clock it is, a page load as a rule; left out by what was captured before runs were told apart. */
  readonly clockRun?: string
  /** Agreed time: ms since 1970 on the server's timeline. */
  readonly atMs: number
  /** How sure the agreed time is, in ms either way. */
  readonly uncertaintyMs: number
  /** Codes of the questions that a second, deliberate press answered. It never changes a figure. */
  readonly despite?: readonly string[]
}

export type Capture = CaptureEnvelope & Observation

/** A capture as the record keeps it. */
export type RecordedCapture = Capture & {
  /** Number within the day, given by the server without gaps. */
  readonly seq: number
  readonly actorId: string
  /** Who handed it in from the device of a guest that could no longer send it. */
  readonly sentBy?: string
  readonly receivedMs: number
}

/** A capture that arrived after the signature, which the day's annex keeps. */
export type AnnexedCapture = Capture & {
  readonly actorId: string
  /** Name of whoever captured it. */
  readonly actor: string
  readonly sentBy?: string
  readonly receivedMs: number
}

/** What a device sends. A bib may stand for the candidate; the server looks it up among those entered. */
export class CaptureDocument {
  @Uuid() id!: string
  @Slug() eventId!: string
  @Choice(Object.keys(PAYLOADS)) kind!: CaptureKind
  @OneOf(PAYLOADS, (_, owner) => (owner as { kind?: unknown }).kind) payload!: Observation['payload']
  @Optional() @Uuid() entryId?: string
  @Optional() @Whole(1, 99_999) bib?: number
  @Text(80) deviceId!: string
  @Whole(0) deviceMs!: number
  @Optional() @Text(80) clockRun?: string
  @Whole(0) atMs!: number
  @Whole(0, 86_400_000) uncertaintyMs!: number
  @Optional() @TextList(10, 40) despite?: string[]
}
