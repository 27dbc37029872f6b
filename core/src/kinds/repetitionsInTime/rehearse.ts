/** Made-up captures of one candidate's repetitions for a wanted result: what a grader would have stamped. */
import type { Capture, Observation, StopReason } from '../../capture/capture.ts'
import type { Random } from '../../random/random.ts'
import { bare, stamp, type Stage } from '../stage.ts'
import type { RepetitionsInTime } from './protocol.ts'

export interface RepetitionScript {
  readonly entryId: string
  readonly startAtMs: number
  readonly counted: number
  /** Reason ids, spread among the counted ones. */
  readonly refused?: readonly string[]
  readonly cautions?: number
  /** Begins again after this many, for this reason. */
  readonly restart?: { readonly after: number; readonly reason: string }
  /** What ends it before the time does. */
  readonly stop?: { readonly reason: StopReason; readonly note?: string; readonly afterMs: number }
}

/** The captures of one candidate's repetitions. */
export const rehearseRepetitions = (stage: Stage, protocol: RepetitionsInTime, script: RepetitionScript): Capture[] => {
  const at = (atMs: number, observation: Observation): Capture => stamp(stage, script.entryId, atMs, observation)
  const captures = [at(script.startAtMs, bare('started'))]
  let startMs = script.startAtMs
  if (script.restart) {
    const { after, reason } = script.restart
    for (let index = 1; index <= after; index++) captures.push(at(startMs + index * 1_600, bare('counted')))
    captures.push(at(startMs + (after + 1) * 1_600, { kind: 'restarted', payload: { reason } }))
    startMs += 60_000
    captures.push(at(startMs, bare('started')))
  }
  const endMs = script.stop?.afterMs ?? protocol.durationMs
  const moves = spread(
    [
      ...Array.from({ length: script.counted }, () => bare('counted')),
      ...(script.refused ?? []).map((reason): Observation => ({ kind: 'refused', payload: { reason } })),
      ...Array.from({ length: script.cautions ?? 0 }, () => bare('cautioned')),
    ],
    stage.random,
  )
  const gapMs = Math.floor((endMs - 2_000) / Math.max(1, moves.length))
  moves.forEach((move, index) => {
    captures.push(at(startMs + (index + 1) * gapMs - stage.random.whole(0, Math.floor(gapMs / 4)), move))
  })
  const stop = script.stop ?? { reason: 'time' as const }
  const note = 'note' in stop && stop.note ? { note: stop.note } : {}
  captures.push(at(startMs + endMs, { kind: 'stopped', payload: { reason: stop.reason, ...note } }))
  return captures
}

/** Mixes refusals and cautions among the counted, never first. */
const spread = (moves: readonly Observation[], random: Random): Observation[] => {
  const [first, ...rest] = moves
  if (!first) return []
  const mixed = rest.map((move) => ({ move, order: random.next() })).sort((a, b) => a.order - b.order)
  return [first, ...mixed.map(({ move }) => move)]
}
