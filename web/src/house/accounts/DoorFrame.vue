<script setup lang="ts">
/** A page before the house: its band, and one sheet to fill in. */
import PlainBand from '../../ui/PlainBand.vue'

defineProps<{ title: string }>()
</script>

<template>
  <PlainBand />
  <main class="room">
    <section class="sheet door">
      <h1>{{ title }}</h1>
      <slot />
    </section>
  </main>
</template>

<style scoped>
.room {
  max-width: 560px;
}
.door {
  padding: 24px;
}
.door :deep(form) {
  display: grid;
  gap: 6px;
}
.door :deep(label) {
  font-weight: 650;
  margin-top: 10px;
}
.door :deep(form .btn) {
  margin-top: 18px;
}
</style>
