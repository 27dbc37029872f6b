<script setup lang="ts">
/** A station code to be scanned: it opens the page on which one joins, filled in. */
import QrCode from '../ui/QrCode.vue'
import type { Reach } from '../ui/useReach.ts'

defineProps<{ code: string; what: string; reach: Reach }>()
</script>

<template>
  <figure class="station">
    <QrCode :text="reach.plain(`/sign-in#${code}`)" :label="`Joins ${what} with the code ${code}`" />
    <figcaption>
      <strong class="figures">{{ code }}</strong>
      <span>{{ what }}</span>
      <small v-if="reach.isAlone.value">No other device reaches this machine: start with --field.</small>
    </figcaption>
  </figure>
</template>

<style scoped>
.station {
  margin: 0;
  display: grid;
  justify-items: center;
  gap: 6px;
}
figcaption {
  display: grid;
  justify-items: center;
  text-align: center;
}
strong {
  font-size: 1.5rem;
  letter-spacing: 0.1em;
}
</style>
