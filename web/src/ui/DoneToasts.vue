<script setup lang="ts">
/** What was just done, at the top of the page: read in passing, gone by itself, never over a console's controls. */
import { BToast } from 'bootstrap-vue-next'
import { useDone } from './done.ts'

const done = useDone()
/** Long enough to be read by somebody who looked elsewhere; whoever points at it holds it. */
const SHOWN_MS = 6_000
const TICK_MS = 500
</script>

<template>
  <div class="told no-print">
    <BToast
      v-for="one in done.told"
      :key="one.id"
      :model-value="SHOWN_MS"
      :interval="TICK_MS"
      is-status
      no-progress
      no-animation
      close-class="btn-close-white"
      close-label="Close what was told"
      :body="one.what"
      @hidden="done.forget(one.id)"
    />
  </div>
</template>

<style scoped>
.told {
  position: fixed;
  top: 64px;
  right: 16px;
  z-index: 1090;
  display: grid;
  gap: 8px;
  width: min(360px, calc(100vw - 32px));
  pointer-events: none;
}
.told > :deep(.toast) {
  --bs-toast-bg: var(--ink);
  --bs-toast-color: var(--sheet);
  --bs-toast-max-width: 100%;
  pointer-events: auto;
  border-color: var(--ink);
  font-size: 0.9375rem;
  opacity: 1;
}
.told :deep(.d-flex) {
  align-items: center;
  padding-right: 12px;
}
@media (max-width: 900px) {
  /* below the tape, which is a line of its own there */
  .told {
    top: 112px;
  }
}
</style>
