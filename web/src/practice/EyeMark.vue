<script setup lang="ts">
/** An agreement as a large figure. */
defineProps<{
  mark: number | null
  words: string
}>()
</script>

<template>
  <div class="eye-mark">
    <strong class="figures">{{ mark === null ? 'none' : mark.toFixed(2) }}</strong><span>{{
      mark === null ? 'nothing to tell apart was shown' : words
    }}</span>
  </div>
</template>

<style scoped>
.eye-mark {
  display: flex;
  flex-direction: column;
  font-size: 0.875rem;
  color: var(--ink-2);
}
strong {
  font-size: 2.6rem;
  line-height: 1.1;
  color: var(--ink);
}
</style>
