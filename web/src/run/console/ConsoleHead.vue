<script setup lang="ts">
/** Whom the grader is watching, with the time as a tape that fills. */
import IconBack from '~icons/tabler/chevron-left'
import { fullName, type Day, type Entry } from '../../day/day.ts'
import DaySaved from '../../day/DaySaved.vue'
import { timeOfDay } from '../../ui/localTime.ts'
import { useTick } from '../../ui/useTick.ts'
import type { StandardEvent } from '@able-gauge/core'

defineProps<{
  day: Day
  event: StandardEvent
  entry: Entry
  /** Share of the time that has run. */
  share: number
}>()

const nowMs = useTick(500)
const emit = defineEmits<{ back: [] }>()
</script>

<template>
  <header class="head">
    <button class="back" aria-label="Back to the candidates" @click="emit('back')"><IconBack /></button>
    <div>
      <span>{{ event.name }}, wave {{ entry.wave }}</span>
      <strong><span class="figures">{{ entry.bib ?? '' }}</span> {{ fullName(entry) }}</strong>
    </div>
    <div class="now">
      <span class="clock figures">{{ timeOfDay(nowMs, day.occasion.zone) }}</span>
      <DaySaved :day="day" />
    </div>
    <span class="standard">{{ day.standard.name }}, version {{ day.standard.version }}</span>
    <div class="tape" aria-hidden="true"><div :style="{ width: `${share * 100}%` }" /></div>
  </header>
</template>

<style scoped>
.head {
  position: relative;
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 8px 14px 20px;
  background: var(--bar);
  color: var(--bar-ink);
  border-radius: 8px;
  overflow: hidden;
  flex: none;
}
.head div {
  display: flex;
  flex-direction: column;
}
.head div > span,
.standard {
  color: var(--bar-ink-2);
  font-size: 0.8125rem;
}
.head strong {
  font-size: 1.125rem;
}
.standard {
  margin-left: auto;
  text-align: right;
}
.now {
  margin-left: auto;
  align-items: flex-end;
}
.head .now {
  display: none;
}
.head .now .clock {
  font-size: 1.0625rem;
  color: var(--bar-ink);
}
.back {
  display: none;
  width: 48px;
  height: 48px;
  margin: -4px 0 -4px -12px;
  background: none;
  border: 0;
  color: inherit;
  font-size: 1.5rem;
}
.head .tape {
  position: absolute;
  inset: auto 0 0;
  height: 12px;
  background: var(--bar-2);
  display: block;
}
.tape div {
  height: 100%;
  background: var(--vest);
}
.tape::after {
  content: '';
  position: absolute;
  inset: 0;
  background: repeating-linear-gradient(
    to right,
    transparent 0 calc(100% / 30 - 1px),
    var(--bar) calc(100% / 30 - 1px) calc(100% / 30)
  );
}
@media (max-width: 900px) {
  .back {
    display: block;
  }
  .head {
    margin: -10px -12px 0;
    border-radius: 0;
  }
  .head .now {
    display: flex;
  }
  .standard {
    display: none;
  }
}
</style>
