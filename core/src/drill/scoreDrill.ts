/** What a grader said of a set, held against what it was. */
import type { Capture } from '../capture/capture.ts'
import { kappa } from '../insight/kappa.ts'
import { COUNTED, pairDecisions, type Decision } from '../insight/matchDecisions.ts'
import { drillStyle } from './movement.ts'
import type { Drill, DrillItem, DrillLane } from './makeDrill.ts'

/** What was said of a repetition at a moment, from the start of the set. */
export interface DrillDecision extends Decision {
  readonly lane: number
}

/** Said of what is wrong where no reason is given: a caution, a missed line. */
export const FLAGGED = 'flagged'

export const ITEM_RESULTS = [
  'right',
  'refusedRightly',
  'otherReason',
  'letThrough',
  'refusedWrongly',
  'notSeen',
] as const
export type ItemResult = (typeof ITEM_RESULTS)[number]

export interface ScoredItem {
  readonly lane: number
  readonly item: DrillItem
  readonly result: ItemResult
  /** `counted`, the id of a reason, `flagged`; null for nothing. */
  readonly answer: string | null
  /** From when it could be told to the press, in ms; null where nothing was pressed. */
  readonly tookMs: number | null
}

export interface FaultScore {
  readonly reasonId: string
  readonly label: string
  /** How often it was to be seen. */
  readonly shown: number
  /** How often it was refused for it. */
  readonly seen: number
  /** How often something sound, or wrong in another way, was refused for it. */
  readonly wrongly: number
}

export interface DrillScore {
  readonly items: readonly ScoredItem[]
  /** Cohen's kappa of counting against refusing, with what was not seen as an answer of its own; null where there is nothing to tell apart. */
  readonly kappa: number | null
  /** Repetitions that were counted, and those that were sound. */
  readonly counted: number
  readonly truly: number
  /** Presses that belong to no repetition. */
  readonly extra: number
  readonly faults: readonly FaultScore[]
  /** The middle one, in ms; null where nothing was pressed. */
  readonly reactionMs: number | null
}

/** Nobody answers sooner; what is pressed about then is about this repetition. */
const USUAL_REACTION_MS = 350
/** Something that wavers, or a line, is not answered to the tenth of a second. */
const FLAGGED_WITHIN_MS = 2_200

/** What the captures of a set say, lane by lane. @param entryIds the candidate of each lane @param startedAtMs of each lane; null where it has not begun */
export const decisionsIn = (
  captures: readonly Capture[],
  entryIds: readonly string[],
  startedAtMs: readonly (number | null)[],
  offBeatId: string | null,
): DrillDecision[] =>
  captures.flatMap((capture): DrillDecision[] => {
    const lane = entryIds.indexOf(capture.entryId ?? '')
    const fromMs = startedAtMs[lane] ?? null
    const answer = answerOf(capture, offBeatId)
    return fromMs === null || answer === null ? [] : [{ lane, atMs: capture.atMs - fromMs, answer }]
  })

const answerOf = (capture: Capture, offBeatId: string | null): string | null => {
  switch (capture.kind) {
    case 'counted':
      return COUNTED
    case 'refused':
      return capture.payload.reason
    case 'missed':
      return offBeatId ?? FLAGGED
    case 'cautioned':
      return FLAGGED
    default:
      return null
  }
}

