/**
 * Every kind with every school that sets a limit, and every way of combining, with the limit in threes: the hand-worked result of
 * KIND_CASES lies a step short of it, exactly on it, or a step beyond. What follows is said here, never computed with the code under test.
 */
import type { EventKind } from '../src/kinds/kinds.ts'
import { bandsWith, plainEvent, plainStandard } from './kindStandard.ts'
import { KIND_CASES, type KindCase } from './kindCases.ts'

export interface ThreeCase {
  readonly name: string
  readonly one: KindCase
  readonly standard: object
  readonly expected: {
    readonly mark: 'met' | 'short' | 'scored'
    readonly outcome: 'met' | 'short' | 'tookPart'
    readonly margin?: number
    readonly centipoints?: number
    readonly className?: string
  }
}

type Place = 'short of' | 'on' | 'beyond'
const PLACES: readonly Place[] = ['short of', 'on', 'beyond']

/** Of these a smaller figure is the better one. */
const LESS_IS_BETTER: ReadonlySet<EventKind> = new Set([
  'timedDistance',
  'sprint',
  'stationCourse',
  'workChain',
  'stepTest',
  'bodyMeasures',
])
const UNITS: Partial<Readonly<Record<EventKind, string>>> = {
  repetitionsInTime: 'count',
  repetitionsToFailure: 'count',
  repetitionsToCadence: 'count',
  distanceInTime: 'mm',
  progressiveShuttle: 'levelShuttle',
  attempts: 'g',
  heaviestLift: 'g',
  stepTest: 'bpm',
  bodyMeasures: 'mm',
  untimedTask: 'done',
}
const unitOf = ({ kind }: KindCase): string => UNITS[kind] ?? 'ms'

interface Scored {
  readonly school: string
  readonly scoring: object
  readonly place: Place
  readonly mark: Omit<ThreeCase['expected'], 'outcome'>
}

/** Where the limit stands for a result to be at a place of it. */
const limitAt = ({ kind, rounded, rounding }: KindCase, place: Place, steps = 1): number => {
  const worse = (LESS_IS_BETTER.has(kind) ? 1 : -1) * rounding.step * steps
  return place === 'on' ? rounded : place === 'beyond' ? rounded + worse : rounded - worse
}

const byMargin = (one: KindCase): Scored[] => {
  const unit = unitOf(one)
  const sense = LESS_IS_BETTER.has(one.kind) ? 'atMost' : 'atLeast'
  const { step } = one.rounding
  return PLACES.flatMap((place): Scored[] => {
    const cut = limitAt(one, place)
    const margin = place === 'on' ? 0 : place === 'beyond' ? step : -step
    const mark = { mark: margin < 0 ? 'short' : 'met', margin } as const
    const others = { [sense]: limitAt(one, place, 2) }
    const made = (school: string, scoring: object): Scored => ({ school, scoring, place, mark })
    return [
      made('singleCut', { kind: 'singleCut', unit, [sense]: cut }),
      made('cutByBand', { kind: 'cutByBand', unit, rows: bandsWith({ [sense]: cut }, others) }),
      ...(one.completion && unit === 'ms' ? [made('completion', { kind: 'completion', unit, atMost: cut })] : []),
      // the share of 80 kg lies far beyond, so that the lesser is the constant, and the other way round
      ...(one.relativeCut
        ? (['lesser', 'greater'] as const).map((of) =>
            made(`relativeCut, ${of}`, {
              kind: 'relativeCut',
              unit,
              of,
              shareRounding: { mode: 'truncate', step: 500 },
              rows: [{ ageFrom: 0, constant: cut, shareOfBodyMassPermille: of === 'lesser' ? 2_000 : 10 }],
            }),
          )
        : []),
    ]
  })
}

