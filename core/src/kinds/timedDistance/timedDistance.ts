/** A fixed distance in laps of a course, against the clock of a wave that starts together. */
import { capacityFromMileAndAHalf, MILE_AND_A_HALF_MM } from '../../estimate/aerobicCapacity.ts'
import { defineKind } from '../kind.ts'
import { overDistance, SLOWEST_AIDED_MS_PER_M, SLOWEST_MS_PER_M } from '../ranges.ts'
import { watchSlots } from '../slot.ts'
import { watched } from '../worked.ts'
import { evenSplits } from './evenSplits.ts'
import { lapsOf, lapWord, TimedDistance } from './protocol.ts'
import { raceReferee, stampedRace, type DistanceRace } from './referee.ts'
import { rehearseWave, withMistakes } from './rehearse.ts'
import { words } from './words.ts'

/** How far from the published distance a formula is still used. */
const NEARLY_MM = 20_000

const isRun = ({ by }: TimedDistance): boolean => by === undefined || by === 'run'

/** A finish is practised from the last straight on: everybody crosses once. */
const LAST_METRES = { distanceMm: 60_000, lapLengthMm: 60_000 }

export const timedDistance = defineKind<TimedDistance, DistanceRace>({
  name: 'Timed distance',
  protocol: TimedDistance,
  template: {
    by: 'run',
    distanceMm: 2_000_000,
    lapLengthMm: 400_000,
    startCommands: ['Get ready', 'Set', 'Go'],
  },
  captures: ['waveStarted', 'crossed', 'placed', 'cautioned'],
  startsTogether: true,
  endsWithWork: true,
  form: () => ({ unit: 'ms' }),
  sense: () => 'atMost',
  slots: ({ watchRule }) => watchSlots('time', 'Time', watchRule?.watches ?? 1),
  measure: ({ watchRule }, readings) => watched('time', readings, watchRule),
  ...raceReferee,
  stamped: stampedRace,
  progress: (protocol) => ({ what: `${lapWord(protocol)}s`, of: lapsOf(protocol) }),
  endings: ({ walkingAllowed, aidAllowed }) => [
    ...(walkingAllowed === false ? [{ label: 'Walked', then: 'fails' as const }] : []),
    ...(aidAllowed === false ? [{ label: 'Was paced or helped', then: 'fails' as const }] : []),
  ],
  cues: ({ loadG, lapsCalledBy }) => [
    ...(loadG === undefined ? [] : [{ code: 'carried', figures: { massG: loadG } }]),
    ...(lapsCalledBy === undefined ? [] : [{ code: 'lapsCalledBy', text: lapsCalledBy }]),
  ],
  sensibleRange: (protocol) =>
    overDistance(protocol.distanceMm, isRun(protocol) ? SLOWEST_MS_PER_M : SLOWEST_AIDED_MS_PER_M),
  estimates: (protocol, valueMs) =>
    isRun(protocol) && Math.abs(protocol.distanceMm - MILE_AND_A_HALF_MM) <= NEARLY_MM
      ? [capacityFromMileAndAHalf(valueMs)]
      : [],
  ground: (protocol) => ({
    shape: 'loop',
    lengthMm: protocol.lapLengthMm,
    distanceMm: protocol.distanceMm,
    lengths: null,
    called: lapWord(protocol),
  }),
  evenSplits,
  practice: (protocol) =>
    (protocol.by ?? 'run') === 'run' ? { of: 'finish', eased: { ...protocol, ...LAST_METRES } } : null,
  words,
  // five minutes a kilometre
  usual: ({ distanceMm }) => Math.round(distanceMm * 0.3),
  rehearseWave: (stage, protocol, wave, startAtMs, runners) => {
    const scripts = runners.map(({ entryId, target }) => ({ entryId, finishMs: target }))
    const captures = rehearseWave(stage, protocol, wave, startAtMs, scripts)
    return stage.isMended ? captures : withMistakes(stage, lapsOf(protocol), captures)
  },
})
