/**
 * A signed day as reports need it: of each person how every event came out, what was measured twice, and who did what. Written
 * once, when the day is signed or amended, so that nothing is judged again for a report.
 */
import { byCandidate } from '../capture/byCandidate.ts'
import type { Capture, RecordedCapture } from '../capture/capture.ts'
import { settleCaptures } from '../capture/settleCaptures.ts'
import { asVaried } from '../judge/asVaried.ts'
import type { Terms } from '../judge/basis.ts'
import { chosenEvent } from '../judge/chosenEvent.ts'
import type { DayCandidate } from '../judge/judgeDay.ts'
import type { Mark, Verdict } from '../judge/mark.ts'
import { factsOf } from '../kinds/facts.ts'
import type { Stood } from '../kinds/kind.ts'
import { kindOf } from '../kinds/kinds.ts'
import { readingsIn } from '../kinds/readingsIn.ts'
import type { Readings } from '../kinds/slot.ts'
import { slotsOf } from '../kinds/slots.ts'
import { startsIn, waveStarts } from '../kinds/waveStart.ts'
import type { Unit } from '../quantity/unit.ts'
import type { StandardEvent } from '../standard/standard.ts'
import { COUNTED, decisionsOn, matchDecisions, type DecisionPair } from './matchDecisions.ts'

/** Counts up when what is written of a day changes, so that it is written anew. */
export const FACTS_FORM = 1

export const EVENT_RESULTS = ['met', 'short', 'scored', 'open', 'ended', 'exempt', 'notDone'] as const
/** A decision counts as what was decided; whoever never began did not do it. */
export type EventResult = (typeof EVENT_RESULTS)[number]

interface EventFactsOfDay {
  readonly eventId: string
  readonly kind: EventResult
  /** Why it ended without a measure, or why it is open. */
  readonly reason: string | null
  /** What was judged, in the unit of the mark, rounded by the rule of the event. */
  readonly value: number | null
  readonly unit: Unit
  readonly cut: number | null
  /** On the good side of the cut; negative when short of it. */
  readonly margin: number | null
  readonly nearTheCut: boolean
  readonly centipoints: number | null
  readonly alternateId: string | null
  readonly variantId: string | null
  /** Done on an earlier day, and standing from there. */
  readonly isCarried: boolean
}

export const REPEATS = ['count', 'watch', 'tries', 'method'] as const
/**
 * `count`: a second grader counted beside. `watch`: a second watch. `tries`: the first two tries of one day.
 * `method`: what was stamped by hand beside what an instrument or a card said.
 */
type Repeat = (typeof REPEATS)[number]

/** One thing of one person that was measured twice on the day. */
interface RepeatFacts {
  readonly eventId: string
  readonly of: Repeat
  /** Which of several things of one event: a hand, a side; empty where there is one. */
  readonly part: string
  readonly first: number
  readonly second: number
  readonly unit: Unit
  /** Account ids of who pressed. */
  readonly firstBy: string | null
  readonly secondBy: string | null
  /** What both said of each repetition; empty where nothing is refused. */
  readonly decisions: readonly DecisionPair[]
}

/** What one grader counted and refused of one person. */
interface GraderFacts {
  readonly eventId: string
  readonly accountId: string
  /** Counted beside the one that stands. */
  readonly isSecond: boolean
  readonly counted: number
  readonly refused: Readonly<Record<string, number>>
}

export interface PersonFactsOfDay {
  readonly entryId: string
  readonly outcome: Verdict['outcome']
  readonly category: string
  readonly ageYears: number
  readonly centipoints: number | null
  readonly className: string | null
  /** Events that stood between this person and the standard, in the order of the battery. */
  readonly shortIn: readonly string[]
  readonly events: readonly EventFactsOfDay[]
  readonly repeats: readonly RepeatFacts[]
  readonly graded: readonly GraderFacts[]
}

/** What one person of the staff did on the day, in captures. */
interface StaffFacts {
  readonly accountId: string
  readonly captured: number
  /** Corrections of what they captured themselves. */
  readonly corrected: number
  /** Corrections of what somebody else captured. */
  readonly overruled: number
  readonly decided: number
  readonly tookOver: number
}

export interface DayFacts {
  readonly people: readonly PersonFactsOfDay[]
  readonly staff: readonly StaffFacts[]
}

/**
 * @param verdicts as they stand, amendments laid on, by entry id
 * @param captures all of the day, as recorded
 */
