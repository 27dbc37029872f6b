<script setup lang="ts">
/** The band of a page that belongs to no room of the house: nobody is signed in, or only for a station. */
import BrandMark from './BrandMark.vue'
import HouseMarkImage from './HouseMarkImage.vue'
</script>

<template>
  <header class="band"><BrandMark /><strong>Able Gauge</strong><HouseMarkImage :height="34" /></header>
</template>

<style scoped>
.band {
  background: var(--bar);
  color: var(--bar-ink);
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 0 20px;
  min-height: 64px;
}
</style>
