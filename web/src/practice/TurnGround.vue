<script setup lang="ts">
/** The line runners turn at, and the zone in which it counts as reached; a part of a drawing. */
defineProps<{
  zoneCm: number
}>()
</script>

<template>
  <rect :x="-zoneCm" y="-4" :width="zoneCm" height="10" class="zone" />
  <line x1="0" x2="0" y1="-190" y2="8" class="line" />
</template>

<style scoped>
.zone {
  fill: var(--tint);
}
.line {
  stroke: var(--ink);
  stroke-width: 5;
}
</style>