export const factsOfDay = (
  terms: Terms,
  candidates: readonly DayCandidate[],
  verdicts: ReadonlyMap<string, Verdict>,
  captures: readonly RecordedCapture[],
): DayFacts => {
  const actorOf = actorIn(captures)
  const observed = terms.standard.events.map((event) => {
    const settled = settleCaptures(
      captures.filter(({ eventId }) => eventId === event.id),
      terms.bounds,
    )
    return { event, ownOf: byCandidate(settled).of, startFor: startsIn(waveStarts(settled)) }
  })
  return {
    people: candidates.flatMap((candidate): PersonFactsOfDay[] => {
      const verdict = verdicts.get(candidate.entryId)
      if (!verdict) return []
      const seen = observed.map(({ event, ownOf, startFor }) => {
        const own = ownOf.get(candidate.entryId) ?? []
        const varied = asVaried(candidate, event.id, own)
        return observedOf(terms, event, varied, own, startFor(candidate, own), actorOf)
      })
      return [
        {
          ...resultOf(verdict),
          entryId: candidate.entryId,
          category: candidate.category,
          ageYears: candidate.ageYears,
          repeats: seen.flatMap(({ repeats }) => repeats),
          graded: seen.flatMap(({ graded }) => graded),
        },
      ]
    }),
    staff: staffFacts(captures),
  }
}

const resultOf = ({ outcome, points, marks }: Verdict) => {
  const events = marks.map(eventFacts)
  const isShort = outcome === 'short' || outcome === 'notFinished'
  return {
    outcome,
    centipoints: points?.centipoints ?? null,
    className: points?.className ?? null,
    events,
    shortIn: isShort
      ? events.filter(({ kind }) => kind === 'short' || kind === 'ended').map(({ eventId }) => eventId)
      : [],
  }
}

const eventFacts = (mark: Mark): EventFactsOfDay => {
  const { eventId, alternateId = null, variantId = null, cut } = mark
  return {
    eventId,
    alternateId,
    variantId,
    kind: kindOfMark(mark),
    reason: 'reason' in mark ? mark.reason : null,
    value: 'rounded' in mark ? mark.rounded : null,
    unit: 'unit' in mark ? mark.unit : (cut?.unit ?? 'done'),
    cut: cut?.value ?? null,
    margin: 'margin' in mark ? mark.margin : null,
    nearTheCut: 'nearTheCut' in mark ? mark.nearTheCut : mark.kind === 'open' && mark.reason === 'nearTheCut',
    centipoints: 'points' in mark ? (mark.points?.centipoints ?? null) : null,
    isCarried: mark.trace[0]?.code === 'carried',
  }
}

const kindOfMark = (mark: Mark): EventResult => {
  switch (mark.kind) {
    case 'decided':
      return mark.as
    case 'waiting':
    case 'running':
      return 'notDone'
    default:
      return mark.kind
  }
}

/** Who pressed most of some captures; null for none. */
type ActorOf = (own: readonly Capture[]) => string | null

/** Who captured what, of captures as they were sent; settling keeps their ids. */
const actorIn = (captures: readonly RecordedCapture[]): ActorOf => {
  const actorOf = new Map(captures.map(({ id, actorId }) => [id, actorId]))
  return (own) => {
    const counts = new Map<string, number>()
    for (const { id } of own) {
      const actor = actorOf.get(id)
      if (actor !== undefined) counts.set(actor, (counts.get(actor) ?? 0) + 1)
    }
    return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null
  }
}

interface Observed {
  readonly repeats: readonly RepeatFacts[]
  readonly graded: readonly GraderFacts[]
}
const NOTHING: Observed = { repeats: [], graded: [] }

const observedOf = (
  { standard, asOfMs = null }: Terms,
  event: StandardEvent,
  candidate: DayCandidate,
  own: readonly Capture[],
  start: Capture | undefined,
  actorOf: ActorOf,
): Observed => {
  if (own.length === 0) return NOTHING
  const { protocol } = chosenEvent(standard, event, candidate).event
  const kind = kindOf(protocol)
  const { unit } = factsOf(protocol)
  const stood = kind.stood(protocol, candidate, own, kind.startsTogether ? start : undefined, asOfMs)
  const base = { eventId: event.id, unit, part: '', decisions: [], firstBy: null, secondBy: null } as const
  return {
    repeats: [
      ...secondCounts(event.id, stood, own, actorOf),
      ...pairsOfSlots(protocol, { ...stood.stamped.readings, ...readingsIn(own) }).map((pair) => ({
        ...base,
        ...pair,
        ...(pair.of === 'watch'
          ? { firstBy: actorOf(own.filter(onWatch(1))), secondBy: actorOf(own.filter(onWatch(2))) }
          : {}),
      })),
      ...byTwoMethods(stood, own).map((pair) => ({ ...base, of: 'method' as const, ...pair })),
    ],
    graded: gradedBy(event.id, stood, own, actorOf),
  }
}

