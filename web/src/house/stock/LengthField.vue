<script setup lang="ts">
/** A measured length: metres, or centimetres for a step. What cannot be read stays as typed, and says so. */
import { parseField, printField, type GroundShape } from '@able-gauge/core'
import { ref } from 'vue'
import { vTyped } from '../../ui/vTyped.ts'

const props = defineProps<{ shape: GroundShape }>()
const lengthMm = defineModel<number>({ required: true })
const problem = ref('')
const form = () => ({ unit: 'mm', shownIn: props.shape === 'step' ? 'cm' : 'm' }) as const
const read = (event: Event): void => {
  // the listener stands on the field alone
  const result = parseField((event.target as HTMLInputElement).value, form())
  problem.value = result.ok ? '' : result.reason
  if (result.ok) lengthMm.value = result.value
}
</script>

<template>
  <label
    ><span>{{ shape === 'step' ? 'Height in cm' : 'Length in m' }}</span>
    <input v-typed="printField(lengthMm, form())" class="form-control figures" inputmode="decimal" @change="read" />
    <small v-if="problem" class="problem" role="alert">{{ problem }}</small></label
  >
</template>
