/**
 * Rules that were judged wrongly once, each worked by hand. A case is one event, what was read of one person in it, and
 * what it has to come to; the same cases go through core, through results files and through HTTP.
 */
import type { Mark } from '../src/judge/mark.ts'
import type { Readings } from '../src/kinds/slot.ts'
import { protocolTemplate } from '../src/kinds/protocolTemplates.ts'
import type { EventKind } from '../src/kinds/kinds.ts'
import type { Unit } from '../src/quantity/unit.ts'

export interface RuleCase {
  readonly name: string
  /** As it stands in a standard, without id and name. */
  readonly event: object
  readonly readings: Readings
  readonly bodyMassG?: number
  /** Of the standard; left out, everything is taken as exact. */
  readonly uncertainty?: object
  /** `margin` where there is a cut. */
  readonly expected: {
    readonly kind: 'met' | 'short' | 'scored' | 'open' | 'ended'
    readonly rounded?: number
    readonly margin?: number
    readonly centipoints?: number
    readonly nearTheCut?: boolean
  }
}

/** An event of a kind as the editor begins it, with changes. */
const of = (kind: EventKind, protocol: object, rest: object): object => ({
  protocol: { ...protocolTemplate(kind), ...protocol },
  ...rest,
})
const rounded = (mode: 'truncate' | 'nearest' | 'up', step = 1): object => ({ rounding: { mode, step } })
const atLeast = (cut: number, unit: Unit): object => ({ scoring: { kind: 'singleCut', unit, atLeast: cut } })
const atMost = (cut: number, unit: Unit): object => ({ scoring: { kind: 'singleCut', unit, atMost: cut } })

const tries = (mode: 'truncate' | 'nearest' | 'up', cut: number, attemptsAllowed: number): object =>
  of(
    'attempts',
    { unit: 'count', select: 'mean', attemptsAllowed, resolution: 1 },
    { ...rounded(mode), ...atLeast(cut, 'count') },
  )
const twoWatches = { watches: 3, ofTwo: 'mean', ofThree: 'mean' }
const hold = (mode: 'truncate' | 'nearest' | 'up', cut: number): object =>
  of('heldPosition', { watchRule: twoWatches }, { ...rounded(mode, 1_000), ...atLeast(cut, 'ms') })
const run = (mode: 'truncate' | 'nearest' | 'up', cut: number): object =>
  of('timedDistance', { watchRule: twoWatches }, { ...rounded(mode, 1_000), ...atMost(cut, 'ms') })
const lift = (estimate: 'epley' | 'brzycki', mode: 'truncate' | 'nearest' | 'up', step: number, cut: number): object =>
  of('heaviestLift', { estimate }, { ...rounded(mode, step), ...atLeast(cut, 'g') })

/** Hand timing to 0.2 s, masses read to 0.5 kg; nearer to the cut than that a person decides. */
const sure = { uncertainty: { handTimingMs: 200, massG: 500, nearTheCut: 'decide' } }
const sprint = (timing: 'hand' | 'electronic' | 'either', cut: number): object =>
  of('sprint', { timing }, { ...rounded('truncate', 10), ...atMost(cut, 'ms') })
const plates = (cut: number): object => of('heaviestLift', {}, { ...rounded('truncate', 500), ...atLeast(cut, 'g') })
const grip = (cut: number): object =>
  of(
    'attempts',
    { unit: 'g', attemptsAllowed: 1, resolution: 500 },
    { ...rounded('truncate', 500), ...atLeast(cut, 'g') },
  )
const shuttle = (cut: number): object =>
  of('progressiveShuttle', {}, { ...rounded('truncate'), ...atLeast(cut, 'levelShuttle') })
/** 100 points at the anchor, one off for each shuttle. */
const shuttleBy = (anchor: number): object =>
  of(
    'progressiveShuttle',
    {},
    {
      ...rounded('truncate'),
      scoring: {
        kind: 'pointsByRule',
        unit: 'levelShuttle',
        fullCentipoints: 10_000,
        offCentipoints: 100,
        perUnit: 1,
        units: 'started',
        bands: [{ ageFrom: 0, anchor }],
      },
    },
  )
