/** What is observed at one moment by one person or device. Captures are only ever added; a correction is another capture. */
import { Choice, OneOf, Optional, Slug, Text, Uuid, UuidList, Whole } from '../document/rules.ts'
import type { EventKind } from '../protocol/protocol.ts'

/** Nothing more than that it happened. */
export class Bare {}

export class WaveStarted {
  @Whole(1, 999) wave!: number
  /** Who stood on the line. */
  @UuidList(1_000) entryIds!: string[]
}

/** One figure read from an instrument or a card. A later one for the same slot replaces it. */
export class Read {
  /** Id of a slot of the event, such as `left-1`. */
  @Slug() slot!: string
  /** In the base unit of the slot. */
  @Whole(-100_000, 1_000_000_000) value!: number
}

export class Refused {
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

export class Stopped {
  @Choice(STOP_REASONS) reason!: StopReason
  @Optional() @Text(300) note?: string
}

export class Restarted {
  /** The fault that was explained to the candidate. */
  @Text(300) reason!: string
}

export class Voided {
  /** Id of the capture that no longer counts. */
  @Uuid() captureId!: string
  @Text(300) reason!: string
}

export class Assigned {
  /** Id of the capture that gets its candidate now. */
  @Uuid() captureId!: string
  @Optional() @Text(300) reason?: string
}

/** The officer in charge settles an open mark. */
export class Decided {
  @Choice(['met', 'short']) as!: 'met' | 'short'
  @Text(500) reason!: string
}

export const PAYLOADS = {
  waveStarted: WaveStarted,
  started: Bare,
  counted: Bare,
  refused: Refused,
  cautioned: Bare,
  restarted: Restarted,
  crossed: Bare,
  read: Read,
  stopped: Stopped,
  voided: Voided,
  assigned: Assigned,
  decided: Decided,
} as const

export type CaptureKind = keyof typeof PAYLOADS

const READ: readonly CaptureKind[] = ['read', 'stopped', 'decided', 'voided']

/** Event kinds whose figures are read and entered, slot by slot. */
const readEach = <Kind extends EventKind>(kinds: readonly Kind[]): Record<Kind, readonly CaptureKind[]> =>
  // each kind of the list gets an entry
  Object.fromEntries(kinds.map((kind) => [kind, READ])) as Record<Kind, readonly CaptureKind[]>

/** Kinds that belong to each event kind; corrections belong to all. */
export const CAPTURE_KINDS: Readonly<Record<EventKind, readonly CaptureKind[]>> = {
  repetitionsInTime: ['started', 'counted', 'refused', 'cautioned', 'restarted', 'stopped', 'decided', 'voided'],
  timedDistance: ['waveStarted', 'crossed', 'stopped', 'decided', 'voided', 'assigned'],
  ...readEach([
    'repetitionsToFailure',
    'repetitionsToCadence',
    'heldPosition',
    'distanceInTime',
    'progressiveShuttle',
    'sprint',
    'attempts',
    'heaviestLift',
    'stationCourse',
    'workChain',
    'untimedTask',
    'stepTest',
    'bodyMeasures',
  ]),
}

/** Kinds about one candidate, who has to be named at once. */
export const NEEDS_CANDIDATE: ReadonlySet<CaptureKind> = new Set([
  'started',
  'counted',
  'refused',
  'cautioned',
  'restarted',
  'read',
  'stopped',
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
  /** Agreed time: ms since 1970 on the server's timeline. */
  readonly atMs: number
  /** How sure the agreed time is, in ms either way. */
  readonly uncertaintyMs: number
}

export type Capture = CaptureEnvelope & Observation

/** A capture as the record keeps it. */
export type RecordedCapture = Capture & {
  /** Number within the day, given by the server without gaps. */
  readonly seq: number
  readonly actorId: string
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
  @Whole(0) atMs!: number
  @Whole(0, 86_400_000) uncertaintyMs!: number
}
