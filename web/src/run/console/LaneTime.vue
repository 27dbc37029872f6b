<script setup lang="ts">
/** How long one of several has worked. */
import { printClock } from '@able-gauge/core'
import { useElapsed, type Span } from './useElapsed.ts'

const props = defineProps<{ span: Span; bib: number | null }>()
const elapsedMs = useElapsed(() => props.span)
</script>

<template>
  <div class="figures time" :data-bib="bib">{{ printClock(elapsedMs ?? 0, 1) }}</div>
</template>

<style scoped>
/* laid out by itself, so that a tenth more measures nothing beside it */
.time {
  contain: layout style;
  font-size: 3.2rem;
  line-height: 1;
  font-weight: 700;
}
</style>
