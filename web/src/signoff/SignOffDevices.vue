<script setup lang="ts">
/** Devices of the day that may still hold captures: signing over them sends those to the annex. */
import { type DeviceReport, DevicesAnswer } from '@able-gauge/core'
import { onMounted, onScopeDispose, ref } from 'vue'
import { call, NoAnswer, Refusal } from '../api.ts'
import type { Day } from '../day/day.ts'
import { timeOfDay } from '../ui/localTime.ts'

const props = defineProps<{
  day: Day
}>()

const ASK_EVERY_MS = 5_000
const holding = ref<readonly DeviceReport[]>([])

const ask = async (): Promise<void> => {
  try {
    const { devices } = await call('GET', `/occasions/${props.day.occasion.id}/devices`, DevicesAnswer)
    holding.value = devices.filter(({ waiting, refused }) => waiting + refused > 0)
  } catch (error) {
    // without an answer the list stays as it was
    if (!(error instanceof NoAnswer) && !(error instanceof Refusal)) throw error
  }
}
onMounted(() => void ask())
const timer = setInterval(() => void ask(), ASK_EVERY_MS)
onScopeDispose(() => clearInterval(timer))

const say = ({ waiting, refused, seenMs }: DeviceReport): string => {
  const parts = [
    ...(waiting > 0 ? [`${waiting} not sent`] : []),
    ...(refused > 0 ? [`${refused} refused and not looked at`] : []),
  ]
  return `${parts.join(', ')}; last heard ${timeOfDay(seenMs, props.day.occasion.zone)}`
}
</script>

<template>
  <template v-if="holding.length > 0">
    <h2>Devices that still hold captures</h2>
    <ul class="loose">
      <li v-for="one in holding" :key="one.deviceId">
        ◇ {{ one.by }}, <span class="figures">{{ one.deviceId }}</span>: {{ say(one) }}.
      </li>
    </ul>
    <p class="quiet">What they send after the signature is kept beside the day and changes no verdict by itself.</p>
  </template>
</template>

<style scoped>
h2 {
  margin-top: 16px;
}
ul {
  list-style: none;
  margin: 10px 0 0;
  padding: 0;
}
li {
  padding: 7px 0;
  border-top: 1px solid var(--line);
}
</style>