const byPoints = (one: KindCase): Scored[] => {
  const unit = unitOf(one)
  return PLACES.flatMap((place): Scored[] => {
    const limit = limitAt(one, place)
    const isShort = place === 'short of'
    const made = (school: string, scoring: object, centipoints: number): Scored => ({
      school,
      scoring,
      place,
      mark: { mark: 'scored', centipoints },
    })
    // the row before lies two steps on the bad side of the limit: a result short of the limit is half way between the two
    const before = LESS_IS_BETTER.has(one.kind) ? limit + 2 * one.rounding.step : limit - 2 * one.rounding.step
    const rows = [
      { value: before, centipoints: 4_000 },
      { value: limit, centipoints: 6_000 },
    ]
    const table = (between: string) => ({
      kind: 'pointsTable',
      unit,
      between,
      bands: bandsWith({ rows }, { rows: rows.slice(0, 1) }),
    })
    const rule = (units: string) => ({
      kind: 'pointsByRule',
      unit,
      units,
      fullCentipoints: 10_000,
      offCentipoints: 500,
      // a unit of two steps: a result one step short has begun one, and completed none
      perUnit: 2 * one.rounding.step,
      bands: bandsWith({ anchor: limit }, { anchor: before }),
    })
    return [
      made('pointsTable, lower row', table('lowerRow'), isShort ? 4_000 : 6_000),
      made('pointsTable, between', table('interpolate'), isShort ? 5_000 : 6_000),
      made('pointsByRule, started', rule('started'), isShort ? 9_500 : 10_000),
      made('pointsByRule, whole', rule('whole'), 10_000),
    ]
  })
}

const byClass = (one: KindCase): Scored[] =>
  PLACES.map((place) => ({
    school: 'normClasses',
    scoring: {
      kind: 'normClasses',
      unit: unitOf(one),
      classes: ['low', 'middle', 'high'].map((id) => ({ id, name: id })),
      bands: bandsWith(
        { from: [limitAt(one, 'beyond', 3), limitAt(one, place)] },
        { from: [limitAt(one, 'beyond', 5), limitAt(one, 'beyond', 4)] },
      ),
    },
    place,
    mark: { mark: 'scored', className: place === 'short of' ? 'middle' : 'high' },
  }))

/** Combinations under which one event can be seen, and what each makes of its mark. */
const combined = ({
  mark,
}: Scored): {
  name: string
  combination: object
  outcome: ThreeCase['expected']['outcome']
  asMark?: 'met' | 'short'
}[] => {
  const met = mark.mark === 'short' ? 'short' : 'met'
  if (mark.mark !== 'scored') {
    return [
      { name: 'every event', combination: { kind: 'everyEventMet' }, outcome: met },
      { name: 'best one', combination: { kind: 'bestOf', eventsToMeet: 1 }, outcome: met },
    ]
  }
  const { centipoints } = mark
  const alone = [
    { name: 'every event', combination: { kind: 'everyEventMet' }, outcome: 'tookPart' as const },
    { name: 'took part', combination: { kind: 'tookPart' }, outcome: 'tookPart' as const },
  ]
  if (centipoints === undefined) return alone
  const total = (asked: number) => ({ kind: 'pointsTotal', totalCentipoints: asked })
  const least = (asked: number) => ({ kind: 'pointsTotal', totalCentipoints: 1, minimumEachCentipoints: asked })
  return [
    ...alone,
    { name: 'a total below', combination: total(centipoints - 1), outcome: 'met' },
    { name: 'a total just reached', combination: total(centipoints), outcome: 'met' },
    { name: 'a total above', combination: total(centipoints + 1), outcome: 'short' },
    { name: 'a minimum below', combination: least(centipoints - 1), outcome: 'met', asMark: 'met' },
    { name: 'a minimum just reached', combination: least(centipoints), outcome: 'met', asMark: 'met' },
    { name: 'a minimum above', combination: least(centipoints + 1), outcome: 'short', asMark: 'short' },
  ]
}

const HAS_LIMIT = KIND_CASES.filter(({ singleCut }) => singleCut)

export const THREE_CASES: readonly ThreeCase[] = HAS_LIMIT.flatMap((one) =>
  [...byMargin(one), ...byPoints(one), ...byClass(one)].flatMap((scored) =>
    combined(scored).map(({ name, combination, outcome, asMark }): ThreeCase => ({
      name: `${one.kind}, ${scored.school}, ${scored.place} the limit, ${name}`,
      one,
      standard: plainStandard([plainEvent(one, scored.scoring)], { combination }),
      expected: { ...scored.mark, outcome, ...(asMark ? { mark: asMark } : {}) },
    })),
  ),
)
