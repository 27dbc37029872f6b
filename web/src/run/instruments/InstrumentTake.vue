<script setup lang="ts">
/** A figure an instrument has sent: take it for this candidate, or have figures taken as they come. */
import { BButton, BFormCheckbox } from 'bootstrap-vue-next'
import { printField, suffixOf, type StandardEvent } from '@able-gauge/core'
import type { Grading } from '../console/useGrading.ts'
import { useInstrument } from './useInstrument.ts'

const props = defineProps<{
  event: StandardEvent
  grading: Grading
}>()

const { offered, reading, slot, attached, take } = useInstrument(props.event, props.grading)
</script>

<template>
  <div v-if="offered && reading && slot" class="instrument" role="status">
    <span>
      <strong class="figures">{{ printField(reading.value, slot) }} {{ suffixOf(slot) }}</strong> from
      {{ offered.payload.instrument }}
    </span>
    <BButton variant="quiet" :disabled="!grading.ready.value" @click="take">Take it as {{ slot.label }}</BButton>
    <BFormCheckbox v-model="attached" class="tick">take figures as they come</BFormCheckbox>
  </div>
</template>

<style scoped>
.instrument {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px 16px;
  padding: 8px 14px;
  border: 1px dashed var(--line-2);
  border-radius: 8px;
}
strong {
  font-size: 1.25rem;
}
</style>
