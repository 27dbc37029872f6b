<script setup lang="ts">
/** Tells that another device's count stands, what this one has counted beside it, and lets somebody take over. */
import { BButton } from 'bootstrap-vue-next'
defineProps<{
  /** Who works the device that counts; empty where nobody has said so. */
  by: string
  /** What this device counted beside it; null where it counted nothing. */
  second: number | null
  mayTakeOver: boolean
}>()
const emit = defineEmits<{ takeOver: [] }>()
</script>

<template>
  <div class="sheet held" role="status">
    <p>
      <strong>{{ by === '' ? 'Another device counts.' : `${by} counts on another device.` }}</strong>
      <template v-if="second === null"> What is pressed here is kept beside it, as a second count. </template>
      <template v-else>
        Second count, on this device: {{ second }}. A difference is looked at before signing.
      </template>
    </p>
    <BButton v-if="mayTakeOver" variant="quiet" @click="emit('takeOver')">Take over <kbd>K</kbd></BButton>
  </div>
</template>

<style scoped>
.held {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 8px 16px;
  padding: 10px 16px;
  background: var(--decide-tint);
  border-color: var(--decide-edge);
}
p {
  margin: 0;
  flex: 1 1 16rem;
}
</style>
