<script setup lang="ts">
/** Where two graders of one candidate differ: what each said of the same repetition, and when. */
import { COUNTED, NOT_SEEN, type Difference, type StandardEvent } from '@able-gauge/core'
import { bibAndName, fullName, type Day } from '../day/day.ts'
import { timeOfDay } from '../ui/localTime.ts'

const props = defineProps<{
  day: Day
  differences: readonly Difference[]
  /** What somebody really did in the event. */
  doneBy: (entryId: string) => StandardEvent | undefined
  graderOn: (entryId: string, deviceId: string) => string
  nowMs: number
}>()
const emit = defineEmits<{ goTo: [atMs: number] }>()

const nameOf = (entryId: string): string => {
  const entry = props.day.entries.find(({ id }) => id === entryId)
  return entry ? bibAndName(entry, fullName) : ''
}
const sayAnswer = (entryId: string, answer: string): string => {
  if (answer === COUNTED) return 'counted'
  if (answer === NOT_SEEN) return 'nothing pressed'
  const protocol = props.doneBy(entryId)?.protocol
  const reasons = protocol && 'refusals' in protocol ? protocol.refusals : []
  return `refused, ${(reasons.find(({ id }) => id === answer)?.label ?? answer).toLowerCase()}`
}
</script>

<template>
  <section aria-label="Where two graders differ">
    <h2>Where two graders differ</h2>
    <button
      v-for="{ entryId, atMs, holder, heldAnswer, deviceId, answer } in differences"
      :key="`${atMs} ${deviceId}`"
      type="button"
      :class="{ past: atMs <= nowMs }"
      @click="emit('goTo', atMs)"
    >
      <b>{{ nameOf(entryId) }}</b>
      <span class="figures">{{ timeOfDay(atMs, day.occasion.zone) }}</span>
      <span>{{ graderOn(entryId, holder) }}: {{ sayAnswer(entryId, heldAnswer) }}</span>
      <span>{{ graderOn(entryId, deviceId) }}: {{ sayAnswer(entryId, answer) }}</span>
    </button>
  </section>
</template>

<style scoped>
h2 {
  font-size: 1.1875rem;
  margin: 0 0 6px;
}
button {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  width: 100%;
  text-align: left;
  border: 0;
  border-top: 1px solid var(--line);
  background: none;
  color: var(--ink-2);
  padding: 8px 0;
}
.past {
  color: var(--ink);
}
</style>
