/**
 * The hand-worked table: verdicts worked out on paper from the text of the demo standards. The same cases go through
 * core and through HTTP. Nothing here may be computed with the code under test.
 *
 * Version 3: at least 24 press-ups in 1:30 and 2 cautions allowed, one restart within the first 5; 2,000 m in at most
 * 9:40 rounded up to the whole second; hand timing good to 0.2 s, near the cut a person decides. Version 2: by band.
 */
import type { Observation } from '../src/capture/capture.ts'
import type { StandardName } from './standards.ts'

/** Moment after the start of the event, and what was seen. */
export type Seen = readonly [atMs: number, observation: Observation]

export interface HandWorkedCase {
  readonly name: string
  readonly standard: StandardName
  readonly testDate: string
  readonly birthDate: string
  readonly category: 'female' | 'male'
  /** Undefined when the event was not begun. */
  readonly pressUps?: readonly Seen[]
  /** Crossings and stops; the wave starts at 0. */
  readonly run?: readonly Seen[]
  readonly expected: {
    readonly pressUps: string
    readonly run: string
    readonly verdict: string
    readonly margins?: { readonly pressUps?: number; readonly run?: number }
  }
}

const bare = (kind: 'started' | 'counted' | 'cautioned' | 'crossed'): Observation => ({ kind, payload: {} })
const stop = (reason: 'time' | 'ended' | 'didNotFinish' | 'safety' | 'withdrawn' | 'disqualified'): Observation => ({
  kind: 'stopped',
  payload: { reason },
})
const restart: Observation = { kind: 'restarted', payload: { reason: 'hands too wide' } }
const refused: Observation = { kind: 'refused', payload: { reason: 'depth' } }

/** `count` repetitions, one each 1.5 s from 1 s on. */
const counted = (count: number, fromMs = 1_000): Seen[] =>
  Array.from({ length: count }, (_, index) => [fromMs + index * 1_500, bare('counted')] as const)

const pressUps = (count: number): Seen[] => [[0, bare('started')], ...counted(count), [90_000, stop('time')]]

/** Four laps of 100 s, then the finish. */
const run = (finishMs: number): Seen[] => [
  ...[100_000, 200_000, 300_000, 400_000].map((at): Seen => [at, bare('crossed')]),
  [finishMs, bare('crossed')],
]

const v3 = { standard: 'v3', testDate: '2026-11-24', birthDate: '1999-05-04', category: 'female' } as const
const v3flag = { ...v3, standard: 'v3flag' } as const
const v2 = { standard: 'v2', testDate: '2025-09-30', birthDate: '2000-01-01', category: 'male' } as const

