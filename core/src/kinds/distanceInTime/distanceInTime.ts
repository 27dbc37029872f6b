/** As far as possible in a fixed time. */
import { capacityFromTwelveMinutes } from '../../estimate/aerobicCapacity.ts'
import { defineKind, type Worked } from '../kind.ts'
import { FASTEST_MS_PER_M, SLOWEST_MS_PER_M } from '../ranges.ts'
import { needed } from '../slot.ts'
import { waveStart } from '../stage.ts'
import { distanceReferee, stampedDistance, type DistanceRun } from './referee.ts'
import { DistanceInTime } from './protocol.ts'
import { rehearseRunner } from './rehearse.ts'
import { words } from './words.ts'

const TWELVE_MINUTES_MS = 720_000

const toMark = (distanceMm: number, markEveryMm: number): Worked => {
  const value = Math.floor(distanceMm / markEveryMm) * markEveryMm
  return { value, steps: value === distanceMm ? [] : [{ code: 'lastMark', markEveryMm }] }
}

export const distanceInTime = defineKind<DistanceInTime, DistanceRun>({
  name: 'Distance in a time',
  protocol: DistanceInTime,
  template: {
    startCommands: ['Get ready', 'Set', 'Go'],
    durationMs: TWELVE_MINUTES_MS,
    lapLengthMm: 400_000,
    markEveryMm: 10_000,
  },
  captures: ['waveStarted', 'crossed', 'markedAt', 'cautioned'],
  startsTogether: true,
  form: () => ({ unit: 'mm', shownIn: 'm' }),
  sense: () => 'atLeast',
  slots: () => [needed('distance', 'Distance', { unit: 'mm', shownIn: 'm' })],
  measure: ({ markEveryMm }, readings) => toMark(readings['distance'] ?? 0, markEveryMm),
  ...distanceReferee,
  stamped: stampedDistance,
  progress: () => ({ what: 'laps', of: null }),
  endings: ({ walkingAllowed }) => (walkingAllowed === false ? [{ label: 'Walked', then: 'fails' as const }] : []),
  sensibleRange: ({ durationMs }) => ({
    least: Math.ceil((durationMs * 1000) / SLOWEST_MS_PER_M),
    most: Math.floor((durationMs * 1000) / FASTEST_MS_PER_M),
  }),
  finestStep: ({ markEveryMm }) => markEveryMm,
  estimates: ({ durationMs }, valueMm) =>
    durationMs === TWELVE_MINUTES_MS ? [capacityFromTwelveMinutes(valueMm)] : [],
  ground: ({ lapLengthMm, markEveryMm }) => ({
    shape: 'loop',
    lengthMm: lapLengthMm,
    distanceMm: null,
    lengths: null,
    marksEveryMm: markEveryMm,
  }),
  words,
  // twelve kilometres an hour
  usual: ({ durationMs }) => Math.round((durationMs * 10) / 3),
  rehearseWave: (stage, protocol, wave, startAtMs, runners) => [
    waveStart(stage, wave, startAtMs, runners),
    ...runners.flatMap((runner) => rehearseRunner(stage, protocol, startAtMs, runner)),
  ],
})
