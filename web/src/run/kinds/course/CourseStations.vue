<script setup lang="ts">
/** The stations in their order: how far somebody is, with the split and faults of each, and where and why it ended. */
import { printClock, type Course, type Station } from '@able-gauge/core'
import { computed } from 'vue'

const props = defineProps<{
  stations: readonly Station[]
  course: Course
  isRunning: boolean
  /** Why it ended without a finish; empty while it runs or was finished. */
  ended: string
}>()

const splitAt = (index: number): string => {
  const split = props.course.splits[index]
  const before = props.course.splits[index - 1]?.elapsedMs ?? 0
  return split ? printClock(split.elapsedMs - before, 1) : ''
}
const rows = computed(() =>
  props.stations.map((station, index) => ({
    station,
    split: splitAt(index),
    isDone: index < props.course.splits.length,
    isHere: index === props.course.splits.length,
    faults: props.course.faults[station.id] ?? 0,
  })),
)
</script>

<template>
  <ol class="stations">
    <li
      v-for="{ station, split, isDone, isHere, faults } in rows"
      :key="station.id"
      :class="{ current: isRunning && isHere, done: isDone, failed: isHere && ended !== '' }"
    >
      <strong>{{ station.name }}</strong>
      <span v-if="station.faultsAllowed !== undefined" class="figures"
        >{{ faults }} of {{ station.faultsAllowed }} faults</span
      >
      <span class="figures">{{ split }}</span>
      <span v-if="isHere && ended !== ''">{{ ended }}</span>
    </li>
  </ol>
</template>

<style scoped>
.stations {
  list-style: none;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(120px, 1fr));
  gap: 6px;
  margin: 0;
  padding: 0;
}
.stations li {
  display: flex;
  flex-direction: column;
  padding: 6px 10px;
  border: 2px solid var(--line);
  border-radius: 6px;
  background: var(--sheet);
  font-size: 0.8125rem;
}
.stations strong {
  font-size: 0.9375rem;
  line-height: 1.2;
}
.stations .done {
  background: var(--tint);
}
.stations .current {
  border-color: var(--ink);
  box-shadow: 0 0 0 3px var(--vest);
}
.stations .failed {
  border-color: var(--short);
  background: var(--short-tint);
}
</style>
