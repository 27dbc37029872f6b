/** What the referee of an event kind has to offer, and what it says. It is pure and knows one candidate. */
import type { Capture, Observation, StopReason } from '../capture/capture.ts'
import type { Stamp } from '../capture/elapsed.ts'
import type { RefereeCode } from './codes.ts'
import type { Span } from './span.ts'

export type Figures = Readonly<Record<string, number | string>>

/** A question to whoever presses, or the reason why a press does not count. */
export interface Ask {
  readonly code: RefereeCode
  readonly figures?: Figures
}

export type Permission =
  | { readonly kind: 'allowed' }
  /** It counts, and is doubtful unless whoever presses answered the questions. */
  | { readonly kind: 'asked'; readonly asks: readonly Ask[] }
  /** It is kept and does not count. */
  | { readonly kind: 'refused'; readonly why: Ask }

export const ALLOWED: Permission = { kind: 'allowed' }
export const asked = (code: RefereeCode, figures?: Figures): Permission => ({
  kind: 'asked',
  asks: [figures ? { code, figures } : { code }],
})
export const refused = (code: RefereeCode, figures?: Figures): Permission => ({
  kind: 'refused',
  why: figures ? { code, figures } : { code },
})

/** Something somebody wants to capture, or has captured. */
export type Action = Observation & { readonly stamp: Stamp }

/** What happened against a rule or against sense, with the captures it is about. A person decides; it never changes a measure. */
export interface Doubt {
  readonly code: RefereeCode
  readonly captures: readonly string[]
  readonly figures?: Figures
}

/** How an event ended: by what somebody captured, or by a rule of its protocol. */
export type EndBy =
  | StopReason
  | 'finish'
  | 'limit'
  | 'cap'
  | 'pause'
  | 'cautions'
  | 'missedBeats'
  | 'misses'
  | 'schedule'
  | 'faults'
  | 'failures'

export interface End {
  readonly by: EndBy
  readonly atMs: number
  readonly note?: string
}

export type Phase = 'before' | 'running' | 'paused' | 'over'

/** A figure that ticks is given by what it ticks from, so that a ruling changes with captures and at `changesAtMs` only. */
export type RulingFigure =
  | { readonly code: string; readonly value: number }
  | { readonly code: string; readonly upFromMs: number }
  | { readonly code: string; readonly downToMs: number }

/** Something to be said aloud at a moment. */
export interface Call {
  readonly code: string
  readonly atMs: number
  readonly figures?: Figures
}

/** What a grader has to know before and during: a code, with the protocol's own words where it has some. */
export interface Cue {
  readonly code: string
  readonly text?: string
  readonly figures?: Figures
}

/** What every state of a referee holds. */
export interface Attempted {
  readonly end: End | null
}

/** The person as the rules need to know them; kept with the inputs of a verdict. */
export interface Person {
  readonly entryId: string
  readonly wave: number
  readonly category: string
}

/**
 * The rules of a kind while it runs. States are plain and never changed.
 * A capture at the very moment of something due comes first.
 */
export interface Referee<P, S extends Attempted> {
  /** The state before anything. */
  begin(protocol: P, person: Person): S
  phase(protocol: P, state: S): Phase
  /** From when to when, as far as it is; null before anything. */
  span(protocol: P, state: S): Span | null
  /** When something happens by itself next, in agreed ms; null when nothing does. Strictly later after each `pass`. */
  due(protocol: P, state: S): number | null
  /** Lets it happen. */
  pass(protocol: P, state: S): S
  /** By the event's own rules and this state alone; buttons and captures ask the same. */
  permit(protocol: P, state: S, action: Action): Permission
  /** What a capture that counts changes. */
  apply(protocol: P, state: S, capture: Capture): S
  /** What is shown while it runs. */
  figures(protocol: P, state: S): readonly RulingFigure[]
  /** What is said aloud, from the start on. */
  calls?(protocol: P, state: S): readonly Call[]
  /** What is odd about the whole of it, beyond single captures. */
  doubts?(protocol: P, state: S): readonly Doubt[]
  /** Goes on from a figure that a new holder states. */
  goOnFrom?(state: S, figure: number): S
}
