<script setup lang="ts">
/** What each device captured of one person in one event, side by side, in the order it happened. */
import { byTimeThenId, voidedIds, type Capture } from '@able-gauge/core'
import { computed } from 'vue'
import type { Day } from '../day/day.ts'
import { timeOfDay } from '../ui/localTime.ts'
import { sayCapture } from '../ui/sayCapture.ts'

const props = defineProps<{
  day: Day
  captures: readonly Capture[]
}>()

const voided = computed(() => voidedIds(props.captures))
const columns = computed(() => {
  const devices = new Map<string, Capture[]>()
  for (const capture of [...props.captures].sort(byTimeThenId)) {
    const watch = capture.kind === 'crossed' ? (capture.payload.watch ?? 1) : 1
    const name = watch === 1 ? capture.deviceId : `${capture.deviceId}, watch ${watch}`
    devices.set(name, [...(devices.get(name) ?? []), capture])
  }
  return [...devices].map(([device, captures]) => ({ device, captures }))
})
const tenths = (atMs: number): string =>
  `${timeOfDay(atMs, props.day.occasion.zone)}.${Math.floor((atMs % 1000) / 100)}`
</script>

<template>
  <div class="aside" :style="{ '--columns': Math.min(3, columns.length) }">
    <section v-for="{ device, captures: own } in columns" :key="device" :aria-label="`Captured on ${device}`">
      <h3>{{ device }}</h3>
      <ol>
        <li v-for="capture in own" :key="capture.id" :class="{ voided: voided.has(capture.id) }">
          <span class="figures">{{ tenths(capture.atMs) }}</span> {{ sayCapture(capture) }}
        </li>
      </ol>
    </section>
  </div>
</template>

<style scoped>
.aside {
  display: grid;
  grid-template-columns: repeat(var(--columns), minmax(0, 1fr));
  gap: 10px;
  margin-bottom: 12px;
}
section {
  border: 1px solid var(--line);
  border-radius: 6px;
  padding: 6px 8px;
  max-height: 260px;
  overflow-y: auto;
}
h3 {
  font-size: 0.8125rem;
  color: var(--ink-2);
  margin: 0 0 4px;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  font-size: 0.8125rem;
}
.voided {
  text-decoration: line-through;
  color: var(--ink-2);
}
</style>
