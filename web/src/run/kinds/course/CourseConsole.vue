<script setup lang="ts">
/** A station course: one candidate after another, several on the course at once, stations in order, faults, what fails at once. */
import {
  beatsBetween,
  fixedMsOf,
  followCourse,
  printClock,
  printTime,
  type BeatStretch,
  type ProtocolOf,
  type Station,
  type StandardEvent,
} from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { fullName, shortName, type Day } from '../../../day/day.ts'
import BeatLight from '../../../sound/BeatLight.vue'
import { useSignals } from '../../../sound/useSignals.ts'
import type { AgreedMoment } from '../../../sync/agreedClock.ts'
import { useTick } from '../../../ui/useTick.ts'
import { wordFor } from '../../../ui/verdictWords.ts'
import CandidateQueue from '../../CandidateQueue.vue'
import StartCommands from '../../start/StartCommands.vue'
import { useOpenCandidates } from '../../useOpenCandidates.ts'
import { doesThis, useCandidates } from '../../useQueue.ts'
import StartHearing from '../../start/StartHearing.vue'
import BigTime from '../../console/BigTime.vue'
import GroupRoom from '../../console/GroupRoom.vue'
import { personTarget } from '../../console/slipTarget.ts'
import { useGroupGrading } from '../../console/useGroupGrading.ts'

const props = defineProps<{
  day: Day
  event: StandardEvent & { readonly protocol: ProtocolOf<'stationCourse'> }
}>()

const { protocol } = props.event
const { stations } = protocol
const nowMs = useTick(50)
const grading = useGroupGrading(() => props.day, props.event)
const { ready } = grading
const candidates = useCandidates(
  () => props.day,
  props.event.id,
  (entry) => doesThis(props.day, props.event, entry),
)
const { queue, couldBeNext } = candidates
const starting = ref(false)
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
  () => props.day,
  props.event.id,
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

