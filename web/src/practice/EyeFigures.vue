<script setup lang="ts">
/** The large figures a look back begins with. */
defineProps<{
  figures: readonly (readonly [figure: string, words: string])[]
}>()
</script>

<template>
  <div class="row-of-figures">
    <div v-for="[figure, words] in figures" :key="words">
      <strong class="figures">{{ figure }}</strong><span>{{ words }}</span>
    </div>
  </div>
</template>

<style scoped>
.row-of-figures {
  display: flex;
  gap: 22px;
  margin: 8px 0 10px;
}
.row-of-figures div {
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
