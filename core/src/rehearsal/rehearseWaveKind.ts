/** Made-up captures of one wave in an event whose people start together. */
import type { Capture, Observation } from '../capture/capture.ts'
import type { ProtocolOf } from '../protocol/protocol.ts'
import { shuttleSignals } from '../protocol/shuttleSignals.ts'
import { lapsOf } from '../protocol/timedDistance.ts'
import { rehearseWave, stamp, type Stage } from './rehearse.ts'

export type WaveProtocol = ProtocolOf<'timedDistance' | 'distanceInTime' | 'progressiveShuttle'>

export interface WaveRunner {
  readonly entryId: string
  /** What the runner is to reach, in the unit of the event. */
  readonly target: number
}

/** @returns captures of the wave, each runner's in order */
export const rehearseWaveKind = (
  stage: Stage,
  protocol: WaveProtocol,
  wave: number,
  startAtMs: number,
  runners: readonly WaveRunner[],
): Capture[] => {
  switch (protocol.kind) {
    case 'timedDistance':
      return withMistakes(
        stage,
        lapsOf(protocol),
        rehearseWave(
          stage,
          protocol,
          wave,
          startAtMs,
          runners.map(({ entryId, target }) => ({ entryId, finishMs: target })),
        ),
      )
    case 'distanceInTime':
      return [
        started(stage, wave, startAtMs, runners),
        ...runners.flatMap((one) => distance(stage, protocol, startAtMs, one)),
      ]
    case 'progressiveShuttle':
      return [
        started(stage, wave, startAtMs, runners),
        ...runners.flatMap((one) => shuttle(stage, protocol, startAtMs, one)),
      ]
  }
}

const started = (stage: Stage, wave: number, startAtMs: number, runners: readonly WaveRunner[]): Capture =>
  stamp(stage, null, startAtMs, {
    kind: 'waveStarted',
    payload: { wave, entryIds: runners.map(({ entryId }) => entryId) },
  })

/** Now and then a lap is missed or touched twice, so that there is something to mend. The finish is always stamped. */
const withMistakes = (stage: Stage, laps: number, captures: readonly Capture[]): Capture[] => {
  const seen = new Map<string, number>()
  return captures.flatMap((capture) => {
    if (capture.kind !== 'crossed' || capture.entryId === null) return [capture]
    const lap = (seen.get(capture.entryId) ?? 0) + 1
    seen.set(capture.entryId, lap)
    const chance = stage.random.next()
    if (lap < laps && chance < 0.01) return []
    if (lap < laps && chance > 0.99) {
      return [capture, stamp(stage, capture.entryId, capture.atMs + 900, { kind: 'crossed', payload: {} })]
    }
    return [capture]
  })
}

const distance = (
  stage: Stage,
  { durationMs, lapLengthMm, markEveryMm }: ProtocolOf<'distanceInTime'>,
  startAtMs: number,
  { entryId, target }: WaveRunner,
): Capture[] => {
  const laps = Math.floor(target / lapLengthMm)
  const beyondLineMm = Math.floor((target - laps * lapLengthMm) / markEveryMm) * markEveryMm
  const lapMs = (durationMs * lapLengthMm) / target
  const crossed: Observation = { kind: 'crossed', payload: {} }
  return [
    ...Array.from({ length: laps }, (_, lap) =>
      stamp(stage, entryId, startAtMs + Math.min(durationMs, Math.round((lap + 1) * lapMs)), crossed),
    ),
    stamp(stage, entryId, startAtMs + durationMs + stage.random.whole(5_000, 60_000), {
      kind: 'markedAt',
      payload: { beyondLineMm },
    }),
  ]
}

const shuttle = (
  stage: Stage,
  protocol: ProtocolOf<'progressiveShuttle'>,
  startAtMs: number,
  { entryId, target }: WaveRunner,
): Capture[] => {
  const signals = shuttleSignals(protocol)
  const level = protocol.counts === 'lastShuttle' ? Math.floor(target / 100) : target
  const shuttleNumber = protocol.counts === 'lastShuttle' ? target % 100 : Infinity
  const last = signals.findLastIndex(
    (signal) => signal.level < level || (signal.level === level && signal.shuttle <= shuttleNumber),
  )
  const misses = Array.from({ length: protocol.missesAllowed + 1 }, (_, miss) => signals[last + 1 + miss])
  return misses.flatMap((signal) =>
    signal
      ? [
          stamp(stage, entryId, startAtMs + Math.round(signal.atMs) + stage.random.whole(150, 700), {
            kind: 'missed',
            payload: {},
          }),
        ]
      : [],
  )
}
