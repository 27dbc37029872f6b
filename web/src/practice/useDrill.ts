/** The set that is worked: what everybody on it does at a moment, and what was pressed about it. */
import { isMarkOver, type Capture, type DrillBody, type StandardEvent } from '@able-gauge/core'
import {
  decisionsIn,
  isMovement,
  makeDrill,
  makeFinish,
  makeReaches,
  NO_BIB,
  practiceOf,
  readingAnswer,
  readingsSent,
  type Drill,
  type FinishRunner,
  type Reach,
  type RulerRead,
} from '@able-gauge/core/drill'
import { computed, ref, watch, type ComputedRef, type Ref } from 'vue'
import { useDay } from '../day/dayStore.ts'
import { entryIdOf, type PracticeSet } from './practiceDay.ts'

export interface DrillAtWork {
  /** Null for a finish, and for reaches. */
  readonly drill: Drill | null
  /** Of a finish, in the order they cross. */
  readonly runners: readonly FinishRunner[]
  /** Along a ruler, one after another; the grader asks for each. */
  readonly reaches: readonly Reach[]
  readonly ruler: RulerRead | null
  /** Which of them is shown, from nought, and since when; null before the first. */
  readonly shown: Ref<ShownReach | null>
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

export interface ShownReach {
  readonly at: number
  readonly sinceMs: number
}

export const useDrill = (set: PracticeSet, event: StandardEvent): DrillAtWork => {
  const store = useDay()
  const settled = store.settledIn(event.id)
  const drill = isMovement(set.what)
    ? makeDrill(event.protocol, {
        movement: set.what,
        level: set.level,
        seed: set.seed,
        lanes: set.lanes,
        ...(set.more === undefined ? {} : { more: set.more }),
      })
    : null
  const runners = set.what === 'finishLine' ? makeFinish({ level: set.level, seed: set.seed, runners: set.lanes }) : []
  const ruler = set.what === 'reach' ? (practiceOf(event.protocol)?.ruler ?? null) : null
  const reaches = ruler ? makeReaches(set, ruler) : []
  const shown = ref<ShownReach | null>(null)
  const firstShownMs = ref<number | null>(null)
  watch(shown, (now) => (firstShownMs.value ??= now?.sinceMs ?? null))
  const entryIds = Array.from({ length: set.lanes }, (_, lane) => entryIdOf(lane))
  const startOf = (entryId: string): number | null =>
    settled.value.find((capture) => begins(capture, entryId))?.atMs ?? null
  const startedAtMs = computed(() => (ruler ? [firstShownMs.value] : entryIds.map(startOf)))
  const first = computed(() => {
    const all = startedAtMs.value.flatMap((atMs) => atMs ?? [])
    return all.length === 0 ? null : Math.min(...all)
  })
  const leftAtMs = ref(Infinity)
  const readAnswers = computed(() =>
    settled.value
      .flatMap((capture) => readingIn(capture) ?? [])
      .map(({ atMs, answer }) => ({
        lane: 0,
        // what was typed before the first was shown
        atMs: Math.max(0, Math.round(atMs - (first.value ?? atMs))),
        answer,
      })),
  )
  const stampAnswers = computed(() =>
    settled.value.flatMap(({ kind, entryId, atMs }) =>
      kind === 'crossed' && first.value !== null
        ? [{ lane: 0, atMs: Math.round(atMs - first.value), answer: bibOf(entryIds, entryId) }]
        : [],
    ),
  )
  const offBeatId = drill?.faults.find(({ form }) => form === 'offBeat')?.reasonId ?? null
  return {
    drill,
    runners,
    reaches,
    ruler,
    shown,
    entryIds,
    startedAtMs,
    elapsedMs: (nowMs) => (first.value === null ? -1 : nowMs - first.value),
    isOver: computed(() => {
      if (first.value === null) return false
      if (ruler) return readingsSent(reaches, readAnswers.value).every((read) => read !== null)
      return entryIds.every((id) => {
        const mark = store.marksIn(event.id).value.get(id)
        return mark !== undefined && isMarkOver(mark)
      })
    }),
    answers: computed(() =>
      drill
        ? decisionsIn(settled.value, entryIds, startedAtMs.value, offBeatId).map((one) => ({
            ...one,
            atMs: Math.round(one.atMs),
          }))
        : ruler
          ? readAnswers.value
          : stampAnswers.value,
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
    // reaches wait for whoever reads them
    durationMs: drill?.durationMs ?? (ruler ? Infinity : (runners.at(-1)?.crossesAtMs ?? 0) + 3_000),
  }
}

const begins = (capture: Capture, entryId: string): boolean =>
  (capture.kind === 'started' && capture.entryId === entryId) ||
  (capture.kind === 'waveStarted' && capture.payload.entryIds.includes(entryId))

/** A try that was read, as it is sent. */
const readingIn = (capture: Capture): { readonly atMs: number; readonly answer: string } | null => {
  if (capture.kind !== 'read') return null
  const no = Number(/^try-(\d+)$/.exec(capture.payload.slot)?.[1])
  return Number.isInteger(no) ? { atMs: capture.atMs, answer: readingAnswer(no, capture.payload.value) } : null
}

const bibOf = (entryIds: readonly string[], entryId: string | null): string => {
  const lane = entryIds.indexOf(entryId ?? '')
  return lane < 0 ? NO_BIB : String(lane + 1)
}
