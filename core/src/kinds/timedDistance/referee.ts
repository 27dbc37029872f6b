/** The rules of a timed distance, runner by runner: laps, the finish, the limit, backup watches beside the timer's. */
import type { Capture, Observation } from '../../capture/capture.ts'
import { clockDoubt } from '../../capture/clockDoubt.ts'
import { elapsed } from '../../capture/elapsed.ts'
import { combineWatches } from '../../clock/combineWatches.ts'
import { permitCaution, withCaution } from '../../referee/cautions.ts'
import type { Refereed } from '../../referee/attempt.ts'
import { isEndReason, stopped, type EndReason } from '../../referee/ends.ts'
import { ALLOWED, refused, type End } from '../../referee/referee.ts'
import { spanOf } from '../../referee/spanOf.ts'
import { standingOf } from '../../referee/stateAfter.ts'
import { FASTEST_MS_PER_M, SAME_CROSSING_MS } from '../../referee/thresholds.ts'
import {
  isOfTimer,
  isSame,
  NO_CROSSINGS,
  lapAnnouncements,
  permitCrossing,
  permitSame,
  replacedNotes,
  withCrossing,
  type Crossing,
  type Crossings,
} from '../crossings.ts'
import { isBeyondLimit, stoppedAtLimit } from '../limit.ts'
import type { Note } from '../measure.ts'
import { groundNotes, onGround } from '../onGround.ts'
import type { Readings } from '../slot.ts'
import { NOTHING_STAMPED, type Stamped } from '../stamped.ts'
import { distanceAtCrossing, lapsOf, lapWord, type TimedDistance } from './protocol.ts'

export interface DistanceRace extends Crossings {
  /** Stamps of the backup watches. */
  readonly backups: readonly Crossing[]
  readonly finish: Crossing | null
  readonly cautions: number
  readonly end: End | null
}

const BEFORE: DistanceRace = { ...NO_CROSSINGS, backups: [], finish: null, cautions: 0, end: null }
const BACKUPS = [2, 3] as const

/** The elapsed time runs from the start of the wave to the crossing that completes the distance; nobody goes on beyond the limit. */
export const raceReferee: Refereed<TimedDistance, DistanceRace> = {
  actions: (): readonly Observation[] => [
    { kind: 'crossed', payload: {} },
    { kind: 'stopped', payload: { reason: 'didNotFinish' } },
  ],
  referee: {
    begin: () => BEFORE,
    phase: (_, { start, end, finish }) => (end || finish ? 'over' : start ? 'running' : 'before'),
    span: (_, { start, finish, end }) => spanOf(start?.atMs, finish ?? end),
    due: ({ limitMs }, { start, end, finish }) =>
      start && !end && !finish && limitMs !== undefined ? start.atMs + limitMs : null,
    pass: ({ limitMs = 0 }, race) => ({ ...race, end: { by: 'limit', atMs: (race.start?.atMs ?? 0) + limitMs } }),
    permit: (protocol, race, action) => {
      switch (action.kind) {
        case 'waveStarted':
          return race.start ? refused('secondStartIgnored') : ALLOWED
        case 'crossed': {
          if (!isOfTimer(action)) return ALLOWED
          const isOver =
            race.finish !== null || (race.end !== null && race.end.by !== 'limit' && action.stamp.atMs > race.end.atMs)
          // the timer's own device may still correct what another stamped of the finish
          if (isOver && race.start && action.stamp.atMs > race.start.atMs) {
            return isSame(race, action.stamp) ? permitSame(race, action.stamp) : refused('crossedAfterEnd')
          }
          return permitCrossing(race, action, protocol.limitMs, soonestMs(protocol, race))
        }
        case 'cautioned':
          return permitCaution(protocol.cautionsAllowed, race.start !== null && !race.finish && !race.end)
        default:
          return ALLOWED
      }
    },
    apply: (protocol, race, capture) => {
      switch (capture.kind) {
        case 'waveStarted':
          return { ...race, start: capture }
        case 'crossed': {
          if (!isOfTimer(capture)) return { ...race, backups: [...race.backups, capture] }
          const crossed = withCrossing(race, capture)
          // within what the clocks can tell of the limit it was not beyond it
          const end = crossed.end?.by === 'limit' ? null : crossed.end
          const finish = crossed.counted[lapsOf(onGround(protocol, race.start)) - 1] ?? null
          return { ...crossed, end, finish }
        }
        case 'cautioned':
          return withCaution(race, protocol.cautionsAllowed, capture.atMs)
        case 'stopped':
          // a finish stands whatever comes after it, but for what an officer rules
          return stopped(race, capture, race.finish !== null)
        default:
          return race
      }
    },
    calls: (protocol, { start, counted }) => [
      ...lapAnnouncements(protocol, counted, (lap) => distanceAtCrossing(onGround(protocol, start), lap)),
      ...(protocol.lapsCalledBy === undefined
        ? []
        : counted.map(({ atMs }, index) => ({
            code: 'lapsToGo',
            atMs,
            figures: { laps: lapsOf(onGround(protocol, start)) - index - 1, called: lapWord(protocol) },
          }))),
    ],
    figures: (protocol, { start, counted, finish, end }) => [
      { code: 'laps', value: counted.length },
      { code: 'lapsToGo', value: Math.max(0, lapsOf(onGround(protocol, start)) - counted.length) },
      ...(start && !finish && !end ? [{ code: 'time', upFromMs: start.atMs }] : []),
    ],
  },
}

