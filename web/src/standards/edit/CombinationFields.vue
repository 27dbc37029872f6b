<script setup lang="ts">
/** How the marks of one person combine. */
import { COMBINATION_NAMES, type Combination } from '@able-gauge/core'
import { BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { Plain } from './plain.ts'

const props = defineProps<{
  /** Edited in place. */
  draft: Plain
}>()

const kind = computed(() => Object(props.draft['combination']).kind as Combination['kind']) // what it is else, the check tells
const options = (Object.keys(COMBINATION_NAMES) as Combination['kind'][]).map((one) => ({
  value: one,
  text: COMBINATION_NAMES[one],
}))
const choose = (chosen: unknown): void => {
  // eslint-disable-next-line vue/no-mutating-props -- the document is edited in place by all its forms
  props.draft['combination'] = { kind: chosen }
}
</script>

<template>
  <div data-place="combination" class="combination">
    <label for="combination">Combination</label>
    <BFormSelect id="combination" :model-value="kind" :options="options" @update:model-value="choose" />
  </div>
</template>

<style scoped>
.combination {
  max-width: 360px;
  margin-bottom: 12px;
}
.combination label {
  font-weight: 650;
}
</style>
