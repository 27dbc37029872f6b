<script setup lang="ts">
/** Distance in a time: laps stamped as they are run, and where each runner stood when the time ran out. */
import {
  followDistance,
  printClock,
  printLength,
  printTime,
  type ProtocolOf,
  type StandardEvent,
} from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, useTemplateRef } from 'vue'
import { shortName, type Day, type Entry } from '../../../day/day.ts'
import { useSignals } from '../../../sound/useSignals.ts'
import type { AgreedMoment } from '../../../sync/agreedClock.ts'
import { useTick } from '../../../ui/useTick.ts'
import StartCommands from '../../start/StartCommands.vue'
import BibField from '../../console/BibField.vue'
import BigTime from '../../console/BigTime.vue'
import GroupRoom from '../../console/GroupRoom.vue'
import { useGroupGrading } from '../../console/useGroupGrading.ts'
import { useWave } from '../../console/useWave.ts'
import WaveChoice from '../../console/WaveChoice.vue'
import DistanceMarks from './DistanceMarks.vue'

const props = defineProps<{
  day: Day
  event: StandardEvent & { readonly protocol: ProtocolOf<'distanceInTime'> }
}>()

const { protocol } = props.event
const nowMs = useTick(100)
const grading = useGroupGrading(() => props.day, props.event)
const { ready } = grading
const group = useWave(() => props.day, props.event, grading)
const { waves, wave, runners, started, nextWave, isOver } = group
const starting = ref(false)
const field = useTemplateRef('field')

const elapsedMs = computed(() => (started.value ? Math.max(0, nowMs.value - started.value.atMs) : 0))
const leftMs = computed(() => protocol.durationMs - elapsedMs.value)
const isRunning = computed(() => started.value !== null && leftMs.value > 0)
const timeIsUp = computed(() => started.value !== null && leftMs.value <= 0)
useSignals(
  () => (isRunning.value ? (started.value?.atMs ?? null) : null),
  (fromMs, toMs) =>
    protocol.durationMs >= fromMs && protocol.durationMs < toMs ? [{ atMs: protocol.durationMs, tone: 'level' }] : [],
)

const tiles = computed(() =>
  runners.value.map((entry) => {
    const run = followDistance(protocol, grading.ownOf(entry.id), group.startFor(entry))
    const lastMs = grading.ownOf(entry.id).findLast(({ kind }) => kind === 'crossed')?.atMs
    return { entry, run, out: isOver(entry), lastMs }
  }),
)
/** The lap that is run here, as it was measured. */
const lapLengthMm = computed(() => {
  const { payload } = started.value ?? group.begins.value
  return payload.lapLengthMm ?? protocol.lapLengthMm
})
const toMark = computed(() => tiles.value.filter(({ run, out }) => run.beyondLineMm === null && !out))
const stillOut = computed(() => tiles.value.filter(({ out }) => !out).map(({ entry }) => entry))

const cross = (entry: Entry): void => {
  if (started.value !== null && !isOver(entry)) grading.observe(entry.id, { kind: 'crossed', payload: {} })
}
const enter = (): void => {
  const entry = group.bib.takeTyped()
  if (entry && isRunning.value) cross(entry)
}
const beginStart = (): void => {
  if (ready.value && started.value === null && runners.value.length > 0) starting.value = true
}
const onGo = (moment: AgreedMoment): void => {
  starting.value = false
  group.start(moment)
}
const KEYS: Readonly<Record<string, () => void>> = {
  Enter: enter,
  s: beginStart,
  Backspace: group.bib.backspace,
  Escape: () => {
    group.bib.typed.value = ''
    starting.value = false
  },
}
</script>