const beginStart = (): void => {
  if (toStart.value && grading.mayStart(toStart.value)) starting.value = true
}
const onGo = (moment: AgreedMoment): void => {
  starting.value = false
  const entry = toStart.value
  if (!entry) return
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

const beatsOf = ({ rate }: Station): readonly BeatStretch[] =>
  rate === undefined
    ? []
    : [
        ...(rate.warmUpMs !== undefined && rate.warmUpStepsPerMinute !== undefined
          ? [{ beatsPerMinute: rate.warmUpStepsPerMinute, durationMs: rate.warmUpMs }]
          : []),
        { beatsPerMinute: rate.stepsPerMinute, durationMs: rate.durationMs },
      ]
const plan = computed(() => (isRunning.value && course.value?.current ? beatsOf(course.value.current) : []))
const beatFromMs = computed(() => {
  const started = course.value?.started
  if (plan.value.length === 0 || !started) return null
  return started.atMs + (course.value?.splits.at(-1)?.elapsedMs ?? 0)
})
useSignals(
  () => beatFromMs.value,
  (fromMs, toMs) => beatsBetween(plan.value, fromMs, toMs).map(({ atMs }) => ({ atMs, tone: 'beat' })),
)
const stageLeftMs = computed(() => {
  const totalMs = plan.value.reduce((sum, { durationMs }) => sum + durationMs, 0)
  return beatFromMs.value === null ? 0 : totalMs - (nowMs.value - beatFromMs.value)
})
const faultsAt = (id: string): number => course.value?.faults[id] ?? 0
const splitAt = (index: number): string => {
  const split = course.value?.splits[index]
  const before = course.value?.splits[index - 1]?.elapsedMs ?? 0
  return split ? printClock(split.elapsedMs - before, 1) : ''
}
const KEYS: Readonly<Record<string, () => void>> = {
  ' ': pass,
  t: fault,
  s: beginStart,
  ArrowDown: () => choose(1),
  ArrowUp: () => choose(-1),
  f: () => chosen.value && grading.stop(chosen.value.entry.id, 'safety'),
  Escape: () => (starting.value = false),
}
const failKeys = computed(() =>
  Object.fromEntries(
    (course.value?.current?.failsAtOnce ?? []).map((why, index) => [String(index + 1), () => fail(why)]),
  ),
)
</script>

<template>
  <GroupRoom
    :day="day"
    :event="event"
    :grading="grading"
    :under="runners.map(({ entry }) => entry)"
    :targets="(shown ? [shown] : toStart ? [toStart] : []).map((one) => personTarget(one, grading.ownOf(one.id)))"
    :others="queue"
    :keys="{ ...KEYS, ...failKeys }"
    :strong-keys="isRunning ? [' '] : []"
    sounds
    :help="[
      ['S', 'start commands for the next candidate'],
      ['Space', 'the station is complete'],
      ['T', 'a fault on this station'],
      ['1–9', 'what fails at once on this station'],
      ['↑ ↓', 'another candidate on the course'],
      ['F', 'stop the candidate for safety'],
    ]"
  >
    <template #side>
      <section v-if="runners.length > 0" class="sheet on">
        <h2>On the course</h2>
        <button
          v-for="{ entry, course: own } in runners"
          :key="entry.id"
          :class="{ chosen: entry.id === shown?.id }"
          :aria-pressed="entry.id === shown?.id"
          @click="chosenId = entry.id"
        >
          <strong class="figures">{{ entry.bib ?? '–' }}</strong>
          <span
            >{{ shortName(entry) }}<small class="quiet">{{ own.current?.name }}</small></span
          >
          <span class="figures">{{ printClock(elapsedOf(own.started?.atMs)) }}</span>
        </button>
      </section>
      <CandidateQueue
        :day="day"
        :event="event"
        :candidates="candidates"
        :current="toStart?.id ?? ''"
        @choose="(id) => (isUnder(id) ? (chosenId = id) : (candidate = id))"
      />
    </template>

    <StartCommands
      v-if="starting"
      :day="day"
      :event="event"
      :entries="toStart ? [toStart] : []"
      @go="onGo"
      @cancel="starting = false"
    />
    <template v-else>
      <template v-if="shown && course?.started">
        <div class="who">
          <h1>
            <span class="figures">{{ shown.bib ?? '–' }}</span> {{ fullName(shown) }}
          </h1>
          <strong v-if="!isRunning && shownMark">{{ wordFor(shownMark) }}</strong>
        </div>
        <BigTime
          :elapsed-ms="elapsedMs"
          :words="
            protocol.limitMs
              ? `limit ${printTime(protocol.limitMs)}. Stops when: ${protocol.clockStopsWhen}`
              : `Stops when: ${protocol.clockStopsWhen}`
          "
        />
        <ol class="stations">
          <li
            v-for="(station, index) in stations"
            :key="station.id"
            :class="{ current: isRunning && station.id === course.current?.id, done: index < course.splits.length }"
          >
            <strong>{{ station.name }}</strong>
            <span v-if="station.faultsAllowed !== undefined" class="figures"
              >{{ faultsAt(station.id) }} of {{ station.faultsAllowed }} faults</span
            >
            <span class="figures">{{ splitAt(index) }}</span>
          </li>
        </ol>
        <template v-if="isRunning && course.current">
          <div v-if="plan.length > 0" class="stage">
            <BeatLight :plan="plan" :started-at-ms="beatFromMs" :per-cycle="1" />
            <strong class="figures">{{
              `${printClock(Math.max(0, stageLeftMs) + 999)} left, closes by itself`
            }}</strong>
          </div>
          <p class="task">{{ course.current.task }}</p>
          <button
            v-if="fixedMsOf(course.current) === null && course.current.tally === undefined"
            class="pad"
            :disabled="!ready"
            @pointerdown.prevent="pass"
          >
            <strong>{{ course.current.name }} complete</strong><span>tap, or space</span>
          </button>
          <button v-if="course.current.tally !== undefined" class="pad" :disabled="!ready" @pointerdown.prevent="pass">
            <strong>{{ course.tally }} of {{ course.current.tally }}</strong
            ><span>tap each one, or space</span>
          </button>
          <div class="keys-row">
            <button v-if="course.current.faultsAllowed !== undefined" class="caution" :disabled="!ready" @click="fault">
              Fault <kbd>T</kbd><small>{{ course.current.fault ?? 'on this station' }}</small>
            </button>
            <button
              v-for="(why, index) in course.current.failsAtOnce"
              :key="why"
              class="refuse"
              :disabled="!ready"
              @click="fail(why)"
            >
              {{ why }} <kbd>{{ index + 1 }}</kbd><small>ends it</small>
            </button>
          </div>
        </template>
      </template>
      <section v-if="toStart" class="sheet next">
        <div>
          <strong>{{ runners.length === 0 ? 'Next' : 'May follow' }}: {{ toStart.bib }} {{ fullName(toStart) }}</strong>
          <p v-if="runners.length === 0" class="quiet">
            {{ stations.length }} stations{{ protocol.gear ? `. On: ${protocol.gear.join(', ').toLowerCase()}` : '' }}.
            <template v-for="text in event.cautions" :key="text">{{ text }} </template>
          </p>
        </div>
        <BButton
          v-if="grading.mayCapture.value"
          size="lg"
          :variant="runners.length === 0 ? 'primary' : 'quiet'"
          :disabled="!grading.mayStart(toStart)"
          @click="beginStart"
        >
          Start commands <kbd>S</kbd>
        </BButton>
        <StartHearing v-if="runners.length === 0" :protocol="protocol" />
      </section>
      <p v-else-if="runners.length === 0" class="sheet next">Nobody is waiting.</p>
    </template>
  </GroupRoom>
</template>

<style scoped lang="scss">
@use '../../console/pad';
.on {
  padding: 10px 0;
  flex: none;
}
.on h2 {
  padding: 0 14px 6px;
}
.on button {
  width: 100%;
  min-height: 52px;
  display: grid;
  grid-template-columns: 48px 1fr auto;
  align-items: center;
  text-align: left;
  border: 0;
  border-left: 4px solid transparent;
  border-top: 1px solid var(--line);
  background: none;
  color: inherit;
  padding: 4px 14px 4px 10px;
}
.on .chosen {
  border-left-color: var(--ink);
  background: var(--tint);
}
.on strong {
  font-size: 1.25rem;
}
.on small {
  display: block;
}
.who {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
.stations {
  list-style: none;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(120px, 1fr));
  gap: 6px;
  margin: 0;
  padding: 0;
}
.stations li {
  display: flex;
  flex-direction: column;
  padding: 6px 10px;
  border: 2px solid var(--line);
  border-radius: 6px;
  background: var(--sheet);
  font-size: 0.8125rem;
}
.stations strong {
  font-size: 0.9375rem;
  line-height: 1.2;
}
.stations .done {
  background: var(--tint);
}
.stations .current {
  border-color: var(--ink);
  box-shadow: 0 0 0 3px var(--vest);
}
.stage {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.stage strong {
  font-size: 1.5rem;
}
.task {
  margin: 0;
}
.next {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 16px;
  padding: 12px 16px;
  margin: 0;
}
.next p {
  margin: 2px 0 0;
}
</style>
