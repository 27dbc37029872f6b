<script setup lang="ts">
/** The running clock of a wave, and where it stands against the standard of the runner expected next. */
import { printClock, type Cut } from '@able-gauge/core'
import { computed } from 'vue'
import Gauge from '../../../ui/Gauge.vue'
import { timeOfDay } from '../../../ui/localTime.ts'
import { inPause } from '../../../ui/pressFirst.ts'
import { useTick } from '../../../ui/useTick.ts'

const props = defineProps<{
  wave: number
  startedAtMs: number
  /** When the last runner was home; the clock then stands. */
  endedAtMs: number | null
  zone: string
  cut: Cut | null
  /** Whom the cut belongs to, when it differs from person to person. */
  cutOf: string
  /** When everybody still on the course is stopped. */
  limitMs?: number | undefined
}>()

const nowMs = useTick(100, inPause)
const elapsedMs = computed(() => Math.max(0, (props.endedAtMs ?? nowMs.value) - props.startedAtMs))
const whole = computed(() => printClock(elapsedMs.value))
const tenth = computed(() => printClock(elapsedMs.value, 1).slice(-1))
const gaugeMs = computed(() => Math.floor(elapsedMs.value / 1_000) * 1_000)
const over = computed(() => props.cut !== null && elapsedMs.value > props.cut.value)
</script>

<template>
  <section class="sheet clock-card" aria-label="Clock of the wave">
    <div>
      <span class="quiet"
        >Wave {{ wave }}, started {{ timeOfDay(startedAtMs, zone) }}{{ endedAtMs === null ? '' : ', all in' }}</span
      >
      <div class="clock figures" role="timer">{{ whole }}<small>.{{ tenth }}</small></div>
    </div>
    <div v-if="cut" class="gauge-box">
      <span class="quiet">Where the clock stands against the standard{{ cutOf }}</span>
      <Gauge
        :cut="cut"
        :value="gaugeMs"
        :state="over ? 'short' : 'good'"
        size="large"
        cut-word="cut"
        :limit="limitMs"
      />
    </div>
  </section>
</template>

<style scoped>
/* the clock changes ten times a second and must not lay out the runners below it each time */
.clock-card {
  contain: layout paint;
  display: grid;
  grid-template-columns: minmax(270px, auto) 1fr;
  gap: 28px;
  padding: 12px 16px;
  align-items: center;
}
.clock {
  contain: size layout style;
  height: 72px;
  font-size: 76px;
  line-height: 0.95;
  font-weight: 700;
  letter-spacing: -0.03em;
}
.clock small {
  font-size: 34px;
  color: var(--ink-2);
  font-weight: 500;
  vertical-align: top;
}
@media (max-width: 900px) {
  .clock-card {
    grid-template-columns: 1fr;
    gap: 4px;
  }
  .gauge-box > span {
    display: none;
  }
}
</style>
