<script setup lang="ts">
/** Every capture behind a mark, corrections included: when, what, which device, how sure the time. */
import { byTimeThenId, voidedIds, type Capture } from '@able-gauge/core'
import { BModal } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { Day } from '../day/day.ts'
import { timeOfDay } from '../ui/localTime.ts'
import { sayCapture } from '../ui/sayCapture.ts'

const props = defineProps<{
  day: Day
  captures: readonly Capture[]
  title: string
}>()
const open = defineModel<boolean>({ required: true })

const ordered = computed(() => [...props.captures].sort(byTimeThenId))
const voided = computed(() => voidedIds(props.captures))
const tenths = (atMs: number): string =>
  `${timeOfDay(atMs, props.day.occasion.zone)}.${Math.floor((atMs % 1000) / 100)}`
</script>

<template>
  <BModal v-model="open" :title="title" size="lg" scrollable ok-only ok-title="Close" ok-variant="quiet">
    <p class="quiet">
      {{ captures.length }} captures, in the order they happened. Nothing is ever removed; a correction is another line.
    </p>
    <table class="table table-sm">
      <thead>
        <tr>
          <th scope="col">Time</th>
          <th scope="col">What</th>
          <th scope="col">Device</th>
          <th scope="col">Good to</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="capture in ordered" :key="capture.id" :class="{ voided: voided.has(capture.id) }">
          <td class="figures">{{ tenths(capture.atMs) }}</td>
          <td>{{ sayCapture(capture) }}<span v-if="voided.has(capture.id)"> (undone)</span></td>
          <td>{{ capture.deviceId }}</td>
          <td class="figures">{{ capture.uncertaintyMs }} ms</td>
        </tr>
      </tbody>
    </table>
  </BModal>
</template>

<style scoped>
.voided td {
  text-decoration: line-through;
  color: var(--ink-2);
}
</style>
