<script setup lang="ts">
/** Saving what was changed, or dropping it; says where it stands. */
import { BButton } from 'bootstrap-vue-next'

defineProps<{ label: string; isChanged: boolean; problem: string }>()
const emit = defineEmits<{ drop: [] }>()
</script>

<template>
  <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  <div class="bar">
    <BButton :variant="isChanged ? 'primary' : 'quiet'" type="submit">{{ label }}</BButton>
    <BButton v-if="isChanged" variant="quiet" @click="emit('drop')">Drop the changes</BButton>
    <span v-if="isChanged" class="quiet">Not saved yet. What you typed is kept on this device until you do.</span>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
  margin: 4px 0 20px;
}
</style>
