<script setup lang="ts">
/** Time left, the count, what was refused, cautions, and where the count stands against the cut. */
import { printClock, printTime, type CountedProtocol, type Cut, type RepetitionAttempt } from '@able-gauge/core'
import { computed } from 'vue'
import Gauge from '../../../ui/Gauge.vue'

const props = defineProps<{
  protocol: CountedProtocol
  /** How long it may last; null without a clock. */
  durationMs: number | null
  attempt: RepetitionAttempt
  /** Null when no band of the standard fits the candidate. */
  cut: Cut | null
  elapsedMs: number
  /** Whether the attempt has ended. */
  over: boolean
  /** How long nothing has moved, in words; empty while it does. */
  pauseWords: string
  /** Whether that is longer than allowed. */
  pauseOver: boolean
}>()

const tally = computed(() => props.attempt.tally)
const refusedTotal = computed(() => Object.values(tally.value.refused).reduce((sum, count) => sum + count, 0))
const toTheCut = computed(() => (props.cut === null ? 0 : props.cut.value - tally.value.counted))
const time = computed(() =>
  props.durationMs === null
    ? printClock(props.elapsedMs)
    : printTime(Math.ceil((props.durationMs - props.elapsedMs) / 1000) * 1000),
)
const REST_WORDS = {
  nowhere: 'no resting',
  up: 'resting up is allowed',
  upOrDown: 'resting up or down is allowed',
} as const
</script>

<template>
  <div class="figures-row">
    <div class="time figures" role="timer">{{ time }}</div>
    <p class="quiet">
      {{ durationMs === null ? 'so far, no limit' : `of ${printTime(durationMs)} left` }}<br />
      <strong v-if="pauseWords" :class="{ over: pauseOver }">{{ pauseWords }}</strong>
      <template v-else>{{ REST_WORDS[protocol.restAllowed] }}</template>
    </p>
  </div>

  <div class="sheet tally" :class="{ before: elapsedMs === 0 && !over }">
    <div class="count figures" data-testid="counted">{{ tally.counted }}</div>
    <dl>
      <div>
        <dt>refused</dt>
        <dd class="figures">{{ refusedTotal }}</dd>
      </div>
      <div>
        <dt>cautions</dt>
        <dd class="figures">{{ tally.cautions }}</dd>
        <dt>of {{ protocol.cautionsAllowed }}</dt>
      </div>
      <div v-if="cut && !over">
        <dt>{{ toTheCut > 0 ? `${toTheCut} more to the cut` : `${-toTheCut} over the cut` }}</dt>
      </div>
    </dl>
    <Gauge
      v-if="cut"
      class="gauge"
      :cut="cut"
      :value="tally.counted"
      :state="over && toTheCut > 0 ? 'short' : 'good'"
      size="large"
    />
  </div>
</template>

<style scoped>
.figures-row {
  display: flex;
  align-items: flex-end;
  justify-content: space-between;
}
.time {
  font-size: 56px;
  line-height: 0.9;
  font-weight: 500;
}
.figures-row p {
  margin: 0;
  text-align: right;
  line-height: 1.3;
}
.over {
  color: var(--short);
}
.tally {
  display: grid;
  grid-template-columns: auto 1fr;
  align-items: center;
  padding: 6px 16px 12px;
}
.count {
  line-height: 1;
  font-weight: 700;
}
dl {
  margin: 0;
  text-align: right;
}
dl div {
  display: flex;
  gap: 6px;
  justify-content: flex-end;
  align-items: baseline;
}
dt {
  font-weight: 400;
  color: var(--ink-2);
}
dd {
  margin: 0;
  font-size: 1.375rem;
  font-weight: 700;
}
/* what can be pressed keeps its size: on a low screen, and with something told above, the count gives way */
@media (min-width: 901px) {
  .count {
    font-size: clamp(52px, calc(100dvh - 696px - var(--told-above, 0px)), 104px);
  }
  dl {
    display: flex;
    flex-wrap: wrap;
    gap: 0 18px;
    align-items: baseline;
    justify-content: flex-end;
  }
}
/* nothing is counted yet: what has to be read before the start, and the start itself, need the room */
.before .count {
  font-size: 56px;
}
.gauge {
  grid-column: 1 / -1;
}
@media (max-width: 900px) {
  .tally:not(.before) .count {
    font-size: 88px;
  }
  .time {
    font-size: 50px;
  }
}
</style>
