/** A wave on the shuttle: where the signals are, how far each runner is, and what a press says of one of them. */
import {
  followShuttle,
  isMarkOver,
  lastBefore,
  shuttleSignals,
  type Capture,
  type Mark,
  type ProtocolOf,
  type ShuttleRun,
  type StandardEvent,
} from '@able-gauge/core'
import { computed, watch } from 'vue'
import type { Day, Entry } from '../../../day/day.ts'
import { useSignals } from '../../../sound/useSignals.ts'
import { useSound } from '../../../sound/useSound.ts'
import { sameList } from '../../../ui/sameList.ts'
import { useAfterPaint } from '../../../ui/useAfterPaint.ts'
import { afterPress } from '../../../ui/pressFirst.ts'
import { useTick } from '../../../ui/useTick.ts'
import { useGroupGrading } from '../../console/useGroupGrading.ts'
import { useWave } from '../../console/useWave.ts'

export type ShuttleEvent = StandardEvent & { readonly protocol: ProtocolOf<'progressiveShuttle'> }

/** One runner as the tile shows them. */
export interface ShuttleTile {
  readonly entry: Entry
  readonly run: ShuttleRun
  readonly mark: Mark | undefined
  readonly out: boolean
}

/** How close the tiles stand: the more of them, the closer. */
export type Density = 'roomy' | 'close' | 'dense'

export const useShuttle = (day: () => Day, event: ShuttleEvent) => {
  const { protocol } = event
  const signals = shuttleSignals(protocol)
  const nowMs = useTick(100, afterPress)
  const { say } = useSound()
  const grading = useGroupGrading(day, event)
  const group = useWave(day, event, grading)
  const { runners, started } = group

  const made = new Map<
    string,
    { readonly tile: ShuttleTile; readonly own: readonly Capture[]; readonly start: unknown }
  >()
  /** The same tile as before while nothing about it is new, so that a press on one draws that one. */
  const tileOf = (entry: Entry): ShuttleTile => {
    const [own, start, mark] = [grading.ownOf(entry.id), group.startFor(entry), grading.shownMarkOf(entry.id)]
    const known = made.get(entry.id)
    const isSameRun = known?.own === own && known.start === start
    if (known && isSameRun && known.tile.mark === mark && known.tile.entry === entry) return known.tile
    const run = isSameRun ? known.tile.run : followShuttle(protocol, own, start)
    const tile = { entry, run, mark, out: run.end !== null || (mark !== undefined && isMarkOver(mark)) }
    made.set(entry.id, { tile, own, start })
    return tile
  }
  const tiles = computed(() => runners.value.map(tileOf))
  const stillIn = computed<readonly Entry[]>((before) =>
    sameList(
      tiles.value.flatMap(({ entry, out }) => (out ? [] : [entry])),
      before,
    ),
  )
  /** Those who are in, in the frame after a press: it is painted as the tile alone. */
  const shownIn = useAfterPaint(() => stillIn.value)

  const elapsedMs = computed(() => (started.value ? Math.max(0, nowMs.value - started.value.atMs) : 0))
  const index = computed(() => lastBefore(signals, elapsedMs.value))
  const isRunning = computed(
    () => started.value !== null && stillIn.value.length > 0 && signals[index.value + 1] !== undefined,
  )
  useSignals(
    () => (isRunning.value ? (started.value?.atMs ?? null) : null),
    (fromMs, toMs) =>
      signals
        .filter(({ atMs }) => atMs >= fromMs && atMs < toMs)
        .map(({ atMs, endsLevel }) => ({ atMs, tone: endsLevel ? 'level' : 'signal' })),
  )
  watch(index, (now, before) => {
    const next = signals[now + 1]
    if (!isRunning.value || now <= before || !next) return
    say(next.shuttle === 1 ? `Level ${next.level}` : String(next.shuttle))
  })

  const isUnderWay = ({ id }: Entry): boolean => grading.markOf(id)?.kind === 'running'
  const miss = (entry: Entry): void => {
    if (isUnderWay(entry)) grading.observe(entry.id, { kind: 'missed', payload: {} })
  }
  const stepOut = (entry: Entry): void => {
    if (isUnderWay(entry)) grading.observe(entry.id, { kind: 'stopped', payload: { reason: 'ended' } })
  }

  return { grading, group, signals, tiles, shownIn, isRunning, miss, stepOut }
}