const on =
  (device: string) =>
  ({ deviceId }: Capture): boolean =>
    deviceId === device
/** Which watch stamped it; without a number, the timer's. */
const onWatch =
  (watch: number) =>
  (capture: Capture): boolean =>
    capture.kind === 'crossed' && (capture.payload.watch ?? 1) === watch

const secondCounts = (
  eventId: string,
  { holder, second, stamped }: Stood,
  own: readonly Capture[],
  actorOf: ActorOf,
): RepeatFacts[] => {
  if (holder === null) return []
  const first = decisionsOn(holder, own)
  return second.flatMap((other): RepeatFacts[] => {
    const decisions = decisionsOn(other.deviceId, own)
    if (first.length === 0 || decisions.length === 0) return []
    return [
      {
        eventId,
        of: 'count',
        part: '',
        first: stamped.soFar,
        second: other.stamped.soFar,
        unit: 'count',
        firstBy: actorOf(own.filter(on(holder))),
        secondBy: actorOf(own.filter(on(other.deviceId))),
        decisions: matchDecisions(first, decisions),
      },
    ]
  })
}

const gradedBy = (
  eventId: string,
  { holder, second }: Stood,
  own: readonly Capture[],
  actorOf: ActorOf,
): GraderFacts[] =>
  [...(holder === null ? [] : [holder]), ...second.map(({ deviceId }) => deviceId)].flatMap((device): GraderFacts[] => {
    const decisions = decisionsOn(device, own)
    const accountId = actorOf(own.filter(on(device)))
    if (accountId === null || decisions.length === 0) return []
    const refused: Record<string, number> = {}
    for (const { answer } of decisions) if (answer !== COUNTED) refused[answer] = (refused[answer] ?? 0) + 1
    const counted = decisions.filter(({ answer }) => answer === COUNTED).length
    return [{ eventId, accountId, isSecond: device !== holder, counted, refused }]
  })

/** Slots of one thing that is measured more than once: `left-1` and `left-2`, `time` and `time-watch-2`. */
const pairsOfSlots = (
  protocol: StandardEvent['protocol'],
  readings: Readings,
): Pick<RepeatFacts, 'of' | 'part' | 'first' | 'second' | 'unit'>[] =>
  slotsOf(protocol).flatMap(({ id, unit }) => {
    const stem = /^(.*)-1$/.exec(id)?.[1]
    const [first, second, of] =
      stem === undefined
        ? [readings[id], readings[`${id}-watch-2`], 'watch' as const]
        : [readings[id], readings[`${stem}-2`], 'tries' as const]
    return first === undefined || second === undefined
      ? []
      : [{ of, part: stem === undefined || stem === 'try' ? '' : stem, first, second, unit }]
  })

/** A figure that was stamped by hand and read from an instrument or a card as well. */
const byTwoMethods = ({ stamped }: Stood, own: readonly Capture[]): { first: number; second: number }[] => {
  const read = readingsIn(own)
  return Object.entries(stamped.readings).flatMap(([slot, first]) => {
    const second = read[slot]
    return first === undefined || second === undefined ? [] : [{ first, second }]
  })
}

const staffFacts = (captures: readonly RecordedCapture[]): StaffFacts[] => {
  const actorOf = new Map(captures.map(({ id, actorId }) => [id, actorId]))
  const staff = new Map<string, { -readonly [Field in keyof StaffFacts]: StaffFacts[Field] }>()
  for (const { actorId, kind, payload } of captures) {
    const one = staff.get(actorId) ?? {
      accountId: actorId,
      captured: 0,
      corrected: 0,
      overruled: 0,
      decided: 0,
      tookOver: 0,
    }
    staff.set(actorId, one)
    if ('captureId' in payload) {
      // a bib put to a stamp of one's own or another's adds to it and overrules nothing
      if (kind === 'assigned' && payload.reason === undefined) one.captured += 1
      else if (actorOf.get(payload.captureId) === actorId) one.corrected += 1
      else one.overruled += 1
    } else if (kind === 'decided') one.decided += 1
    else if (kind === 'tookOver') one.tookOver += 1
    else one.captured += 1
  }
  return [...staff.values()]
}
