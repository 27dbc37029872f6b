<script setup lang="ts">
/** Which watch this device is: the timer, or a backup that stamps beside it. */
const watch = defineModel<number>({ required: true })
</script>

<template>
  <label class="watch">
    This device
    <select v-model.number="watch" class="form-select" aria-label="Which watch this device is">
      <option :value="1">timer</option>
      <option :value="2">backup timer</option>
      <option :value="3">second backup</option>
    </select>
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