const levels = (counts: 'lastCompletedLevel' | 'levelBeforeFirstMiss', cut: number): object =>
  of('progressiveShuttle', { counts }, { ...rounded('truncate'), ...atLeast(cut, 'level') })
/** At most 150 beats a minute after three minutes, counted for 30 s. */
const steps = (protocol: object): object =>
  of(
    'stepTest',
    { durationMs: 180_000, pulseWindowMs: 30_000, ...protocol },
    { ...rounded('truncate'), ...atMost(150, 'bpm') },
  )
/** Whole pounds: 453.592 g, which a standard holds as 454. */
const inPounds = (scoring: object): object =>
  of(
    'heaviestLift',
    { startLoadG: 20_412, incrementG: 454 },
    { ...rounded('truncate', 454), publishedIn: 'lb', ...scoring },
  )
const halfOfBodyMass = inPounds({
  scoring: {
    kind: 'relativeCut',
    unit: 'g',
    of: 'lesser',
    shareRounding: { mode: 'truncate', step: 454 },
    rows: [{ ageFrom: 0, shareOfBodyMassPermille: 500 }],
  },
})
const poundByPound = {
  scoring: {
    kind: 'pointsByRule',
    unit: 'g',
    fullCentipoints: 10_000,
    offCentipoints: 100,
    perUnit: 454,
    units: 'whole',
    bands: [{ ageFrom: 0, anchor: 45_359 }],
  },
}
const inInches = (cut: number): object =>
  of(
    'attempts',
    { unit: 'mm', attemptsAllowed: 1, resolution: 13 },
    { ...rounded('truncate', 13), publishedIn: 'in', ...atLeast(cut, 'mm') },
  )
/** A limit of 10:00 before the cut of 11:00. */
const limited = (kind: 'timedDistance' | 'workChain' | 'stationCourse'): object =>
  of(kind, { limitMs: 600_000 }, { ...rounded('up', 1_000), ...atMost(660_000, 'ms') })

