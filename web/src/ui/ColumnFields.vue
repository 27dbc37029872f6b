<script setup lang="ts" generic="Field extends string">
/** Which column of a table is what. */
import type { ColumnOf } from '@able-gauge/core'
import { BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'

const props = defineProps<{
  fields: readonly Field[]
  labels: Readonly<Record<Field, string>>
  needed: readonly Field[]
  headings: readonly string[]
}>()
const columns = defineModel<ColumnOf<Field>>({ required: true })

const options = computed(() => [
  { value: '', text: 'none' },
  ...props.headings.map((heading, index) => ({ value: String(index), text: heading || `column ${index + 1}` })),
])
const choose = (field: Field, value: unknown): void => {
  columns.value = { ...columns.value, [field]: value === '' ? null : Number(value) }
}
</script>

<template>
  <div class="columns">
    <label v-for="field in fields" :key="field">
      {{ labels[field] }}<small v-if="!needed.includes(field)" class="quiet"> if there is one</small>
      <BFormSelect
        :model-value="String(columns[field] ?? '')"
        :options="options"
        @update:model-value="choose(field, $event)"
      />
    </label>
    <slot />
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(190px, 1fr));
  gap: 10px;
  margin-bottom: 14px;
}
</style>
