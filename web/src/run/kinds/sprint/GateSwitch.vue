<script setup lang="ts">
/** How the times of one candidate were taken, where the standard allows both: a capture, since hand times carry another doubt. */
import { readingsIn, type Capture, type Observation } from '@able-gauge/core'
import { BFormCheckbox } from 'bootstrap-vue-next'
import { computed } from 'vue'

const props = defineProps<{ own: readonly Capture[]; disabled: boolean }>()
const emit = defineEmits<{ observe: [observation: Observation] }>()

const byGate = computed({
  get: () => readingsIn(props.own)['electronic'] === 1,
  set: (isGate) => emit('observe', { kind: 'read', payload: { slot: 'electronic', value: isGate ? 1 : 0 } }),
})
</script>

<template>
  <BFormCheckbox v-model="byGate" class="gate" switch size="lg" :disabled="disabled">Timed by a gate</BFormCheckbox>
</template>

<style scoped>
/* as high as the buttons beside it: a thumb in a glove finds it */
.gate {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 52px;
  margin: 0;
}
.gate :deep(.form-check-label) {
  margin: 0;
  font-size: 1rem;
  white-space: nowrap;
}
</style>
