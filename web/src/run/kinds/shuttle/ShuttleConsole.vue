<script setup lang="ts">
/** A progressive shuttle: signals and spoken levels from the schedule, misses by runner, the last shuttle completed. */
import {
  SHUTTLE_COUNT_RULES,
  followShuttle,
  lastBefore,
  shuttleSignals,
  type Capture,
  type ProtocolOf,
  type ShuttleRun,
  type StandardEvent,
  printLength,
} from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, useTemplateRef, watch } from 'vue'
import type { Day, Entry } from '../../../day/day.ts'
import { useSignals } from '../../../sound/useSignals.ts'
import { useSound } from '../../../sound/useSound.ts'
import type { AgreedMoment } from '../../../sync/agreedClock.ts'
import { sameList } from '../../../ui/sameList.ts'
import { useTick } from '../../../ui/useTick.ts'
import StartCommands from '../../start/StartCommands.vue'
import StartHearing from '../../start/StartHearing.vue'
import BibField from '../../console/BibField.vue'
import GroupRoom from '../../console/GroupRoom.vue'
import { useGroupGrading } from '../../console/useGroupGrading.ts'
import { useWave } from '../../console/useWave.ts'
import WaveChoice from '../../console/WaveChoice.vue'
import ShuttleLevel from './ShuttleLevel.vue'
import ShuttleTiles from './ShuttleTiles.vue'

const props = defineProps<{
  day: Day
  event: StandardEvent & { readonly protocol: ProtocolOf<'progressiveShuttle'> }
}>()

const { protocol } = props.event
const signals = shuttleSignals(protocol)
const nowMs = useTick(100)
const { say } = useSound()
const grading = useGroupGrading(() => props.day, props.event)
const { ready } = grading
const group = useWave(() => props.day, props.event, grading)
const { waves, wave, runners, started, nextWave, isOver, typed, typedName } = group
const starting = ref(false)
/** Whether the next touch is somebody who steps out. */
const arming = ref(false)
const bib = useTemplateRef('bib')

const elapsedMs = computed(() => (started.value ? Math.max(0, nowMs.value - started.value.atMs) : 0))
const index = computed(() => lastBefore(signals, elapsedMs.value))
/** The shuttle being run now. */
const running = computed(() => signals[index.value + 1])
const followed = new WeakMap<readonly Capture[], { readonly start: Capture | undefined; readonly run: ShuttleRun }>()
/** The run of somebody; the same as before while it rests on the same captures. */
const runOf = (entry: Entry): ShuttleRun => {
  const [own, start] = [grading.ownOf(entry.id), group.startFor(entry)]
  const known = followed.get(own)
  if (known && known.start === start) return known.run
  const run = followShuttle(protocol, own, start)
  followed.set(own, { start, run })
  return run
}
const tiles = computed(() =>
  runners.value.map((entry) => ({
    entry,
    run: runOf(entry),
    mark: grading.markOf(entry.id),
    out: isOver(entry),
  })),
)
const stillIn = computed(() => tiles.value.filter(({ out }) => !out))
/** Those under way: the same list as long as they are the same. */
const under = computed<readonly Entry[]>((before) =>
  sameList(started.value ? stillIn.value.map(({ entry }) => entry) : [], before),
)
const isRunning = computed(() => started.value !== null && stillIn.value.length > 0 && running.value !== undefined)

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
const isDone = ({ id }: Entry): boolean => {
  const kind = grading.markOf(id)?.kind
  return kind !== 'running'
}
const miss = (entry: Entry): void => {
  if (!isDone(entry)) grading.observe(entry.id, { kind: 'missed', payload: {} })
}
const out = (entry: Entry): void => {
  arming.value = false
  if (!isDone(entry)) grading.observe(entry.id, { kind: 'stopped', payload: { reason: 'ended' } })
}
const withTyped = (act: (entry: Entry) => void): void => {
  const entry = group.takeTyped()
  if (entry) act(entry)
}
const stepsOut = (): void => {
  if (typed.value === '') arming.value = started.value !== null && !arming.value
  else withTyped(out)
}
const beginStart = (): void => {
  if (ready.value && started.value === null && runners.value.length > 0) starting.value = true
}
const onGo = (moment: AgreedMoment): void => {
  starting.value = false
  group.start(moment)
}
const KEYS: Readonly<Record<string, () => void>> = {
  Enter: () => withTyped(miss),
  o: stepsOut,
  s: beginStart,
  Backspace: () => (typed.value = typed.value.slice(0, -1)),
  Escape: () => {
    typed.value = ''
    starting.value = false
    arming.value = false
  },
}
</script>

