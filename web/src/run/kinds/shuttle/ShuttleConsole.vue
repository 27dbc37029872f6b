<script setup lang="ts">
/** A progressive shuttle: signals and spoken levels from the schedule, misses by runner, the last shuttle completed. */
import { SHUTTLE_COUNT_RULES, printLength } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, useTemplateRef } from 'vue'
import type { Day, Entry } from '../../../day/day.ts'
import type { AgreedMoment } from '../../../sync/agreedClock.ts'
import StartCommands from '../../start/StartCommands.vue'
import StartHearing from '../../start/StartHearing.vue'
import BibField from '../../console/BibField.vue'
import GroupRoom from '../../console/GroupRoom.vue'
import WaveChoice from '../../console/WaveChoice.vue'
import ShuttleLevel from './ShuttleLevel.vue'
import ShuttleTiles from './ShuttleTiles.vue'
import { useShuttle, type ShuttleEvent } from './useShuttle.ts'

const props = defineProps<{
  day: Day
  event: ShuttleEvent
}>()

const { protocol } = props.event
// the tiles are handed on as they are, to be asked where they are drawn: what is asked here would draw the console anew
const shuttle = useShuttle(() => props.day, props.event)
const { grading, group, signals, shownIn, isRunning, miss } = shuttle
const { ready } = grading
const { waves, wave, runners, started, nextWave, bib } = group
const starting = ref(false)
/** Whether the next touch is somebody who steps out. */
const arming = ref(false)
const field = useTemplateRef('field')
/** Those under way. */
const under = computed<readonly Entry[]>(() => (started.value ? shownIn.value : []))

const out = (entry: Entry): void => {
  arming.value = false
  shuttle.stepOut(entry)
}
const withTyped = (act: (entry: Entry) => void): void => {
  const entry = bib.takeTyped()
  if (entry) act(entry)
}
const stepsOut = (): void => {
  if (bib.typed.value === '') arming.value = started.value !== null && !arming.value
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
  Backspace: bib.backspace,
  Escape: () => {
    bib.typed.value = ''
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
    :targets="() => [group.target.value]"
    :keys="() => KEYS"
    :wins-over-buttons="bib.wantsKey"
    :on-digit="bib.type"
    :own-field="() => field?.field ?? null"
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
        <h2>{{ shownIn.length }} still in, {{ runners.length - shownIn.length }} out</h2>
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
    <ShuttleTiles :tiles="shuttle.tiles" :active="ready && started !== null" :arming="arming" @miss="miss" @out="out" />
    <section v-if="started && shownIn.length === 0" class="sheet done">
      <p><strong>Wave {{ wave }} is out.</strong> Keep them walking, watch them, offer water.</p>
      <BButton v-if="nextWave" variant="primary" @click="wave = nextWave">Go to wave {{ nextWave }}</BButton>
      <RouterLink v-else class="btn btn-primary" :to="{ name: 'run' }">Back to the events</RouterLink>
    </section>
    <template #foot>
      <BibField ref="field" :bib="bib" action="Missed" :disabled="!started" @enter="withTyped(miss)" />
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
