<script setup lang="ts">
/** A measured length: metres, or centimetres for a step. What cannot be read says so. */
import { parseField, printField, type GroundShape } from '@able-gauge/core'
import { ref } from 'vue'
import TypedField from '../../ui/TypedField.vue'

const props = defineProps<{ shape: GroundShape }>()
const lengthMm = defineModel<number>({ required: true })
const problem = ref('')
const form = () => ({ unit: 'mm', shownIn: props.shape === 'step' ? 'cm' : 'm' }) as const
const read = (text: string): void => {
  const result = parseField(text, form())
  problem.value = result.ok ? '' : result.reason
  if (result.ok) lengthMm.value = result.value
}
</script>

<template>
  <label
    ><span>{{ shape === 'step' ? 'Height in cm' : 'Length in m' }}</span>
    <TypedField :value="printField(lengthMm, form())" class="figures" inputmode="decimal" @typed="read" />
    <small v-if="problem" class="problem" role="alert">{{ problem }}</small></label
  >
</template>
