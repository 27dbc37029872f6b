/**
 * A set of repetitions to grade, made up from a seed: the same seed gives everybody the same set. What is wrong in it, and how far, is known,
 * so that a grader's answers can be held against it.
 */
import type { Protocol } from '../kinds/kinds.ts'
import { seededRandom, shuffled, type Random } from '../random/random.ts'
import { drillStyle, faultsOf, practiceOf, type ShownFault } from './movement.ts'
import type { DrillLevel, Movement } from './practised.ts'

/** What makes a set what it is; whoever is given the same gets the same. */
export interface DrillSpec {
  readonly movement: Movement
  readonly level: DrillLevel
  readonly seed: number
  readonly lanes: number
  /** A fault that is shown more often than the others. */
  readonly more?: string
}

export interface DrillFault extends ShownFault {
  /** How far it is wrong, in cm. */
  readonly cm: number
}

/** One repetition, one wavering of a position, one turn at the line. */
export interface DrillItem {
  /** Within its lane, from 1. */
  readonly no: number
  /** From the start, in ms. */
  readonly fromMs: number
  readonly toMs: number
  /** From when on it can be told. */
  readonly decideAtMs: number
  readonly fault: DrillFault | null
  /** How much better than it has to be, in cm, where there is no fault. */
  readonly slackCm: number
}

export interface DrillLane {
  readonly build: 'female' | 'male'
  readonly items: readonly DrillItem[]
  /** When the candidate gives up, from the start. */
  readonly endsAtMs: number
}

export interface Drill {
  readonly spec: DrillSpec
  readonly lanes: readonly DrillLane[]
  readonly faults: readonly ShownFault[]
  /** Reasons of the protocol that are not shown. */
  readonly notShown: readonly string[]
  readonly durationMs: number
}

interface LevelFacts {
  /** Share of repetitions with a fault. */
  readonly faulty: number
  /** Share of the full size. */
  readonly size: number
  /** Of one repetition, while fresh. */
  readonly periodMs: number
}

/** Rarer and smaller with every level, and quicker. */
const LEVELS: Readonly<Record<DrillLevel, LevelFacts>> = {
  1: { faulty: 0.4, size: 1, periodMs: 2_700 },
  2: { faulty: 0.33, size: 0.78, periodMs: 2_500 },
  3: { faulty: 0.27, size: 0.6, periodMs: 2_300 },
  4: { faulty: 0.21, size: 0.45, periodMs: 2_100 },
  5: { faulty: 0.16, size: 0.33, periodMs: 1_900 },
}

/** Of a fault that nobody overlooks, in cm. */
const FULL_CM: Readonly<Record<ShownFault['form'], number>> = {
  depth: 11,
  lockOut: 12,
  bodyLine: 15,
  hips: 24,
  hands: 24,
  feet: 14,
  swing: 38,
  offBeat: 20,
}
/** A position that wavers less than this is still held; beyond it a fault is added. In cm. */
const HELD_WITHIN_CM = 5
/** How far short of the zone a turn is at its worst, in cm. */
const SHORT_OF_ZONE_CM = 220

/** When within a repetition a fault can be told, as a share of it. */
const TOLD_AT: Readonly<Record<ShownFault['form'], number>> = {
  depth: 0.55,
  hands: 0.6,
  feet: 0.6,
  swing: 0.65,
  bodyLine: 0.75,
  hips: 0.75,
  lockOut: 1,
  offBeat: 0.9,
}

const FIRST_AFTER_MS = 900
/** Nobody begins another one so short before the time is up. */
const BEFORE_THE_END_MS = 800
/** Tired people take so much longer at the end. */
const TIRED_BY = 0.5
/** Repetitions of a set that no time ends. */
const TO_FAILURE: Readonly<Partial<Record<Movement, number>>> = { pullUp: 14 }
const ELSE_TO_FAILURE = 28
const HELD_MS = 70_000
const SHUTTLES = 14

/** @param protocol of the event that is practised @throws RangeError when it shows no fault of the movement */
export const makeDrill = (protocol: Protocol, spec: DrillSpec): Drill => {
  const { shown, notShown } = faultsOf(protocol, spec.movement)
  if (shown.length === 0) throw new RangeError('None of the reasons of this protocol can be shown in this movement.')
  const lanes = Array.from({ length: spec.lanes }, (_, lane): DrillLane => {
    const random = seededRandom(spec.seed * 64 + lane)
    const build = random.next() < 0.5 ? 'female' : 'male'
    const timed = timesOf(protocol, spec, random)
    const faults = faultsFor(timed.length, shown, spec, random)
    const items = timed.map((span, at) =>
      itemOf(spec, at, late(span, faults.get(at - 1), faults.get(at)), faults.get(at) ?? null, random),
    )
    return { build, items, endsAtMs: (items.at(-1)?.toMs ?? 0) + 1_200 }
  })
  return { spec, lanes, faults: shown, notShown, durationMs: Math.max(...lanes.map(({ endsAtMs }) => endsAtMs)) }
}

