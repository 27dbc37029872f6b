/** Several candidates who start together and are worked on one console: who is on it, who is ready, running or over, and their start. */
import { isMarkOver, type Capture, type Mark, type StandardEvent } from '@able-gauge/core'
import { computed, ref, watchEffect, type ComputedRef, type Ref } from 'vue'
import type { Day, Entry } from '../../day/day.ts'
import { useAsOf } from '../../day/useAsOf.ts'
import type { AgreedMoment } from '../../sync/agreedClock.ts'
import { useGroup } from './useGroup.ts'
import { useGroupGrading, type GroupGrading } from './useGroupGrading.ts'

export type LanePhase = 'ready' | 'running' | 'over'

/** What a console of several knows of one of them. */
export interface Lane {
  readonly entry: Entry
  readonly mark: Mark | undefined
  readonly phase: LanePhase
}

/** What the captures of one of them amount to. */
export interface Followed {
  readonly phase: LanePhase
  /** Whether it goes on although there is a mark: another try. */
  readonly hasMore?: boolean
  /** When time alone ends it; null when it does not. */
  readonly endsAtMs?: number | null
}

export interface Together<Own extends object> {
  readonly grading: GroupGrading
  readonly group: ReturnType<typeof useGroup>
  readonly lanes: ComputedRef<readonly (Lane & Own)[]>
  readonly running: ComputedRef<readonly (Lane & Own)[]>
  /** Those who would start now. */
  readonly toStart: ComputedRef<readonly (Lane & Own)[]>
  readonly starting: Ref<boolean>
  readonly beginStart: () => void
  readonly go: (moment: AgreedMoment) => void
  readonly takeNext: () => void
}

/**
 * @param most how many can be on at once
 * @param follow what the captures of one amount to, as of a moment
 * @param variesWith what it depends on beside them
 */
export const useTogether = <Own extends Followed>(
  day: () => Day,
  event: StandardEvent,
  most: number,
  follow: (own: readonly Capture[], asOfMs: number | null) => Own,
  variesWith: () => unknown = () => null,
): Together<Own> => {
  const grading = useGroupGrading(day, event)
  const group = useGroup(day, event, most)
  const starting = ref(false)
  const { asOfMs, until } = useAsOf(grading.settled)

  const known = new WeakMap<readonly Capture[], { readonly own: Own; readonly with: unknown }>()
  /** The same as before while there are no other captures and its time has not run out: what only passes is drawn where it is shown. */
  const followed = (captures: readonly Capture[]): Own => {
    const [before, now] = [known.get(captures), variesWith()]
    if (before && before.with === now) {
      const { phase, endsAtMs } = before.own
      if (phase !== 'running' || (asOfMs.value ?? 0) < (endsAtMs ?? Infinity)) return before.own
    }
    const own = follow(captures, asOfMs.value)
    known.set(captures, { own, with: now })
    return own
  }

  const made = new Map<string, { readonly lane: Lane & Own; readonly from: readonly unknown[] }>()
  /** The same lane as before while nothing about it is new, so that a press in one draws that one. */
  const laneOf = (entry: Entry): Lane & Own => {
    const known = made.get(entry.id)
    const mark = markToShow(grading.shownMarkOf(entry.id), known?.lane.entry === entry ? known.lane.mark : undefined)
    const own = followed(grading.ownOf(entry.id))
    const from = [entry, mark, own]
    if (known?.from.every((part, index) => part === from[index])) return known.lane
    // a figure from a card, or an officer's word, ends what the captures leave open
    const phase = mark && isMarkOver(mark) && !own.hasMore ? ('over' as const) : own.phase
    const lane = { ...own, entry, mark, phase }
    made.set(entry.id, { lane, from })
    return lane
  }
  const lanes = computed(() => group.entries.value.map(laneOf))
  const running = computed(() => lanes.value.filter(({ phase }) => phase === 'running'))
  // the next of them whose time runs out
  watchEffect(() => {
    const ends = running.value.flatMap(({ endsAtMs }) => endsAtMs ?? [])
    until(ends.length === 0 ? null : Math.min(...ends))
  })
  const toStart = computed(() => lanes.value.filter(({ phase, entry }) => phase === 'ready' && grading.mayStart(entry)))
  const beginStart = (): void => {
    starting.value = grading.ready.value && toStart.value.length > 0 && running.value.length === 0
  }
  const go = (moment: AgreedMoment): void => {
    starting.value = false
    for (const { entry } of toStart.value) grading.observe(entry.id, { kind: 'started', payload: {} }, moment)
  }
  const takeNext = (): void => {
    if (running.value.length > 0) return
    group.takeNext(lanes.value.flatMap(({ phase, entry }) => (phase === 'over' ? [entry.id] : [])))
  }
  return { grading, group, lanes, running, toStart, starting, beginStart, go, takeNext }
}

/** Of a mark that is under way nothing is shown but its cut, so that it is the same until there is more to tell. */
const markToShow = (now: Mark | undefined, before: Mark | undefined): Mark | undefined =>
  now?.kind === 'running' && before?.kind === 'running' && now.cut?.value === before.cut?.value ? before : now
