/** The set that is worked: what everybody on it does at a moment, and what was pressed about it. */
import { type Capture, type StandardEvent, isMarkOver } from '@able-gauge/core'
import {
  decisionsIn,
  makeDrill,
  makeFinish,
  NO_BIB,
  type Drill,
  type FinishRunner,
  type Movement,
} from '@able-gauge/core/drill'
import { computed, ref, type ComputedRef } from 'vue'
import type { DrillBody } from '@able-gauge/core'
import { useDay } from '../day/dayStore.ts'
import { entryIdOf, type PracticeSet } from './practiceDay.ts'

export interface DrillAtWork {
  /** Null for a finish. */
  readonly drill: Drill | null
  /** Of a finish, in the order they cross. */
  readonly runners: readonly FinishRunner[]
  readonly entryIds: readonly string[]
  /** When each lane began; null before it. */
  readonly startedAtMs: ComputedRef<readonly (number | null)[]>
  /** From the first start; below nought before it. */
  readonly elapsedMs: (nowMs: number) => number
  /** Whether everybody's event is over. */
  readonly isOver: ComputedRef<boolean>
  readonly answers: ComputedRef<DrillBody['answers']>
  /** When the grader ended each lane; null where it ended by itself. */
  readonly ends: ComputedRef<DrillBody['ends']>
  readonly durationMs: number
  /** The grader looks away: whoever is not over is looked at as far as this moment. */
  readonly leave: (atMs: number) => void
}

export const useDrill = (set: PracticeSet, event: StandardEvent): DrillAtWork => {
  const store = useDay()
  const settled = store.settledIn(event.id)
  const drill =
    set.what === 'finishLine'
      ? null
      : makeDrill(event.protocol, {
          movement: set.what satisfies Movement,
          level: set.level,
          seed: set.seed,
          lanes: set.lanes,
          ...(set.more === undefined ? {} : { more: set.more }),
        })
  const runners = drill ? [] : makeFinish({ level: set.level, seed: set.seed, runners: set.lanes })
  const entryIds = Array.from({ length: set.lanes }, (_, lane) => entryIdOf(lane))
  const startOf = (entryId: string): number | null =>
    settled.value.find((capture) => begins(capture, entryId))?.atMs ?? null
  const startedAtMs = computed(() => entryIds.map(startOf))
  const first = computed(() => {
    const all = startedAtMs.value.flatMap((atMs) => atMs ?? [])
    return all.length === 0 ? null : Math.min(...all)
  })
  const leftAtMs = ref(Infinity)
  const offBeatId = drill?.faults.find(({ form }) => form === 'offBeat')?.reasonId ?? null
  return {
    drill,
    runners,
    entryIds,
    startedAtMs,
    elapsedMs: (nowMs) => (first.value === null ? -1 : nowMs - first.value),
    isOver: computed(
      () =>
        first.value !== null &&
        entryIds.every((id) => {
          const mark = store.marksIn(event.id).value.get(id)
          return mark !== undefined && isMarkOver(mark)
        }),
    ),
    answers: computed(() =>
      drill
        ? decisionsIn(settled.value, entryIds, startedAtMs.value, offBeatId).map((one) => ({
            ...one,
            atMs: Math.round(one.atMs),
          }))
        : settled.value.flatMap(({ kind, entryId, atMs }) =>
            kind === 'crossed' && first.value !== null
              ? [{ lane: 0, atMs: Math.round(atMs - first.value), answer: bibOf(entryIds, entryId) }]
              : [],
          ),
    ),
    ends: computed(() =>
      drill
        ? entryIds.map((id, lane) => {
            const stop = settled.value.find(({ kind, entryId }) => kind === 'stopped' && entryId === id)
            const from = startedAtMs.value[lane] ?? null
            const endedMs = (stop?.atMs ?? leftAtMs.value) - (from ?? leftAtMs.value)
            // what ended by itself was watched to its end
            const isWatched = !stop && endedMs >= (drill.lanes[lane]?.items.at(-1)?.toMs ?? 0)
            return { atMs: isWatched ? null : Math.max(0, Math.round(endedMs)) }
          })
        : [],
    ),
    leave: (atMs) => (leftAtMs.value = atMs),
    durationMs: drill ? drill.durationMs : (runners.at(-1)?.crossesAtMs ?? 0) + 3_000,
  }
}

const begins = (capture: Capture, entryId: string): boolean =>
  (capture.kind === 'started' && capture.entryId === entryId) ||
  (capture.kind === 'waveStarted' && capture.payload.entryIds.includes(entryId))

const bibOf = (entryIds: readonly string[], entryId: string | null): string => {
  const lane = entryIds.indexOf(entryId ?? '')
  return lane < 0 ? NO_BIB : String(lane + 1)
}
