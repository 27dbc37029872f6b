<script setup lang="ts">
/** Above a list of candidates: looking for a bib or a name, whom to show, and the station this device stands at. */
import { BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { useQueueFilter } from './useQueueFilter.ts'

const props = defineProps<{
  filter: ReturnType<typeof useQueueFilter>
}>()

const { text, shown, isWorthIt } = props.filter
const { count, number } = props.filter.station
const WHOM = [
  { value: 'all', text: 'Everybody' },
  { value: 'waiting', text: 'May start' },
  { value: 'resting', text: 'Resting' },
]
const stations = computed(() => [
  { value: 0, text: 'Any station' },
  ...Array.from({ length: count.value }, (_, index) => ({ value: index + 1, text: `Station ${index + 1}` })),
])
</script>

<template>
  <div v-if="isWorthIt || count > 1" class="filter">
    <template v-if="isWorthIt">
      <BFormInput v-model="text" type="search" placeholder="Bib or name" aria-label="Find a bib or a name" size="sm" />
      <BFormSelect v-model="shown" :options="WHOM" aria-label="Whom to show" size="sm" />
    </template>
    <BFormSelect
      v-if="count > 1"
      v-model="number"
      class="station"
      :options="stations"
      aria-label="Station of this device"
      size="sm"
    />
  </div>
</template>

<style scoped>
.filter {
  flex: none;
  display: grid;
  grid-template-columns: 1fr 118px;
  gap: 6px;
  padding: 8px 10px;
  border-bottom: 1px solid var(--line);
}
.station {
  grid-column: 1 / -1;
}
.filter > :deep(*) {
  min-height: 40px;
}
</style>
