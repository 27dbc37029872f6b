<script setup lang="ts">
/** Which unit something belongs to, from those in reach. Shows nothing where the organisation has none. */
import { BFormSelect } from 'bootstrap-vue-next'
import { computed, onMounted } from 'vue'
import { NoAnswer, Refusal } from '../api.ts'
import { useSession } from '../session/sessionStore.ts'
import { useUnits } from '../session/unitStore.ts'

const props = defineProps<{
  id: string
  label: string
  /** What stands for no unit. */
  none: string
}>()
/** Empty for none. */
const chosen = defineModel<string>({ required: true })

const units = useUnits()
const session = useSession()
onMounted(async () => {
  try {
    await units.read()
  } catch (error) {
    // without a network the unit stays as it is
    if (!(error instanceof NoAnswer) && !(error instanceof Refusal)) throw error
  }
})
const INDENT = '\u2003'
const options = computed(() => [
  // whoever belongs to a unit gives nothing to the whole house
  ...(session.account?.unitId === undefined || chosen.value === '' ? [{ value: '', text: props.none }] : []),
  ...units.choices.map(({ id, depth, name }) => ({ value: id, text: `${INDENT.repeat(depth)}${name}` })),
  // one that is closed, or out of reach, stays until another is chosen
  ...(chosen.value === '' || units.choices.some(({ id }) => id === chosen.value)
    ? []
    : [{ value: chosen.value, text: units.pathOf(chosen.value) || 'another unit' }]),
])
</script>

<template>
  <div v-if="options.length > 1">
    <label class="form-label" :for="props.id">{{ label }}</label>
    <BFormSelect :id="props.id" v-model="chosen" :options="options" />
  </div>
</template>