type Span = readonly [fromMs: number, toMs: number]

/** When each repetition begins and ends. */
const timesOf = (protocol: Protocol, { movement, level }: DrillSpec, random: Random): Span[] => {
  const { of, untilMs = Infinity, everyMs = null, turnsMs = [] } = practiceOf(protocol) ?? {}
  const { periodMs } = LEVELS[level]
  switch (of) {
    case 'turns':
      return turnsMs.slice(0, SHUTTLES).map((atMs, at) => [turnsMs[at - 1] ?? 0, atMs])
    case 'position':
      return waveringsIn(Math.min(untilMs, HELD_MS), periodMs, random)
    default:
      return repetitionsIn(untilMs, everyMs, movement, periodMs, random)
  }
}

const waveringsIn = (untilMs: number, periodMs: number, random: Random): Span[] => {
  const waverings: Span[] = []
  for (let atMs = 3_000; atMs + periodMs < untilMs - 4_000;) {
    waverings.push([atMs, atMs + periodMs])
    atMs += periodMs + 900 + Math.round(random.next() * 2_200)
  }
  return waverings
}

/** One after another, slower towards the end unless a beat keeps them. */
const repetitionsIn = (
  endsMs: number,
  everyMs: number | null,
  movement: Movement,
  periodMs: number,
  random: Random,
): Span[] => {
  const untilMs = endsMs - BEFORE_THE_END_MS
  const most = Number.isFinite(untilMs) ? Infinity : (TO_FAILURE[movement] ?? ELSE_TO_FAILURE)
  const aboutMany = Number.isFinite(most) ? most : untilMs / (periodMs * (1 + TIRED_BY / 3))
  const spans: Span[] = []
  for (let fromMs = everyMs === null ? FIRST_AFTER_MS : 0; spans.length < most;) {
    const tired = TIRED_BY * Math.min(1, spans.length / aboutMany) ** 2
    const tookMs = everyMs ?? periodMs * (1 + tired) * (0.94 + random.next() * 0.12)
    if (fromMs + tookMs > untilMs) break
    spans.push([Math.round(fromMs), Math.round(fromMs + tookMs)])
    fromMs += tookMs
  }
  return spans
}

/** Which repetitions have which fault: never the first, each fault as often as the others, and the one asked for twice as often. */
const faultsFor = (
  count: number,
  shown: readonly ShownFault[],
  { level, more }: DrillSpec,
  random: Random,
): ReadonlyMap<number, ShownFault> => {
  const { faulty } = LEVELS[level]
  const many = Math.min(count - 1, Math.max(shown.length, Math.round(count * faulty)))
  const asked = shown.find(({ reasonId }) => reasonId === more)
  const round = shuffled(asked ? [...shown, asked] : [...shown], random)
  const places = shuffled(
    Array.from({ length: Math.max(0, count - 1) }, (_, at) => at + 1),
    random,
  ).slice(0, Math.max(0, many))
  return new Map(places.map((place, at) => [place, round[at % round.length] as ShownFault])) // a round is never empty
}

/** Off the beat, a repetition ends late by so much of itself, and the next one begins then. */
const LATE = 0.3
const late = ([fromMs, toMs]: Span, before: ShownFault | undefined, own: ShownFault | undefined): Span => {
  const byMs = (fault: ShownFault | undefined): number => (fault?.form === 'offBeat' ? (toMs - fromMs) * LATE : 0)
  return [Math.round(fromMs + byMs(before)), Math.round(toMs + byMs(own))]
}

const itemOf = (
  { movement, level }: DrillSpec,
  at: number,
  [fromMs, toMs]: Span,
  shown: ShownFault | null,
  random: Random,
): DrillItem => {
  const { size } = LEVELS[level]
  const style = drillStyle(movement)
  const share = 0.85 + random.next() * 0.3
  const cmOf = ({ form }: ShownFault): number => {
    if (movement === 'shuttleTurn') return Math.max(25, SHORT_OF_ZONE_CM * size * share)
    return (style === 'flagged' ? HELD_WITHIN_CM : 0) + FULL_CM[form] * size * share
  }
  const toldAt = movement === 'shuttleTurn' ? 1 : style === 'flagged' ? 0.45 : shown ? TOLD_AT[shown.form] : 1
  return {
    no: at + 1,
    fromMs,
    toMs,
    decideAtMs: Math.round(fromMs + (toMs - fromMs) * toldAt),
    fault: shown && { ...shown, cm: Math.round(cmOf(shown)) },
    slackCm: Math.round(random.next() * 30) / 10,
  }
}
