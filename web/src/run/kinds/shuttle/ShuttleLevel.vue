<script setup lang="ts">
/** Level and shuttle being run, with how long it is to the next signal. */
import { lastBefore, printClock, type ShuttleSignal } from '@able-gauge/core'
import { computed } from 'vue'
import { inPause } from '../../../ui/pressFirst.ts'
import { useTick } from '../../../ui/useTick.ts'

const props = defineProps<{
  signals: readonly ShuttleSignal[]
  startedAtMs: number
  isRunning: boolean
}>()

const nowMs = useTick(100, inPause)
const elapsedMs = computed(() => Math.max(0, nowMs.value - props.startedAtMs))
const index = computed(() => lastBefore(props.signals, elapsedMs.value))
const running = computed(() => props.signals[index.value + 1])
const toNextMs = computed(() => Math.max(0, (running.value?.atMs ?? 0) - elapsedMs.value))
const share = computed(() => {
  const before = props.signals[index.value]?.atMs ?? 0
  const length = (running.value?.atMs ?? before) - before
  return length > 0 ? 1 - toNextMs.value / length : 0
})
</script>

<template>
  <section class="sheet level" aria-label="Level and shuttle">
    <div>
      <span class="quiet">level</span
      ><strong class="figures" data-testid="level">{{ running?.level ?? signals.at(-1)?.level }}</strong>
    </div>
    <div>
      <span class="quiet">shuttle</span
      ><strong class="figures" data-testid="shuttle">{{ running?.shuttle ?? '–' }}</strong>
    </div>
    <div class="to-next">
      <span class="quiet">{{ isRunning ? 'to the signal' : 'over' }}</span>
      <strong class="figures" role="timer">{{ isRunning ? printClock(toNextMs, 1) : printClock(elapsedMs) }}</strong>
      <div class="track" :style="{ backgroundSize: `${share * 100}% 100%` }" />
    </div>
  </section>
</template>

<style scoped>
.level {
  display: grid;
  grid-template-columns: auto auto 1fr;
  gap: 32px;
  padding: 8px 20px;
}
.level span,
.level strong {
  display: block;
}
.level strong {
  font-size: 64px;
  line-height: 0.95;
}
.to-next strong {
  /* it changes ten times a second and lays out nothing around it */
  contain: size layout style;
  height: 46px;
  font-size: 48px;
}
/* filled as a picture is: a part of it that moved would have the whole page put together anew each time */
.track {
  height: 12px;
  border: 1px solid var(--line-2);
  margin-top: 6px;
  background: linear-gradient(var(--bar-2), var(--bar-2)) no-repeat;
}
@media (max-width: 900px) {
  .level {
    gap: 16px;
  }
  .level strong {
    font-size: 48px;
  }
  .to-next strong {
    height: 36px;
    font-size: 38px;
  }
}
</style>
