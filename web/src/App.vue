<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { onErrorCaptured, ref } from 'vue'
import { NoAnswer } from './api.ts'

const away = ref(false)

onErrorCaptured((error) => {
  if (!(error instanceof NoAnswer)) return true
  away.value = true
  return false
})

const reload = (): void => location.reload()
</script>

<template>
  <RouterView />
  <div v-if="away" class="away" role="alert">
    The server cannot be reached. What you captured is kept on this device.
    <BButton variant="quiet" size="sm" @click="reload">Try again</BButton>
  </div>
</template>

<style scoped>
.away {
  position: fixed;
  inset: auto 16px 16px;
  padding: 12px 16px;
  background: var(--decide-tint);
  color: var(--decide);
  border: 1px solid var(--decide-edge);
  border-radius: 8px;
  display: flex;
  gap: 16px;
  align-items: center;
}
</style>
