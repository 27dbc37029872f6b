<script setup lang="ts">
/** A running time, large enough to be read from a distance. */
import { printClock } from '@able-gauge/core'
import { computed } from 'vue'

const props = withDefaults(
  defineProps<{
    elapsedMs: number
    /** Words beside it. */
    words?: string
    /** Tenths are shown where a person stops the time. */
    tenths?: boolean
  }>(),
  { words: '', tenths: true },
)
const whole = computed(() => printClock(props.elapsedMs))
const tenth = computed(() => printClock(props.elapsedMs, 1).slice(-1))
</script>

<template>
  <div class="big-time">
    <div class="figures" role="timer">{{ whole }}<small v-if="tenths">.{{ tenth }}</small></div>
    <p class="quiet">{{ words }}</p>
  </div>
</template>

<style scoped>
.big-time {
  display: flex;
  align-items: flex-end;
  justify-content: space-between;
  gap: 12px;
}
.figures {
  font-size: 76px;
  line-height: 0.95;
  font-weight: 700;
  letter-spacing: -0.03em;
}
small {
  font-size: 0.45em;
  color: var(--ink-2);
  font-weight: 500;
  vertical-align: top;
}
p {
  margin: 0;
  text-align: right;
}
@media (max-width: 900px) {
  .figures {
    font-size: 60px;
  }
}
</style>
