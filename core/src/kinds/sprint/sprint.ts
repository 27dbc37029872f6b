/** A short course against the clock: shuttle legs, a T or zigzag course, 100 to 400 m, a drag. */
import { finding } from '../../document/contradiction.ts'
import { defineKind } from '../kind.ts'
import { overDistance, SLOWEST_AIDED_MS_PER_M, SLOWEST_MS_PER_M } from '../ranges.ts'
import { numbered, optional, watchSlots } from '../slot.ts'
import { bare, makerFor } from '../stage.ts'
import { sprintReferee, stampedSprint, type SprintTries } from './referee.ts'
import { measureSprint } from './measure.ts'
import { Sprint } from './protocol.ts'
import { words } from './words.ts'

const BETWEEN_TRIES_MS = 45_000

export const sprint = defineKind<Sprint, SprintTries>({
  name: 'Sprint or agility',
  protocol: Sprint,
  template: {
    startCommands: ['Get ready', 'Set', 'Go'],
    distanceMm: 100_000,
    legs: 1,
    attemptsAllowed: 1,
    select: 'best',
    timing: 'hand',
  },
  inLanes: true,
  captures: ['started', 'crossed'],
  form: () => ({ unit: 'ms' }),
  sense: () => 'atMost',
  slots: ({ attemptsAllowed, watchRule, timing }) => [
    ...numbered(attemptsAllowed).flatMap((attempt) =>
      watchSlots(`try-${attempt}`, attemptsAllowed === 1 ? 'Time' : `Try ${attempt}`, watchRule?.watches ?? 1).map(
        // a second try is a right, not a duty
        (slot) => ({ ...slot, optional: slot.optional || attempt > 1 }),
      ),
    ),
    ...(timing === 'either' ? [optional('electronic', 'Timed by a gate', { unit: 'done' })] : []),
  ],
  measure: measureSprint,
  ...sprintReferee,
  stamped: stampedSprint,
  progress: () => ({ what: 'readings', of: null }),
  sensibleRange: ({ distanceMm, loadG }) =>
    overDistance(distanceMm, loadG === undefined ? SLOWEST_MS_PER_M : SLOWEST_AIDED_MS_PER_M),
  contradictions: ({ handCorrectionMs, timing }, place) =>
    handCorrectionMs !== undefined && timing === 'electronic'
      ? [
          finding(
            `${place}.handCorrectionMs`,
            'handCorrection',
            handCorrectionMs,
            'none, because no time is taken by hand',
          ),
        ]
      : [],
  cues: ({ touches, legs, loadG }) => [
    ...(touches === undefined ? [] : [{ code: 'touches', text: touches }]),
    ...(legs > 1 ? [{ code: 'legs', figures: { legs } }] : []),
    ...(loadG === undefined ? [] : [{ code: 'carried', figures: { massG: loadG } }]),
  ],
  ground: ({ distanceMm, legs }) =>
    legs > 1
      ? { shape: 'shuttle', lengthMm: Math.round(distanceMm / legs), distanceMm, lengths: legs }
      : { shape: 'straight', lengthMm: distanceMm, distanceMm, lengths: legs },
  sensed: (_, { quantity, value }) => (quantity === 'time' ? { unit: 'ms', value } : null),
  words,
  usual: ({ distanceMm }) => Math.round(distanceMm * 0.25),
  rehearse: (stage, { attemptsAllowed }, turn) => {
    const make = makerFor(stage, turn)
    return numbered(attemptsAllowed).flatMap((attempt) => {
      const startMs = (attempt - 1) * (turn.target + BETWEEN_TRIES_MS)
      const tryMs = turn.target + (attempt === 1 ? 0 : stage.random.whole(-200, 900))
      return [make(startMs, bare('started')), make(startMs + tryMs, { kind: 'crossed', payload: {} })]
    })
  },
})
