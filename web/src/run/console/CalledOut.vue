<script setup lang="ts">
/** What is said aloud now, large enough to be read from a step away. */
defineProps<{ words: string }>()
</script>

<template>
  <p v-if="words" class="called" role="status">{{ words }}</p>
</template>

<style scoped>
.called {
  flex: none;
  margin: 0;
  padding: 8px 14px;
  background: var(--vest);
  color: var(--vest-ink);
  border-radius: 6px;
  font-size: 1.5rem;
  line-height: 1.2;
  font-weight: 700;
}
</style>
