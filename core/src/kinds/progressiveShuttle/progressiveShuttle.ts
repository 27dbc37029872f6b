/** Shuttles between two lines to signals that come faster and faster. */
import { capacityFromShuttle } from '../../estimate/aerobicCapacity.ts'
import { finding } from '../../document/contradiction.ts'
import type { FieldForm } from '../../quantity/field.ts'
import { defineKind } from '../kind.ts'
import { readingStep } from '../measure.ts'
import { needed, optional } from '../slot.ts'
import { waveStart } from '../stage.ts'
import { shuttleReferee, stampedShuttle, type ShuttleRun } from './referee.ts'
import { measureShuttle } from './measure.ts'
import { ProgressiveShuttle } from './protocol.ts'
import { rehearsedTarget, rehearseRunner } from './rehearse.ts'
import { shuttleScale } from './shuttleScale.ts'
import { scheduleOf } from './shuttleSchedule.ts'
import { shuttleSignals } from './shuttleSignals.ts'
import { words } from './words.ts'

/** As many signals are let heard before the start. */
const HEARD_SHUTTLES = 3

const byShuttle = ({ counts }: ProgressiveShuttle): boolean => counts === 'lastShuttle'

const levelForm = (protocol: ProgressiveShuttle): FieldForm => ({
  unit: 'levelShuttle',
  shuttles: scheduleOf(protocol).map(({ shuttles }) => shuttles),
})

export const progressiveShuttle = defineKind<ProgressiveShuttle, ShuttleRun>({
  name: 'Progressive shuttle',
  protocol: ProgressiveShuttle,
  template: {
    startCommands: ['Get ready', 'Set', 'Go'],
    lineDistanceMm: 20_000,
    speeds: { firstMetresPerHour: 8_500, secondMetresPerHour: 9_000, stepMetresPerHour: 500 },
    zoneMm: 1_000,
    missesAllowed: 1,
    counts: 'lastShuttle',
  },
  captures: ['waveStarted', 'missed', 'cautioned'],
  startsTogether: true,
  form: (protocol) => (byShuttle(protocol) ? levelForm(protocol) : { ...levelForm(protocol), unit: 'level' }),
  sense: () => 'atLeast',
  slots: (protocol) => [
    needed('reached', 'Last shuttle completed', levelForm(protocol)),
    optional('first-miss', 'First shuttle missed', levelForm(protocol)),
  ],
  measure: measureShuttle,
  ...shuttleReferee,
  stamped: stampedShuttle,
  sensibleRange: (protocol) => {
    const levels = scheduleOf(protocol)
    const last = levels.at(-1)
    return byShuttle(protocol)
      ? { least: 101, most: (last?.level ?? 0) * 100 + (last?.shuttles ?? 0) }
      : { least: 1, most: levels.length }
  },
  scale: (protocol) => {
    if (!byShuttle(protocol)) return null
    const { shuttlesAt, reachedAfter } = shuttleScale(protocol)
    return { to: shuttlesAt, from: reachedAfter }
  },
  contradictions: ({ speeds, levels }, place) =>
    (speeds === undefined) === (levels === undefined)
      ? [finding(`${place}.speeds`, 'schedule', speeds, 'either speeds or levels')]
      : [],
  estimates: (protocol, _, reading, { ageYears }) => {
    const completed = readingStep(reading, 'shuttle')?.completedLevels ?? 0
    const level = scheduleOf(protocol)[completed - 1]
    return level ? [capacityFromShuttle(level.metresPerHour, ageYears)] : []
  },
  heard: (protocol) =>
    shuttleSignals(protocol)
      .slice(0, HEARD_SHUTTLES)
      .map(({ atMs, endsLevel }) => ({ atMs, tone: endsLevel ? 'level' : 'signal' })),
  cues: ({ zoneMm }) => [{ code: 'zone', figures: { mm: zoneMm } }],
  ground: ({ lineDistanceMm }) => ({ shape: 'shuttle', lengthMm: lineDistanceMm, distanceMm: null, lengths: 1 }),
  practice: (protocol) => ({
    of: 'turns',
    turnsMs: shuttleSignals(protocol).map(({ atMs }) => atMs),
    zoneMm: protocol.zoneMm,
  }),
  words,
  usual: (protocol) => (byShuttle(protocol) ? 604 : 6),
  rehearsedTarget,
  rehearseWave: (stage, protocol, wave, startAtMs, runners) => [
    waveStart(stage, wave, startAtMs, runners),
    ...runners.flatMap((runner) => rehearseRunner(stage, protocol, startAtMs, runner)),
  ],
})
