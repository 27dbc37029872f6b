/** Several candidates on a station course: whom the keys work, where each is, and what is captured of them. */
import {
  fixedMsOf,
  followCourse,
  printClock,
  type BeatStretch,
  type ProtocolOf,
  type Station,
  type StandardEvent,
} from '@able-gauge/core'
import { computed, ref, watch } from 'vue'
import type { Day, Entry } from '../../../day/day.ts'
import { useBeat } from '../../../sound/useBeat.ts'
import type { AgreedMoment } from '../../../sync/agreedClock.ts'
import { sayCapture } from '../../../ui/sayCapture.ts'
import { useTick } from '../../../ui/useTick.ts'
import { wordFor } from '../../../ui/verdictWords.ts'
import { useOpenCandidates } from '../../useOpenCandidates.ts'
import { doesThis, useCandidates } from '../../useQueue.ts'
import { useGroupGrading } from '../../console/useGroupGrading.ts'

export type CourseEvent = StandardEvent & { readonly protocol: ProtocolOf<'stationCourse'> }

export const useCourse = (day: () => Day, event: CourseEvent) => {
  const { protocol } = event
  const nowMs = useTick(50)
  const grading = useGroupGrading(day, event)
  const candidates = useCandidates(day, event.id, (entry) => doesThis(day(), event, entry))
  const { queue, couldBeNext } = candidates
  /** The candidate the keys work. */
  const chosenId = ref('')

  /** As of now: a stage of fixed time closes by itself. */
  const courseOf = (id: string) => followCourse(protocol, grading.ownOf(id), nowMs.value)
  const isUnder = (id: string): boolean => grading.markOf(id)?.kind === 'running'
  const runners = computed(() =>
    queue.value.filter(({ id }) => isUnder(id)).map((entry) => ({ entry, course: courseOf(entry.id) })),
  )
  // never somebody else by itself: a touch meant for one candidate must not stamp another who is on the course too
  const chosen = computed(() => runners.value.find(({ entry }) => entry.id === chosenId.value))
  /** Who was chosen stays to be seen when the course is done. */
  const last = computed(() => queue.value.find(({ id }) => id === chosenId.value))
  const course = computed(() => chosen.value?.course ?? (last.value ? courseOf(last.value.id) : undefined))
  const shown = computed(() => chosen.value?.entry ?? last.value)
  const shownMark = computed(() => (shown.value ? grading.markOf(shown.value.id) : undefined))
  const next = computed(() =>
    queue.value.find((entry) => grading.markOf(entry.id)?.kind === 'waiting' && couldBeNext(entry)),
  )
  const candidate = ref('')
  const toStart = computed(
    () => queue.value.find(({ id }) => id === candidate.value && grading.markOf(id)?.kind === 'waiting') ?? next.value,
  )
  useOpenCandidates(
    day,
    event.id,
    () => [...(chosen.value ? [chosen.value.entry.id] : []), ...(toStart.value ? [toStart.value.id] : [])],
    () => candidate.value === '',
  )

  const elapsedOf = (startedAtMs: number | undefined, endMs?: number): number =>
    startedAtMs === undefined ? 0 : Math.max(0, (endMs ?? nowMs.value) - startedAtMs)
  const elapsedMs = computed(() =>
    elapsedOf(
      course.value?.started?.atMs,
      course.value?.isFinished ? course.value.splits.at(-1)?.atMs : course.value?.end?.atMs,
    ),
  )
  const isRunning = computed(() => chosen.value !== undefined && chosen.value.entry.id === shown.value?.id)

  /** Somebody has started, and is the one the keys work. */
  const begin = (entry: Entry, moment: AgreedMoment): void => {
    chosenId.value = entry.id
    candidate.value = ''
    grading.observe(entry.id, { kind: 'started', payload: {} }, moment)
  }
  const pass = (): void => {
    const [entry, station] = [chosen.value?.entry, chosen.value?.course.current]
    if (!entry || !station || fixedMsOf(station) !== null) return
    // turns and blows are counted, and complete it by themselves
    const counts = station.tally !== undefined
    grading.observe(
      entry.id,
      counts ? { kind: 'counted', payload: {} } : { kind: 'passed', payload: { part: station.id } },
    )
  }
  /** Faults belong to the station the candidate is on. */
  const fault = (): void => {
    const [entry, station] = [chosen.value?.entry, chosen.value?.course.current]
    if (!entry || station?.faultsAllowed === undefined) return
    grading.observe(entry.id, { kind: 'faulted', payload: { part: station.id } })
  }
  const fail = (why: string): void => {
    if (chosen.value) grading.stop(chosen.value.entry.id, 'failed', why)
  }
  const choose = (step: number): void => {
    const at = runners.value.findIndex(({ entry }) => entry.id === chosenId.value)
    const count = Math.max(1, runners.value.length)
    const other = runners.value[at < 0 ? 0 : (at + step + count) % count]
    if (other) chosenId.value = other.entry.id
  }
  // with one alone on the course there is nobody to mistake
  watch(
    () => runners.value.map(({ entry }) => entry.id),
    (ids) => {
      const [only, another] = ids
      if (only !== undefined && another === undefined && chosenId.value === '') chosenId.value = only
    },
    { immediate: true },
  )

  const plan = computed(() => (isRunning.value && course.value?.current ? beatsOf(course.value.current) : []))
  const beatFromMs = computed(() => {
    const started = course.value?.started
    if (plan.value.length === 0 || !started) return null
    return started.atMs + (course.value?.splits.at(-1)?.elapsedMs ?? 0)
  })
  useBeat(
    () => plan.value,
    1,
    () => beatFromMs.value,
  )
  const stageLeftMs = computed(() => {
    const totalMs = plan.value.reduce((sum, { durationMs }) => sum + durationMs, 0)
    return beatFromMs.value === null ? 0 : totalMs - (nowMs.value - beatFromMs.value)
  })
  /** Where it ended without a finish: the moment, and the reason in the mark's own words. */
  const ended = computed(() => {
    const end = course.value?.end
    if (isRunning.value || !end || course.value?.isFinished || !course.value?.started) return ''
    const last = grading.ownOf(shown.value?.id ?? '').findLast(({ kind }) => kind === 'stopped')
    const why =
      last?.kind === 'stopped'
        ? (last.payload.note ?? sayCapture(last))
        : shownMark.value
          ? wordFor(shownMark.value)
          : ''
    return `${printClock(end.atMs - course.value.started.atMs, 1)}: ${why}`
  })

  return {
    nowMs,
    grading,
    candidates,
    runners,
    chosenId,
    candidate,
    toStart,
    isUnder,
    course,
    shown,
    shownMark,
    isRunning,
    elapsedMs,
    plan,
    beatFromMs,
    stageLeftMs,
    ended,
    begin,
    pass,
    fault,
    fail,
    choose,
    stopForSafety: (): void => {
      if (chosen.value) grading.stop(chosen.value.entry.id, 'safety')
    },
  }
}

/** The beats of a stage of fixed time, its warm-up first. */
const beatsOf = ({ rate }: Station): readonly BeatStretch[] =>
  rate === undefined
    ? []
    : [
        ...(rate.warmUpMs !== undefined && rate.warmUpStepsPerMinute !== undefined
          ? [{ beatsPerMinute: rate.warmUpStepsPerMinute, durationMs: rate.warmUpMs }]
          : []),
        { beatsPerMinute: rate.stepsPerMinute, durationMs: rate.durationMs },
      ]
