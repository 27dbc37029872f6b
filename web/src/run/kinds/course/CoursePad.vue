<script setup lang="ts">
/** What is done at the station somebody is on: complete it or count it, a fault, what fails at once; a stage to a beat closes by itself. */
import { fixedMsOf, printClock, type BeatStretch, type Course, type Station } from '@able-gauge/core'
import BeatLight from '../../../sound/BeatLight.vue'

defineProps<{
  station: Station
  course: Course
  ready: boolean
  plan: readonly BeatStretch[]
  beatFromMs: number | null
  /** Of a stage of fixed time. */
  leftMs: number
}>()
const emit = defineEmits<{ pass: []; fault: []; fail: [why: string] }>()
</script>

<template>
  <div v-if="fixedMsOf(station) !== null" class="stage">
    <BeatLight v-if="plan.length > 0" :plan="plan" :started-at-ms="beatFromMs" :per-cycle="1" />
    <strong class="figures">{{ `${printClock(Math.max(0, leftMs) + 999)} left, closes by itself` }}</strong>
  </div>
  <p>{{ station.task }}</p>
  <button v-if="station.tally !== undefined" class="pad" :disabled="!ready" @pointerdown.prevent="emit('pass')">
    <strong>{{ course.tally }} of {{ station.tally }}</strong><span>tap each one, or space</span>
  </button>
  <button v-else-if="fixedMsOf(station) === null" class="pad" :disabled="!ready" @pointerdown.prevent="emit('pass')">
    <strong>{{ station.name }} complete</strong><span>tap, or space</span>
  </button>
  <div class="keys-row">
    <button v-if="station.faultsAllowed !== undefined" class="caution" :disabled="!ready" @click="emit('fault')">
      Fault <kbd>T</kbd><small>{{ station.fault ?? 'on this station' }}</small>
    </button>
    <button
      v-for="(why, index) in station.failsAtOnce"
      :key="why"
      class="refuse"
      :disabled="!ready"
      @click="emit('fail', why)"
    >
      {{ why }} <kbd>{{ index + 1 }}</kbd><small>ends it</small>
    </button>
  </div>
</template>

<style scoped lang="scss">
@use '../../console/pad';
.stage {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.stage strong {
  font-size: 1.5rem;
}
p {
  margin: 0;
}
</style>
