<script setup lang="ts">
/** What time alone changes in a lane: its clock, and how long somebody has paused. */
import { printClock, type CountedProtocol } from '@able-gauge/core'
import { computed } from 'vue'
import { inPause } from '../../../ui/pressFirst.ts'
import { useTick } from '../../../ui/useTick.ts'
import { laneClock, type RepetitionLane } from './repetitionLane.ts'

const props = defineProps<{
  lane: RepetitionLane
  protocol: CountedProtocol
}>()

const nowMs = useTick(100, inPause)
const clock = computed(() => laneClock(props.protocol, props.lane, nowMs.value))
const shown = computed(() => {
  const { untilMs, elapsedMs } = clock.value
  return untilMs === null ? printClock(elapsedMs) : printClock(Math.max(0, untilMs) + 999)
})
</script>

<template>
  <!-- a place beside the name, and in it the line: what a second changes then lays out the line alone -->
  <div class="place">
    <p class="line">
      <strong v-if="clock.pause.words" :class="{ over: clock.pause.isOver }">{{ clock.pause.words }}</strong>
      <span class="figures">{{ shown }}</span>
    </p>
  </div>
</template>

<style scoped>
.place {
  flex: 1;
  min-width: 10.5rem;
}
.line {
  contain: size layout style;
  height: 1.9rem;
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  margin: 0;
}
.line span {
  margin-left: auto;
  font-size: 1.25rem;
}
.line .over {
  color: var(--short);
}
</style>
