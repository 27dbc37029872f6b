<script setup lang="ts">
/** What the figures say, in sentences; what is to be done stands out. */
import type { InsightSentence } from '@able-gauge/core/statistics'

defineProps<{ sentences: readonly InsightSentence[] }>()
</script>

<template>
  <section class="sheet part says" aria-label="What these figures say">
    <h2>What these figures say</h2>
    <p>
      <span v-for="({ text, advice }, at) in sentences" :key="at"
        >{{ text }}{{ ' ' }}<b v-if="advice">{{ advice }}{{ ' ' }}</b></span
      >
    </p>
    <small class="quiet"
      >Figures show where to look. What the work asks, and the law, decide what is done. Whoever has fewer than 20
      results is told apart, and differences that chance explains are not told.</small
    >
  </section>
</template>

<style scoped>
.says {
  border-left: 6px solid var(--vest);
}
h2 {
  font-size: 1.1875rem;
  margin: 0 0 6px;
}
p {
  columns: 2;
  column-gap: 48px;
  margin: 0 0 6px;
  line-height: 1.55;
}
@media (max-width: 800px) {
  p {
    columns: 1;
  }
}
</style>
