<script setup lang="ts">
/** Who is on the course, each with the station they are at; a touch chooses whom the keys work. */
import { printClock, type Course } from '@able-gauge/core'
import { shortName, type Entry } from '../../../day/day.ts'

defineProps<{
  runners: readonly { readonly entry: Entry; readonly course: Course }[]
  chosenId: string
  nowMs: number
}>()
const emit = defineEmits<{ choose: [entryId: string] }>()
</script>

<template>
  <section class="sheet on">
    <h2>On the course</h2>
    <button
      v-for="{ entry, course } in runners"
      :key="entry.id"
      :class="{ chosen: entry.id === chosenId }"
      :aria-pressed="entry.id === chosenId"
      @click="emit('choose', entry.id)"
    >
      <strong class="figures">{{ entry.bib ?? '–' }}</strong>
      <span>{{ shortName(entry) }}<small class="quiet">{{ course.current?.name }}</small></span>
      <span class="figures">{{ course.started ? printClock(Math.max(0, nowMs - course.started.atMs)) : '' }}</span>
    </button>
  </section>
</template>

<style scoped>
.on {
  padding: 10px 0;
  flex: none;
}
h2 {
  padding: 0 14px 6px;
}
button {
  width: 100%;
  min-height: 52px;
  display: grid;
  grid-template-columns: 48px 1fr auto;
  align-items: center;
  text-align: left;
  border: 0;
  border-left: 4px solid transparent;
  border-top: 1px solid var(--line);
  background: none;
  color: inherit;
  padding: 4px 14px 4px 10px;
}
.chosen {
  border-left-color: var(--ink);
  background: var(--tint);
}
strong {
  font-size: 1.25rem;
}
small {
  display: block;
}
</style>
