/** The clock of a replay: it runs at a chosen speed, stops, and jumps; where everybody stood is judged only when something changes. */
import {
  chosenEvent,
  kindOf,
  lapsOn,
  replayOf,
  sideBySide,
  standingAt,
  type CountOnDevice,
  type LapsAt,
  type Replay,
  type ReplayStanding,
  type SideBySide,
  type StandardEvent,
} from '@able-gauge/core'
import { useRafFn } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { candidateFrom, type Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'

/** A replay begins so long before the first thing that happens, as core's does. */
export const AROUND_MS = 5_000

export const SPEEDS = [0.5, 1, 2, 4, 8, 16, 30, 60] as const

export const useReplay = (day: () => Day, eventId: () => string, entryId: () => string | null) => {
  const store = useDay()
  const event = computed(() => day().standard.events.find(({ id }) => id === eventId()))
  const candidates = computed(() => day().entries.map(candidateFrom))
  const terms = computed(() => ({
    standard: day().standard,
    testDate: day().occasion.testDate,
    bounds: store.bounds,
    asOfMs: day().occasion.signedOff?.atMs ?? null,
  }))
  const replay = shallowRef<Replay | null>(null)
  /** What is looked at: the whole event, or one person's part of it. */
  const window = computed(() => windowOf(replay.value, entryId()))
  const nowMs = ref(0)
  const speed = ref<(typeof SPEEDS)[number]>(8)
  const isPlaying = ref(false)
  const standing = shallowRef<ReplayStanding | null>(null)
  /** Those whom several devices counted. */
  const beside = shallowRef<SideBySide | null>(null)
  const counts = shallowRef<ReadonlyMap<string, readonly CountOnDevice[]>>(new Map())
  /** Until when what stands is known to hold. */
  let holdsUntilMs = -Infinity
  let heldFromMs = Infinity

  const judge = (of: Replay, asked: StandardEvent): void => {
    if (nowMs.value >= heldFromMs && nowMs.value < holdsUntilMs) return
    standing.value = standingAt(terms.value, asked, candidates.value, of, nowMs.value)
    counts.value = beside.value?.countsAt(nowMs.value) ?? new Map()
    const next = of.moments.find(({ atMs }) => atMs > nowMs.value)?.atMs ?? of.toMs
    heldFromMs = nowMs.value
    holdsUntilMs = nowMs.value >= of.toMs ? Infinity : Math.min(next, standing.value.changesAtMs ?? Infinity, of.toMs)
  }
  const goTo = (atMs: number): void => {
    const { fromMs, toMs } = window.value
    nowMs.value = Math.min(toMs, Math.max(fromMs, atMs))
    if (replay.value && event.value) judge(replay.value, event.value)
  }
  watch(
    [event, () => day().occasion.id, entryId],
    () => {
      isPlaying.value = false
      holdsUntilMs = -Infinity
      replay.value = event.value
        ? replayOf(terms.value, event.value, candidates.value, store.allIn(event.value.id))
        : null
      beside.value =
        event.value && replay.value ? sideBySide(terms.value, event.value, candidates.value, replay.value) : null
      goTo(window.value.fromMs)
    },
    { immediate: true },
  )
  useRafFn(({ delta }) => {
    if (!isPlaying.value) return
    goTo(nowMs.value + delta * speed.value)
    if (nowMs.value >= window.value.toMs) isPlaying.value = false
  })
  const play = (): void => {
    if (nowMs.value >= window.value.toMs) goTo(window.value.fromMs)
    isPlaying.value = !isPlaying.value
  }

  /** Where everybody on a lap is; null where nobody runs laps. */
  const laps = computed((): { readonly of: number; readonly byEntry: ReadonlyMap<string, LapsAt> } | null => {
    if (!event.value || !replay.value) return null
    const kind = kindOf(event.value.protocol)
    const progress = kind.progress?.(event.value.protocol)
    if (!kind.startsTogether || !progress || progress.of === null) return null
    if (progress.what !== 'laps' && progress.what !== 'lengths') return null
    return { of: progress.of, byEntry: lapsOn(replay.value.settled, candidates.value, progress.of) }
  })
  /** What somebody really did: an alternate in its place. */
  const doneBy = (id: string) => {
    const candidate = candidates.value.find((one) => one.entryId === id)
    return candidate && event.value ? chosenEvent(day().standard, event.value, candidate).event : event.value
  }
  return { event, replay, window, nowMs, speed, isPlaying, standing, beside, counts, laps, goTo, play, doneBy }
}

const windowOf = (
  replay: Replay | null,
  entryId: string | null,
): { readonly fromMs: number; readonly toMs: number } => {
  if (!replay) return { fromMs: 0, toMs: 0 }
  if (entryId === null) return replay
  const own = replay.moments.filter((moment) => moment.entryId === entryId && moment.capture.kind !== 'decided')
  const [first, last] = [own[0], own.at(-1)]
  if (!first || !last) return replay
  const start = replay.moments.findLast(
    ({ capture, atMs }) =>
      capture.kind === 'waveStarted' && capture.payload.entryIds.includes(entryId) && atMs <= first.atMs,
  )
  return {
    fromMs: (start?.atMs ?? first.atMs) - AROUND_MS,
    toMs: Math.min(replay.toMs, last.atMs + AROUND_MS),
  }
}
