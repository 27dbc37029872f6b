<script setup lang="ts">
/** A mark on somebody whom another device has open, with the name of whoever works it. */
import type { Claim } from '@able-gauge/core'
import { computed } from 'vue'

const props = defineProps<{
  claim: Claim | undefined
}>()
/** "P. Varga" */
const who = computed(() => {
  const names = props.claim?.by.split(' ') ?? []
  return names.length < 2 ? (names[0] ?? '') : `${names[0]?.slice(0, 1)}. ${names.slice(1).join(' ')}`
})
</script>

<template>
  <small v-if="claim" class="with" :title="`${claim.by} has this candidate open on another device`">▸ {{ who }}</small>
</template>

<style scoped>
.with {
  display: block;
  color: var(--ink-2);
  font-weight: 500;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
