<script setup lang="ts">
/** What belongs to something chosen: beside it on a wide screen, from below on a narrow one. */
import { useMediaQuery } from '@vueuse/core'
import { BOffcanvas } from 'bootstrap-vue-next'

defineProps<{
  /** What it is about, for those who hear the page. */
  label: string
}>()
const emit = defineEmits<{ close: [] }>()

const isNarrow = useMediaQuery('(max-width: 900px)')
</script>

<template>
  <BOffcanvas
    v-if="isNarrow"
    class="side-panel"
    :model-value="true"
    placement="bottom"
    no-header
    :aria-label="label"
    :aria-labelledby="null"
    @hidden="emit('close')"
  >
    <slot />
  </BOffcanvas>
  <section v-else class="sheet side-panel" :aria-label="label" aria-live="polite">
    <slot />
  </section>
</template>

<!-- the narrow one stands at the end of the page, where no scope of ours reaches -->
<style>
.sheet.side-panel {
  padding: 14px 16px 16px;
  position: sticky;
  top: 12px;
  max-height: calc(100dvh - 24px);
  overflow-y: auto;
}
.offcanvas.side-panel {
  --bs-offcanvas-height: auto;
  max-height: 80dvh;
  background: var(--sheet);
  color: var(--ink);
  border-top: 2px solid var(--ink);
  border-radius: 12px 12px 0 0;
}
.offcanvas.side-panel .offcanvas-body {
  padding: 14px 16px 16px;
  overscroll-behavior: contain;
}
</style>