<template>
  <GroupRoom
    :day="day"
    :event="event"
    :grading="grading"
    :under="started ? stillOut : []"
    :targets="() => [group.target.value]"
    :keys="() => KEYS"
    :wins-over-buttons="group.bib.wantsKey"
    :on-digit="group.bib.type"
    :own-field="() => field?.field ?? null"
    sounds
    :help="[
      ['S', 'start commands for the wave'],
      ['0–9, Enter', 'stamp a bib as it crosses the line'],
      ['Tab, Enter', 'when the time is up: from field to field'],
    ]"
  >
    <template #side>
      <section class="sheet panel">
        <WaveChoice v-model="wave" :waves="waves" />
        <h2>{{ printTime(protocol.durationMs) }}, laps of {{ printLength(lapLengthMm) }}</h2>
        <p>
          Everybody is measured where they are when the time runs out, at the last mark passed. Marks every
          {{ printLength(protocol.markEveryMm) }}.
        </p>
        <p v-for="text in event.cautions" :key="text">{{ text }}</p>
      </section>
    </template>
    <StartCommands v-if="starting" :day="day" :event="event" :entries="runners" @go="onGo" @cancel="starting = false" />
    <section v-else-if="!started" class="sheet ready">
      <h1>Wave {{ wave }}: {{ runners.length }} on the line</h1>
      <p class="quiet">Check the bibs below against the people on the line.</p>
      <BButton
        v-if="grading.mayCapture.value"
        variant="primary"
        size="lg"
        :disabled="!ready || runners.length === 0"
        @click="beginStart"
      >
        Start commands <kbd>S</kbd>
      </BButton>
    </section>
    <BigTime
      v-else
      :elapsed-ms="isRunning ? leftMs : 0"
      :words="
        isRunning
          ? `left, started with ${tiles.length}`
          : toMark.length > 0
            ? 'Time is up: everybody stands where they are'
            : 'All are measured'
      "
    />
    <DistanceMarks
      v-if="timeIsUp && toMark.length > 0"
      :to-mark="toMark"
      :lap-length-mm="lapLengthMm"
      :ready="ready"
      @mark="(entry, beyondLineMm) => grading.observe(entry.id, { kind: 'markedAt', payload: { beyondLineMm } })"
    />
    <ol class="tiles">
      <li v-for="{ entry, run, out, lastMs } in tiles" :key="entry.id">
        <button
          class="tile"
          :class="{ out }"
          :data-bib="entry.bib"
          :disabled="!ready || !isRunning || out"
          tabindex="-1"
          @click="cross(entry)"
        >
          <strong class="figures">{{ entry.bib }}</strong>
          <span>{{ shortName(entry) }}</span>
          <small>
            {{
              run.beyondLineMm === null
                ? `${run.laps} ${run.laps === 1 ? 'lap' : 'laps'}`
                : printLength(run.laps * run.lapLengthMm + run.beyondLineMm)
            }}<template v-if="isRunning && lastMs && started"
              >, last at {{ printClock(lastMs - started.atMs) }}</template
            >
          </small>
        </button>
      </li>
    </ol>
    <section v-if="timeIsUp && toMark.length === 0" class="sheet done">
      <p><strong>Wave {{ wave }} is measured.</strong> Keep them walking, watch them, offer water.</p>
      <BButton v-if="nextWave" variant="primary" @click="wave = nextWave">Go to wave {{ nextWave }}</BButton>
      <RouterLink v-else class="btn btn-primary" :to="{ name: 'run' }">Back to the events</RouterLink>
    </section>
    <template #foot>
      <BibField ref="field" :bib="group.bib" action="Cross" :disabled="!isRunning" @enter="enter" />
    </template>
  </GroupRoom>
</template>

<style scoped>
.panel,
.ready {
  padding: 12px 16px;
}
.panel p {
  margin: 4px 0;
}
.tiles {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 9px;
}
.tile {
  width: 100%;
  min-height: 96px;
  padding: 8px 12px;
  display: flex;
  flex-direction: column;
  text-align: left;
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--line-2);
  border-radius: 8px;
  touch-action: manipulation;
  contain: layout paint;
}
.tile strong {
  font-size: 2.1rem;
  line-height: 1;
}
.tile small {
  margin-top: auto;
  font-size: 0.8125rem;
  color: var(--ink-2);
}
.out {
  background: var(--sheet-2);
}
.done {
  display: flex;
  justify-content: space-between;
  align-items: center;
  padding: 14px 16px;
}
.done p {
  margin: 0;
}
</style>
