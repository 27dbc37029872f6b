<script setup lang="ts">
/** A newer version of the program, offered between events: never beside a candidate, and never by itself. */
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { takeNewer } from './keptOnDevice.ts'

/** Where somebody is at work on a candidate. */
const AT_WORK: ReadonlySet<unknown> = new Set(['event', 'cards'])

const route = useRoute()
const later = ref(false)
const busy = ref(false)
const isOffered = computed(() => takeNewer.value !== null && !later.value && !AT_WORK.has(route.name))

const take = (): void => {
  busy.value = true
  takeNewer.value?.()
}
</script>

<template>
  <div v-if="isOffered" class="offer" role="status">
    <span>A newer version of the program is here. Taking it loads this page anew; nothing captured is lost.</span>
    <BButton variant="primary" size="sm" :disabled="busy" @click="take">Take it now</BButton>
    <BButton variant="quiet" size="sm" @click="later = true">Later</BButton>
  </div>
</template>

<style scoped>
.offer {
  position: fixed;
  inset: auto 16px 16px;
  z-index: 15;
  max-width: 640px;
  margin-inline: auto;
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  padding: 12px 16px;
  background: var(--sheet);
  border: 1px solid var(--ink);
  border-radius: 8px;
  box-shadow: 0 6px 24px rgb(0 0 0 / 18%);
}
.offer span {
  flex: 1 1 260px;
}
</style>