/** Nobody runs the distance since the last crossing in less. */
const soonestMs = (protocol: TimedDistance, { start, counted }: DistanceRace): number => {
  const course = onGround(protocol, start)
  const coveredMm = distanceAtCrossing(course, counted.length + 1) - distanceAtCrossing(course, counted.length)
  return Math.floor((coveredMm * FASTEST_MS_PER_M) / 1_000)
}

/** Follows one runner. @param start of the runner's wave, if it has been given @param captures settled captures of this runner, in order */
export const followRace = (
  protocol: TimedDistance,
  start: Capture | undefined,
  captures: readonly Capture[],
  asOfMs: number | null = null,
) => standingOf(raceReferee, protocol, captures, start, asOfMs)

export const stampedRace = (protocol: TimedDistance, race: DistanceRace): Stamped => {
  const { start, counted, finish, end } = race
  const ground = groundNotes(protocol, start)
  const base: Stamped = {
    ...NOTHING_STAMPED,
    begun: start !== null,
    soFar: counted.length,
    soFarIsCount: true,
    ...(ground.length > 0 ? { of: lapsOf(onGround(protocol, start)) } : {}),
    notes: [...replacedNotes(race), ...estimatedNotes(counted), ...ground],
  }
  const { limitMs } = protocol
  const atLimit = (): Stamped => {
    const { reason, notes } = stoppedAtLimit(limitMs ?? 0)
    return { ...base, end: { reason, byRule: true }, notes: [...base.notes, ...notes] }
  }
  if (end?.by === 'limit') return atLimit()
  if (end && (finish === null || isEndReason(end.by))) {
    const { by, note } = end
    const reason: EndReason = isEndReason(by) ? by : 'didNotFinish'
    return { ...base, end: note ? { reason, note } : { reason } }
  }
  if (!start || !finish) return base
  const backups = BACKUPS.flatMap((watch) => {
    const backup = backupFinish(race.backups, watch, finish.atMs)
    return backup ? [{ watch, ms: elapsed(start, backup).ms }] : []
  })
  const finishMs = elapsed(start, finish).ms
  const timesMs = [finishMs, ...backups.map(({ ms }) => ms)]
  const { elapsedMs, by } = combineWatches(timesMs, protocol.watchRule)
  const clockUncertaintyMs = clockDoubt(start, finish)
  if (isBeyondLimit(elapsedMs, limitMs, clockUncertaintyMs)) return atLimit()
  const slots: Readings = {
    time: finishMs,
    ...Object.fromEntries(backups.map(({ watch, ms }) => [`time-watch-${watch}`, ms])),
  }
  return {
    ...base,
    readings: slots,
    observed: {
      value: elapsedMs,
      reading: {
        kind: 'crossings',
        startedAtMs: start.atMs,
        finishedAtMs: finish.atMs,
        splitsMs: counted.map((crossing, index) => elapsed(counted[index - 1] ?? start, crossing).ms),
        ...(by === 'only' ? {} : { watches: { timesMs, by } }),
      },
    },
    clockUncertaintyMs,
  }
}

/** The stamp of a backup watch that is nearest to the timer's finish, if it can be meant for it. */
const backupFinish = (backups: readonly Crossing[], watch: number, finishedAtMs: number): Crossing | null => {
  const far = ({ atMs }: Capture): number => Math.abs(atMs - finishedAtMs)
  const [nearest] = backups.filter(({ payload }) => payload.watch === watch).sort((a, b) => far(a) - far(b))
  return nearest && far(nearest) <= SAME_CROSSING_MS ? nearest : null
}

const estimatedNotes = (counted: readonly Crossing[]): Note[] => {
  const laps = counted.flatMap(({ payload }, index) => (payload.estimated ? [index + 1] : []))
  return laps.length > 0 ? [{ code: 'stampEstimated', laps }] : []
}