/** @param untilMs when the grader ended each lane, from its start; null: it was watched to its end */
export const scoreDrill = (
  drill: Drill,
  decisions: readonly DrillDecision[],
  untilMs: readonly (number | null)[] = [],
): DrillScore => {
  const isCounted = drillStyle(drill.spec.movement) === 'counted'
  const lanes = drill.lanes.map((lane, at) =>
    scoreLane(
      lane,
      at,
      decisions.filter((one) => one.lane === at),
      untilMs[at] ?? null,
      isCounted,
    ),
  )
  const items = lanes.flatMap((lane) => lane.items)
  const extras = lanes.flatMap((lane) => lane.extra)
  const took = items.flatMap(({ tookMs }) => tookMs ?? []).sort((a, b) => a - b)
  return {
    items,
    kappa: agreementOf(items.map((one) => [one.item.fault ? 1 : 0, placeOfAnswer(one)])),
    counted: isCounted
      ? items.filter(({ answer }) => answer === COUNTED).length +
        extras.filter(({ answer }) => answer === COUNTED).length
      : items.filter(({ answer }) => answer === null).length,
    truly: items.filter(({ item }) => item.fault === null).length,
    extra: extras.length,
    faults: drill.faults.map(({ reasonId, label }) => {
      const shown = items.filter(({ item }) => item.fault?.reasonId === reasonId)
      const saysSo = ({ answer }: ScoredItem): boolean => answer === reasonId
      return {
        reasonId,
        label,
        shown: shown.length,
        seen: shown.filter((one) => saysSo(one) || one.answer === FLAGGED).length,
        wrongly: items.filter((one) => saysSo(one) && !shown.includes(one)).length,
      }
    }),
    reactionMs: took[Math.floor(took.length / 2)] ?? null,
  }
}

const scoreLane = (
  { items }: DrillLane,
  lane: number,
  decisions: readonly DrillDecision[],
  untilMs: number | null,
  isCounted: boolean,
): { readonly items: readonly ScoredItem[]; readonly extra: readonly DrillDecision[] } => {
  const shown = items.filter(({ decideAtMs }) => untilMs === null || decideAtMs <= untilMs)
  const truth = shown.map(({ decideAtMs, fault }) => ({
    atMs: decideAtMs + USUAL_REACTION_MS,
    answer: fault?.reasonId ?? COUNTED,
  }))
  const { besideOf, left } = isCounted
    ? pairDecisions(truth, decisions)
    : pairDecisions(truth, decisions, FLAGGED_WITHIN_MS)
  return {
    items: shown.map((item, at) => {
      const decision = decisions[besideOf.get(at) ?? -1]
      const answer = decision?.answer ?? null
      return {
        lane,
        item,
        answer,
        result: resultOf(item, answer, isCounted),
        tookMs: decision ? decision.atMs - item.decideAtMs : null,
      }
    }),
    extra: left.flatMap((at) => decisions[at] ?? []),
  }
}

const resultOf = ({ fault }: DrillItem, answer: string | null, isCounted: boolean): ItemResult => {
  if (answer === null) return isCounted ? 'notSeen' : fault ? 'letThrough' : 'right'
  if (!fault) return answer === COUNTED ? 'right' : 'refusedWrongly'
  if (answer === COUNTED) return 'letThrough'
  return answer === fault.reasonId || answer === FLAGGED ? 'refusedRightly' : 'otherReason'
}

/** Where an answer stands in a table of answers: counted or let pass, refused, nothing though something was asked. */
export const placeOfAnswer = ({ answer, result }: Pick<ScoredItem, 'answer' | 'result'>): 0 | 1 | 2 => {
  if (result === 'notSeen') return 2
  return answer === null || answer === COUNTED ? 0 : 1
}

/** Cohen's kappa of answers by their places. */
export const agreementOf = (pairs: readonly (readonly [first: 0 | 1 | 2, second: 0 | 1 | 2])[]): number | null => {
  const table = Array.from({ length: 3 }, () => [0, 0, 0])
  for (const [first, second] of pairs) {
    const row = table[first]
    if (row) row[second] = (row[second] ?? 0) + 1
  }
  return kappa(table, 'plain')
}

/** The fault that escaped most often, to be shown more of; null where none did. */
export const weakest = ({ faults }: Pick<DrillScore, 'faults'>): FaultScore | null =>
  [...faults].sort((a, b) => b.shown - b.seen - (a.shown - a.seen)).find(({ shown, seen }) => seen < shown) ?? null