<template>
  <GroupRoom
    :day="day"
    :event="event"
    :grading="grading"
    :under="under"
    :targets="[group.target.value]"
    :keys="KEYS"
    :strong-keys="typed === '' ? [] : ['Enter']"
    :on-digit="group.type"
    :own-field="() => bib?.field ?? null"
    sounds
    :help="[
      ['S', 'start commands for the wave'],
      ['0–9, Enter', 'that bib missed the line'],
      ['0–9, O', 'that bib steps out; O alone, and then a touch'],
      ['Esc', 'clear what is typed'],
    ]"
  >
    <template #side>
      <section class="sheet panel">
        <WaveChoice v-model="wave" :waves="waves" />
        <h2>Rules</h2>
        <p>
          {{ printLength(protocol.lineDistanceMm) }} between the lines. Within {{ printLength(protocol.zoneMm) }} of the
          line at the signal counts as reached.
        </p>
        <p>
          {{ protocol.missesAllowed }} {{ protocol.missesAllowed === 1 ? 'miss' : 'misses' }} in a row allowed, one more
          is out.
          {{ SHUTTLE_COUNT_RULES[protocol.counts] }}
        </p>
        <p v-for="text in event.cautions" :key="text">{{ text }}</p>
      </section>
      <section class="sheet panel">
        <h2>{{ stillIn.length }} still in, {{ tiles.length - stillIn.length }} out</h2>
      </section>
    </template>
    <StartCommands v-if="starting" :day="day" :event="event" :entries="runners" @go="onGo" @cancel="starting = false" />
    <section v-else-if="!started" class="sheet ready">
      <h1>Wave {{ wave }}: {{ runners.length }} on the line</h1>
      <p class="quiet">Let them hear the signal first. The signals begin with the start.</p>
      <BButton
        v-if="grading.mayCapture.value"
        variant="primary"
        size="lg"
        :disabled="!ready || runners.length === 0"
        @click="beginStart"
      >
        Start commands <kbd>S</kbd>
      </BButton>
      <StartHearing :protocol="protocol" />
    </section>
    <ShuttleLevel v-else :signals="signals" :started-at-ms="started.atMs" :is-running="isRunning" />
    <p v-if="arming" class="armed" role="status">Steps out: touch who steps out, or Esc</p>
    <ShuttleTiles :tiles="tiles" :active="ready && started !== null" :arming="arming" @miss="miss" @out="out" />
    <section v-if="started && stillIn.length === 0" class="sheet done">
      <p><strong>Wave {{ wave }} is out.</strong> Keep them walking, watch them, offer water.</p>
      <BButton v-if="nextWave" variant="primary" @click="wave = nextWave">Go to wave {{ nextWave }}</BButton>
      <RouterLink v-else class="btn btn-primary" :to="{ name: 'run' }">Back to the events</RouterLink>
    </section>
    <template #foot>
      <BibField
        ref="bib"
        v-model="typed"
        :typed-name="typedName"
        action="Missed"
        :disabled="!started"
        @enter="withTyped(miss)"
      />
      <BButton variant="quiet" :disabled="!started" :aria-pressed="arming" @click="stepsOut"
        >Steps out <kbd>O</kbd></BButton
      >
    </template>
  </GroupRoom>
</template>

<style scoped>
.panel {
  padding: 12px 14px;
  overflow-y: auto;
}
.panel p {
  margin: 4px 0;
}
.ready,
.done {
  padding: 16px 20px;
}
.done {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.done p {
  margin: 0;
}
.armed {
  margin: 0;
  padding: 8px 14px;
  background: var(--vest);
  color: var(--vest-ink);
  border-radius: 6px;
  font-weight: 700;
}
</style>