// a table is read along its rows
// oxfmt-ignore
export const RULE_CASES: readonly RuleCase[] = [
  // a mean is exact until the event rounds: 19 and 20 are 19.5
  { name: 'a mean of 19.5 cut down is 19', event: tries('truncate', 20, 2), readings: { 'try-1': 19, 'try-2': 20 }, expected: { kind: 'short', rounded: 19, margin: -1 } },
  { name: 'a mean of 19.5 to the nearest is 20', event: tries('nearest', 20, 2), readings: { 'try-1': 19, 'try-2': 20 }, expected: { kind: 'met', rounded: 20, margin: 0 } },
  { name: 'a mean of 20 needs no rounding', event: tries('truncate', 20, 2), readings: { 'try-1': 19, 'try-2': 21 }, expected: { kind: 'met', rounded: 20, margin: 0 } },
  { name: 'a mean of 20.5 cut down is 20', event: tries('truncate', 20, 2), readings: { 'try-1': 20, 'try-2': 21 }, expected: { kind: 'met', rounded: 20, margin: 0 } },
  // 4, 6 and 6 are 5 1/3
  { name: 'a mean of 5 1/3 up is 6', event: tries('up', 6, 3), readings: { 'try-1': 4, 'try-2': 6, 'try-3': 6 }, expected: { kind: 'met', rounded: 6, margin: 0 } },
  { name: 'a mean of 5 1/3 to the nearest is 5', event: tries('nearest', 6, 3), readings: { 'try-1': 4, 'try-2': 6, 'try-3': 6 }, expected: { kind: 'short', rounded: 5, margin: -1 } },
  { name: 'a mean of 5 needs no rounding up', event: tries('up', 6, 3), readings: { 'try-1': 4, 'try-2': 5, 'try-3': 6 }, expected: { kind: 'short', rounded: 5, margin: -1 } },
  // two watches 1 ms apart: 9:40.0005
  { name: 'a mean of watches half a millisecond over the second goes up', event: run('up', 580_000), readings: { time: 580_000, 'time-watch-2': 580_001 }, expected: { kind: 'short', rounded: 581_000, margin: -1_000 } },
  { name: 'a mean of watches on the second stays', event: run('up', 580_000), readings: { time: 579_999, 'time-watch-2': 580_001 }, expected: { kind: 'met', rounded: 580_000, margin: 0 } },
  { name: 'a mean of watches half a millisecond under the second goes up to it', event: run('up', 580_000), readings: { time: 579_999, 'time-watch-2': 580_000 }, expected: { kind: 'met', rounded: 580_000, margin: 0 } },
  { name: 'a mean hold of 59.9995 s cut down is 59', event: hold('truncate', 60_000), readings: { time: 59_999, 'time-watch-2': 60_000 }, expected: { kind: 'short', rounded: 59_000, margin: -1_000 } },
  { name: 'a mean hold of 60.0005 s cut down is 60', event: hold('truncate', 60_000), readings: { time: 60_000, 'time-watch-2': 60_001 }, expected: { kind: 'met', rounded: 60_000, margin: 0 } },
  { name: 'three watches of 59.999, 60 and 60 s are 59.9996… and cut down 59', event: hold('truncate', 60_000), readings: { time: 59_999, 'time-watch-2': 60_000, 'time-watch-3': 60_000 }, expected: { kind: 'short', rounded: 59_000, margin: -1_000 } },
  { name: 'three watches of 59.999, 60 and 60.001 s are 60', event: hold('truncate', 60_000), readings: { time: 59_999, 'time-watch-2': 60_000, 'time-watch-3': 60_001 }, expected: { kind: 'met', rounded: 60_000, margin: 0 } },
  // 5 at 85.7 kg: ×7/6 is 99,983.33 g; 5 at 85.714 kg is 99,999.67 g; 6 at 83.334 kg is 100,000.8 g
  { name: 'an estimate a third of a gram under the cut is short, cut down', event: lift('epley', 'truncate', 1, 100_000), readings: { load: 85_714, repetitions: 5 }, expected: { kind: 'short', rounded: 99_999, margin: -1 } },
  { name: 'the same rounded up is met', event: lift('epley', 'up', 1, 100_000), readings: { load: 85_714, repetitions: 5 }, expected: { kind: 'met', rounded: 100_000, margin: 0 } },
  { name: 'an estimate just over the cut, cut down, is on it', event: lift('epley', 'truncate', 1, 100_000), readings: { load: 83_334, repetitions: 6 }, expected: { kind: 'met', rounded: 100_000, margin: 0 } },
  { name: 'an estimate exactly on the cut is met', event: lift('brzycki', 'truncate', 1, 100_000), readings: { load: 75_000, repetitions: 10 }, expected: { kind: 'met', rounded: 100_000, margin: 0 } },
  { name: 'Brzycki 9 at 77.777 kg is 99,999 g exactly', event: lift('brzycki', 'nearest', 1, 100_000), readings: { load: 77_777, repetitions: 9 }, expected: { kind: 'short', rounded: 99_999, margin: -1 } },
  // the method: a gate and plates are exact, a dynamometer is not; an event may have a figure of its own
  { name: 'a time by a gate on the cut is met, whatever hand timing is worth', ...sure, event: sprint('electronic', 14_000), readings: { 'try-1': 14_000 }, expected: { kind: 'met', rounded: 14_000, margin: 0, nearTheCut: false } },
  { name: 'the same by hand is for a person to decide', ...sure, event: sprint('hand', 14_000), readings: { 'try-1': 14_000 }, expected: { kind: 'open', rounded: 14_000 } },
  { name: 'by either: a gate is exact', ...sure, event: sprint('either', 14_000), readings: { 'try-1': 14_100, electronic: 1 }, expected: { kind: 'short', rounded: 14_100, margin: -100, nearTheCut: false } },
  { name: 'by either: a hand is not', ...sure, event: sprint('either', 14_000), readings: { 'try-1': 14_100, electronic: 0 }, expected: { kind: 'open', rounded: 14_100 } },
  { name: 'plates on the cut are met', ...sure, event: plates(80_000), readings: { load: 80_000 }, expected: { kind: 'met', rounded: 80_000, margin: 0, nearTheCut: false } },
  { name: 'plates under the cut are short', ...sure, event: plates(80_000), readings: { load: 79_500 }, expected: { kind: 'short', rounded: 79_500, margin: -500, nearTheCut: false } },
  { name: 'a grip on the cut may have been under it', ...sure, event: grip(45_000), readings: { 'try-1': 45_000 }, expected: { kind: 'open', rounded: 45_000 } },
  { name: 'a grip a kilogram over the cut is not under it', ...sure, event: grip(45_000), readings: { 'try-1': 46_000 }, expected: { kind: 'met', rounded: 46_000, margin: 1_000, nearTheCut: false } },
  { name: 'a grip half a kilogram over the cut may be, where the event says so', ...sure, event: { ...grip(45_000), uncertainty: 600 }, readings: { 'try-1': 45_500 }, expected: { kind: 'open', rounded: 45_500 } },
  { name: 'an event whose reading is exact is told', ...sure, event: { ...grip(45_000), uncertainty: 0 }, readings: { 'try-1': 45_000 }, expected: { kind: 'met', rounded: 45_000, margin: 0, nearTheCut: false } },
  // shuttles are counted by the schedule: levels of 8, 8, 8, 9, 9, 10, 10 and 11
  { name: 'one shuttle short of 8/1 is short by one', event: shuttle(801), readings: { reached: 710 }, expected: { kind: 'short', rounded: 710, margin: -1 } },
  { name: '8/1 is 8/1', event: shuttle(801), readings: { reached: 801 }, expected: { kind: 'met', rounded: 801, margin: 0 } },
  { name: 'a level and a shuttle more are twelve shuttles', event: shuttle(801), readings: { reached: 902 }, expected: { kind: 'met', rounded: 902, margin: 12 } },
  { name: 'a level that was begun is the end of the one before', event: shuttle(710), readings: { reached: 800 }, expected: { kind: 'met', rounded: 800, margin: 0 } },
  { name: 'a shuttle less costs what a shuttle costs', event: shuttleBy(801), readings: { reached: 710 }, expected: { kind: 'scored', centipoints: 9_900 } },
  { name: 'eleven shuttles less cost eleven times as much', event: shuttleBy(801), readings: { reached: 610 }, expected: { kind: 'scored', centipoints: 8_900 } },
  // 7/10 stopped in level 8: seven complete; a line missed in level 6 and made good
  { name: 'the level stopped in less one', event: levels('lastCompletedLevel', 7), readings: { reached: 710, 'first-miss': 605 }, expected: { kind: 'met', rounded: 7, margin: 0 } },
  { name: 'the level complete before the first miss', event: levels('levelBeforeFirstMiss', 7), readings: { reached: 710, 'first-miss': 605 }, expected: { kind: 'short', rounded: 5, margin: -2 } },
  { name: 'without a miss before the end both are the same', event: levels('levelBeforeFirstMiss', 7), readings: { reached: 710 }, expected: { kind: 'met', rounded: 7, margin: 0 } },
  { name: 'stopped within a level that level does not count', event: levels('lastCompletedLevel', 7), readings: { reached: 709 }, expected: { kind: 'short', rounded: 6, margin: -1 } },
  // what is published in pounds or inches is compared in them: 150 lb are 68,039 g, 75 lb 34,019 g
  { name: '75 lb meet half of 150 lb', event: halfOfBodyMass, bodyMassG: 68_039, readings: { load: 34_019 }, expected: { kind: 'met', rounded: 34_019, margin: 0 } },
  { name: '74 lb are a pound short of half of 150 lb', event: halfOfBodyMass, bodyMassG: 68_039, readings: { load: 33_566 }, expected: { kind: 'short', rounded: 33_566, margin: -453 } },
  { name: '76 lb are a pound more than half of 150 lb', event: halfOfBodyMass, bodyMassG: 68_039, readings: { load: 34_473 }, expected: { kind: 'met', rounded: 34_473, margin: 454 } },
  { name: 'half of 151 lb cut down to whole pounds is 75 lb', event: halfOfBodyMass, bodyMassG: 68_492, readings: { load: 34_019 }, expected: { kind: 'met', rounded: 34_019, margin: 0 } },
  { name: '75.9 lb cut down to whole pounds are 75 lb', event: inPounds(atLeast(34_019, 'g')), readings: { load: 34_428 }, expected: { kind: 'met', rounded: 34_019, margin: 0 } },
  { name: '74.9 lb cut down to whole pounds are 74 lb', event: inPounds(atLeast(34_019, 'g')), readings: { load: 33_974 }, expected: { kind: 'short', rounded: 33_566, margin: -453 } },
  // 100 points at 100 lb, one off for each whole pound less
  { name: '90 lb are ten whole pounds less than 100 lb', event: inPounds(poundByPound), readings: { load: 40_823 }, expected: { kind: 'scored', centipoints: 9_000 } },
  { name: '91 lb are nine', event: inPounds(poundByPound), readings: { load: 41_277 }, expected: { kind: 'scored', centipoints: 9_100 } },
  // 10.5 in is 266.7 mm, a half inch 12.7 mm
  { name: 'a reach of 10.5 in is 10.5 in to the half inch', event: inInches(267), readings: { 'try-1': 267 }, expected: { kind: 'met', rounded: 267, margin: 0 } },
  { name: 'a reach of 10.4 in cut down to the half inch is 10 in', event: inInches(267), readings: { 'try-1': 264 }, expected: { kind: 'short', rounded: 254, margin: -13 } },
  // stopped early: the time held where the protocol says so, else did not finish
  { name: 'a step test stopped early did not finish', event: steps({}), readings: { stopped: 170_000 }, expected: { kind: 'ended' } },
  { name: 'stopped at the time that meets it', event: steps({ ifStopped: { atLeastMs: 150_000 } }), readings: { stopped: 150_000 }, expected: { kind: 'met', rounded: 150_000, margin: 0 } },
  { name: 'stopped a moment before it', event: steps({ ifStopped: { atLeastMs: 150_000 } }), readings: { stopped: 149_999 }, expected: { kind: 'short', rounded: 149_000, margin: -1_000 } },
  { name: 'stopped a second after it', event: steps({ ifStopped: { atLeastMs: 150_000 } }), readings: { stopped: 151_000 }, expected: { kind: 'met', rounded: 151_000, margin: 1_000 } },
  { name: 'not stopped, the pulse counts as ever', event: steps({ ifStopped: { atLeastMs: 150_000 } }), readings: { pulse: 70 }, expected: { kind: 'met', rounded: 140, margin: 10 } },
  // a limit stops everybody; exactly on it is done
  ...(['timedDistance', 'workChain', 'stationCourse'] as const).flatMap((kind): RuleCase[] => [
    { name: `${kind}: a time on the limit counts`, event: limited(kind), readings: { time: 600_000 }, expected: { kind: 'met', rounded: 600_000, margin: 60_000 } },
    { name: `${kind}: a millisecond over the limit did not finish`, event: limited(kind), readings: { time: 600_001 }, expected: { kind: 'ended' } },
    { name: `${kind}: half a minute over the limit did not finish`, event: limited(kind), readings: { time: 630_000 }, expected: { kind: 'ended' } },
    { name: `${kind}: a second under the limit counts`, event: limited(kind), readings: { time: 599_000 }, expected: { kind: 'met', rounded: 599_000, margin: 61_000 } },
  ]),
]

/** What a case says of a mark, of that mark. */
export const saidOf = (mark: Mark, { expected }: RuleCase): object => ({
  kind: mark.kind,
  ...('rounded' in expected && 'rounded' in mark ? { rounded: mark.rounded } : {}),
  ...('margin' in expected && 'margin' in mark ? { margin: mark.margin } : {}),
  ...('centipoints' in expected && 'points' in mark ? { centipoints: mark.points?.centipoints } : {}),
  ...('nearTheCut' in expected && 'nearTheCut' in mark ? { nearTheCut: mark.nearTheCut } : {}),
})
