<script setup lang="ts">
/** The state of a version in a word and a shape. */
import type { Force, VersionState } from '@able-gauge/core'

defineProps<{
  state: VersionState
  /** Where today lies in the time it is in force. */
  force: Force
}>()

const WORDS = { draft: 'Draft', coming: 'Coming', now: 'In force', past: 'Past' } as const
</script>

<template>
  <span class="chip" :class="force">{{ state === 'retired' && force === 'past' ? 'Retired' : WORDS[force] }}</span>
</template>

<style scoped>
.chip {
  display: inline-block;
  justify-self: start;
  padding: 3px 9px;
  border-radius: 6px;
  border: 1px solid var(--line-2);
  font-weight: 700;
  font-size: 0.8125rem;
  white-space: nowrap;
}
.now {
  background: var(--bar-2);
  border-color: var(--bar-2);
  color: #fff;
}
.draft {
  border-style: dashed;
  color: var(--ink-2);
}
.past {
  color: var(--ink-2);
}
.coming {
  border-color: var(--ink);
}
</style>
