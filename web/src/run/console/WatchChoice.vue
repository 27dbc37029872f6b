<script setup lang="ts">
/** Which watch this device is: the timer, or a backup that stamps beside it. */
import { BFormSelect } from 'bootstrap-vue-next'
const watch = defineModel<number>({ required: true })
</script>

<template>
  <label class="watch">
    This device
    <BFormSelect v-model="watch" aria-label="Which watch this device is">
      <option :value="1">timer</option>
      <option :value="2">backup timer</option>
      <option :value="3">second backup</option>
    </BFormSelect>
  </label>
</template>

<style scoped>
.watch {
  display: flex;
  align-items: center;
  gap: 8px;
  white-space: nowrap;
  color: var(--ink-2);
}
.watch select {
  min-height: 52px;
}
</style>