// a table is read along its rows
// oxfmt-ignore
export const HAND_WORKED_CASES: readonly HandWorkedCase[] = [
  // equal to the cut
  { ...v3, name: 'exactly 24 press-ups and a clear run', pressUps: pressUps(24), run: run(560_000), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { pressUps: 0, run: 20_000 } } },
  { ...v3, name: '23 press-ups are one short', pressUps: pressUps(23), run: run(560_000), expected: { pressUps: 'short', run: 'met', verdict: 'short', margins: { pressUps: -1 } } },
  { ...v3, name: '25 press-ups are one over', pressUps: pressUps(25), run: run(560_000), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { pressUps: 1 } } },
  { ...v3flag, name: '9:40.000 is at most 9:40', pressUps: pressUps(30), run: run(580_000), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { run: 0 } } },
  { ...v3flag, name: '9:40.001 rounds up to 9:41 and is short', pressUps: pressUps(30), run: run(580_001), expected: { pressUps: 'met', run: 'short', verdict: 'short', margins: { run: -1_000 } } },
  { ...v3flag, name: '9:39.001 rounds up to 9:40 and is met', pressUps: pressUps(30), run: run(579_001), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { run: 0 } } },
  { ...v3flag, name: '9:39.000 is a second inside', pressUps: pressUps(30), run: run(579_000), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { run: 1_000 } } },
  { ...v3flag, name: '9:41.000 is a second over', pressUps: pressUps(30), run: run(581_000), expected: { pressUps: 'met', run: 'short', verdict: 'short', margins: { run: -1_000 } } },
  // the other rounding rules at the same cut
  { ...v3, standard: 'v3truncate', name: 'cut down, 9:40.999 is 9:40 and met', pressUps: pressUps(30), run: run(580_999), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { run: 0 } } },
  { ...v3, standard: 'v3truncate', name: 'cut down, 9:41.000 is short', pressUps: pressUps(30), run: run(581_000), expected: { pressUps: 'met', run: 'short', verdict: 'short', margins: { run: -1_000 } } },
  { ...v3, standard: 'v3nearest', name: 'to the nearest second, 9:40.499 is met', pressUps: pressUps(30), run: run(580_499), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { run: 0 } } },
  { ...v3, standard: 'v3nearest', name: 'to the nearest second, 9:40.500 is short', pressUps: pressUps(30), run: run(580_500), expected: { pressUps: 'met', run: 'short', verdict: 'short', margins: { run: -1_000 } } },
  { ...v3, standard: 'v3tenth', name: 'to the nearest tenth, 9:40.049 is met', pressUps: pressUps(30), run: run(580_049), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { run: 0 } } },
  { ...v3, standard: 'v3tenth', name: 'to the nearest tenth, 9:40.050 is short by a tenth', pressUps: pressUps(30), run: run(580_050), expected: { pressUps: 'met', run: 'short', verdict: 'short', margins: { run: -100 } } },
  // nearer to the cut than hand timing can tell: 0.2 s either way of 9:40.0
  { ...v3, name: '9:39.8 cannot be told from 9:40.0 but both are met', pressUps: pressUps(30), run: run(579_800), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { run: 0 } } },
  { ...v3, name: '9:39.801 may have been 9:40.001, so a person decides', pressUps: pressUps(30), run: run(579_801), expected: { pressUps: 'met', run: 'open', verdict: 'open' } },
  { ...v3, name: '9:40.0 may have been 9:40.2, so a person decides', pressUps: pressUps(30), run: run(580_000), expected: { pressUps: 'met', run: 'open', verdict: 'open' } },
  { ...v3, name: '9:40.2 may have been 9:40.0, so a person decides', pressUps: pressUps(30), run: run(580_200), expected: { pressUps: 'met', run: 'open', verdict: 'open' } },
  { ...v3, name: '9:40.201 is short whatever the watch', pressUps: pressUps(30), run: run(580_201), expected: { pressUps: 'met', run: 'short', verdict: 'short', margins: { run: -1_000 } } },
  { ...v3, name: 'short press-ups decide before an open run', pressUps: pressUps(10), run: run(580_000), expected: { pressUps: 'short', run: 'open', verdict: 'short' } },
  { ...v3, name: 'an open run decided as met', pressUps: pressUps(30), run: [...run(580_000), [900_000, { kind: 'decided', payload: { as: 'met', reason: 'Backup watch read 9:39.6.' } }]], expected: { pressUps: 'met', run: 'decided', verdict: 'met' } },
  { ...v3, name: 'an open run decided as short', pressUps: pressUps(30), run: [...run(580_000), [900_000, { kind: 'decided', payload: { as: 'short', reason: 'Backup watch read 9:40.6.' } }]], expected: { pressUps: 'met', run: 'decided', verdict: 'short' } },
  { ...v3, name: 'a decision cannot overrule a clear figure', pressUps: pressUps(30), run: [...run(600_000), [900_000, { kind: 'decided', payload: { as: 'met', reason: 'Asked nicely.' } }]], expected: { pressUps: 'met', run: 'short', verdict: 'short', margins: { run: -20_000 } } },
  // repetitions: time, cautions, restart, stop
  { ...v3, name: 'the 24th exactly at 1:30 counts', pressUps: [[0, bare('started')], ...counted(23), [90_000, bare('counted')], [90_000, stop('time')]], run: run(560_000), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { pressUps: 0 } } },
  { ...v3, name: 'the 24th a millisecond after 1:30 does not', pressUps: [[0, bare('started')], ...counted(23), [90_000, stop('time')], [90_001, bare('counted')]], run: run(560_000), expected: { pressUps: 'short', run: 'met', verdict: 'short', margins: { pressUps: -1 } } },
  { ...v3, name: 'refused repetitions do not count', pressUps: [[0, bare('started')], ...counted(23), [60_000, refused], [61_000, refused], [90_000, stop('time')]], run: run(560_000), expected: { pressUps: 'short', run: 'met', verdict: 'short', margins: { pressUps: -1 } } },
  { ...v3, name: 'two cautions are allowed', pressUps: [[0, bare('started')], ...counted(26), [20_200, bare('cautioned')], [30_200, bare('cautioned')], [90_000, stop('time')]], run: run(560_000), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { pressUps: 2 } } },
  { ...v3, name: 'the third caution ends the event at 15 counted', pressUps: [[0, bare('started')], ...counted(30), [5_200, bare('cautioned')], [12_200, bare('cautioned')], [22_200, bare('cautioned')], [90_000, stop('time')]], run: run(560_000), expected: { pressUps: 'short', run: 'met', verdict: 'short', margins: { pressUps: -9 } } },
  { ...v3, name: 'a restart after 5 wipes them', pressUps: [[0, bare('started')], ...counted(5), [9_000, restart], [60_000, bare('started')], ...counted(24, 61_000), [150_000, stop('time')]], run: run(560_000), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { pressUps: 0 } } },
  { ...v3, name: 'a restart after 6 is too late and the attempt goes on', pressUps: [[0, bare('started')], ...counted(6), [9_900, restart], ...counted(18, 12_000), [90_000, stop('time')]], run: run(560_000), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { pressUps: 0 } } },
  { ...v3, name: 'a caution before a restart still stands after it', pressUps: [[0, bare('started')], ...counted(2), [3_500, bare('cautioned')], [4_000, restart], [60_000, bare('started')], ...counted(10, 61_000), [76_000, bare('cautioned')], [76_100, bare('cautioned')], ...counted(20, 77_000), [150_000, stop('time')]], run: run(560_000), expected: { pressUps: 'short', run: 'met', verdict: 'short', margins: { pressUps: -14 } } },
  { ...v3, name: 'ended by the candidate at 24', pressUps: [[0, bare('started')], ...counted(24), [40_000, stop('ended')]], run: run(560_000), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { pressUps: 0 } } },
  { ...v3, name: 'stopped for safety is for a person to decide', pressUps: [[0, bare('started')], ...counted(12), [30_000, stop('safety')]], expected: { pressUps: 'open', run: 'waiting', verdict: 'open' } },
  // not finished, withdrawn, disqualified
  { ...v3, name: 'nothing begun', expected: { pressUps: 'waiting', run: 'waiting', verdict: 'notStarted' } },
  { ...v3, name: 'press-ups met, run to come', pressUps: pressUps(30), expected: { pressUps: 'met', run: 'waiting', verdict: 'notFinished' } },
  { ...v3, name: 'press-ups short, run to come: can no longer be met', pressUps: pressUps(20), expected: { pressUps: 'short', run: 'waiting', verdict: 'short', margins: { pressUps: -4 } } },
  { ...v3, name: 'press-ups under way', pressUps: [[0, bare('started')], ...counted(4)], expected: { pressUps: 'running', run: 'waiting', verdict: 'notFinished' } },
  { ...v3, name: 'four of five laps and still out', pressUps: pressUps(30), run: run(560_000).slice(0, 4), expected: { pressUps: 'met', run: 'running', verdict: 'notFinished' } },
  { ...v3, name: 'four of five laps and closed', pressUps: pressUps(30), run: [...run(560_000).slice(0, 4), [800_000, stop('didNotFinish')]], expected: { pressUps: 'met', run: 'ended', verdict: 'notFinished' } },
  { ...v3, name: 'withdrawn on the second lap', pressUps: pressUps(30), run: [[100_000, bare('crossed')], [150_000, stop('withdrawn')]], expected: { pressUps: 'met', run: 'ended', verdict: 'withdrawn' } },
  { ...v3, name: 'withdrawn before the first event', pressUps: [[0, stop('withdrawn')]], expected: { pressUps: 'ended', run: 'waiting', verdict: 'withdrawn' } },
  { ...v3, name: 'disqualified after a finish inside the limit', pressUps: pressUps(30), run: [...run(540_000), [541_000, stop('disqualified')]], expected: { pressUps: 'met', run: 'ended', verdict: 'disqualified' } },
  { ...v3, name: 'a stop after the finish does not undo it', pressUps: pressUps(30), run: [...run(540_000), [541_000, stop('didNotFinish')]], expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { run: 40_000 } } },
  { ...v3, name: 'a sixth crossing changes nothing', pressUps: pressUps(30), run: [...run(540_000), [640_000, bare('crossed')]], expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { run: 40_000 } } },
  // band edges: 29 and 30, 39 and 40; both columns
  { ...v2, name: 'a man of 25 needs 30 and 9:15', pressUps: pressUps(30), run: run(555_000), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { pressUps: 0, run: 0 } } },
  { ...v2, name: 'a man of 25 with 29 and 9:16', pressUps: pressUps(29), run: run(556_000), expected: { pressUps: 'short', run: 'short', verdict: 'short', margins: { pressUps: -1, run: -1_000 } } },
  { ...v2, birthDate: '1995-10-01', name: 'the day before turning 30 is still 29', pressUps: pressUps(29), run: run(556_000), expected: { pressUps: 'short', run: 'short', verdict: 'short', margins: { pressUps: -1, run: -1_000 } } },
  { ...v2, birthDate: '1995-09-30', name: 'on the 30th birthday the next band holds', pressUps: pressUps(27), run: run(580_000), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { pressUps: 0, run: 0 } } },
  { ...v2, birthDate: '1985-10-01', name: 'the day before turning 40 is still 39', pressUps: pressUps(27), run: run(580_000), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { pressUps: 0, run: 0 } } },
  { ...v2, birthDate: '1985-09-30', name: 'on the 40th birthday 23 and 10:05 are asked', pressUps: pressUps(23), run: run(605_000), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { pressUps: 0, run: 0 } } },
  { ...v2, category: 'female', name: 'a woman of 25 needs 20 and 10:20', pressUps: pressUps(20), run: run(620_000), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { pressUps: 0, run: 0 } } },
  { ...v2, category: 'female', birthDate: '1990-06-15', name: 'a woman of 35 with 16 and 10:46', pressUps: pressUps(16), run: run(646_000), expected: { pressUps: 'short', run: 'short', verdict: 'short', margins: { pressUps: -1, run: -1_000 } } },
  { ...v2, category: 'female', birthDate: '1970-06-15', name: 'a woman of 55 needs 14 and 11:10', pressUps: pressUps(14), run: run(670_000), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { pressUps: 0, run: 0 } } },
  { ...v2, birthDate: '2008-01-01', name: 'at 17 no band fits', pressUps: pressUps(40), run: run(500_000), expected: { pressUps: 'open', run: 'open', verdict: 'open' } },
  // born on 29 February, tested in a year without one: 30 on 1 March, or on 28 February
  { ...v2, birthDate: '1996-02-29', testDate: '2026-02-28', name: 'leap day, 28 February, birthday on 1 March: still 29', pressUps: pressUps(29), run: run(556_000), expected: { pressUps: 'short', run: 'short', verdict: 'short', margins: { pressUps: -1, run: -1_000 } } },
  { ...v2, birthDate: '1996-02-29', testDate: '2026-03-01', name: 'leap day, 1 March, birthday on 1 March: 30', pressUps: pressUps(27), run: run(580_000), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { pressUps: 0, run: 0 } } },
  { ...v2, standard: 'v2leap28', birthDate: '1996-02-29', testDate: '2026-02-28', name: 'leap day, 28 February, birthday on 28 February: 30', pressUps: pressUps(27), run: run(580_000), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { pressUps: 0, run: 0 } } },
  { ...v2, standard: 'v2leap28', birthDate: '1996-02-29', testDate: '2026-02-27', name: 'leap day, 27 February, birthday on 28 February: still 29', pressUps: pressUps(29), run: run(556_000), expected: { pressUps: 'short', run: 'short', verdict: 'short', margins: { pressUps: -1, run: -1_000 } } },
  { ...v2, birthDate: '1984-02-29', testDate: '2024-02-29', name: 'leap day in a leap year: 40 on the day itself', pressUps: pressUps(23), run: run(605_000), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { pressUps: 0, run: 0 } } },
  // the other age rules
  { ...v2, standard: 'v2yearEnd', birthDate: '1995-12-31', name: 'counted at the end of the year: 30 all year', pressUps: pressUps(27), run: run(580_000), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { pressUps: 0, run: 0 } } },
  { ...v2, standard: 'v2fixed', birthDate: '1995-09-02', name: 'counted on 1 September: 29 although 30 on the day', pressUps: pressUps(29), run: run(556_000), expected: { pressUps: 'short', run: 'short', verdict: 'short', margins: { pressUps: -1, run: -1_000 } } },
  { ...v2, standard: 'v2fixed', birthDate: '1995-09-01', name: 'counted on 1 September: 30 on that very day', pressUps: pressUps(27), run: run(580_000), expected: { pressUps: 'met', run: 'met', verdict: 'met', margins: { pressUps: 0, run: 0 } } },
]
