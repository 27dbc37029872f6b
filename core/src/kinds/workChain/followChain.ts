/** A work chain: segments in order under one clock; repetitions may be broken into sets, no segment opens early. */
import type { ChainSegment, WorkChain } from './protocol.ts'
import type { Capture } from '../../capture/capture.ts'
import { clockDoubt } from '../../capture/clockDoubt.ts'
import { NOTHING_LIVE, type LiveWork } from '../liveFigures.ts'
import { outOfOrderNotes } from '../outOfOrder.ts'

/** A longer gap between two repetitions than this parts two sets. */
const SET_GAP_MS = 4_000

export interface ChainPart {
  readonly segment: ChainSegment
  /** Repetitions done; 0 for a distance. */
  readonly repetitions: number
  /** Repetitions of each set, in order. */
  readonly sets: readonly number[]
  /** From the start of the chain, when complete. */
  readonly completeAfterMs: number | null
}

export interface Chain {
  readonly started: Capture | null
  readonly parts: readonly ChainPart[]
  /** Index of the open segment; the number of segments when all is done. */
  readonly open: number
  readonly finish: Capture | null
  readonly outOfOrder: readonly string[]
}

/** @param captures settled captures of this candidate in this event, in order */
export const followChain = ({ segments }: WorkChain, captures: readonly Capture[]): Chain => {
  let started: Capture | null = null
  let finish: Capture | null = null
  let open = 0
  let lastCountMs = 0
  const outOfOrder: string[] = []
  const parts = segments.map((segment): Mutable<ChainPart> => ({
    segment,
    repetitions: 0,
    sets: [],
    completeAfterMs: null,
  }))
  for (const capture of captures) {
    if (capture.kind === 'started') started ??= capture
    const part = parts[open]
    if (!started || !part) continue
    const complete = (): void => {
      part.completeAfterMs = capture.atMs - (started?.atMs ?? 0)
      open += 1
      if (open === parts.length) finish = capture
    }
    const { repetitions: asked } = part.segment
    if (capture.kind === 'counted' && asked !== undefined) {
      const isNewSet = part.repetitions === 0 || capture.atMs - lastCountMs > SET_GAP_MS
      part.sets = isNewSet ? [...part.sets, 1] : [...part.sets.slice(0, -1), (part.sets.at(-1) ?? 0) + 1]
      part.repetitions += 1
      lastCountMs = capture.atMs
      if (part.repetitions === asked) complete()
    } else if (capture.kind === 'passed') {
      if (capture.payload.part === part.segment.id && asked === undefined) complete()
      else outOfOrder.push(capture.payload.part)
    }
  }
  return { started, parts, open, finish, outOfOrder }
}

type Mutable<Type> = { -readonly [Key in keyof Type]: Type[Key] }

export const chainWork = (protocol: WorkChain, captures: readonly Capture[]): LiveWork => {
  const { started, parts, open, finish, outOfOrder } = followChain(protocol, captures)
  if (!started) return NOTHING_LIVE
  const counted = parts.flatMap(({ segment, repetitions }) =>
    segment.repetitions === undefined ? [] : [[`${segment.id}-repetitions`, repetitions] as const],
  )
  return {
    ...NOTHING_LIVE,
    begun: true,
    soFar: open,
    readings: finish ? { time: finish.atMs - started.atMs, ...Object.fromEntries(counted) } : {},
    clockUncertaintyMs: finish ? clockDoubt(started, finish) : 0,
    notes: outOfOrderNotes(outOfOrder),
  }
}
