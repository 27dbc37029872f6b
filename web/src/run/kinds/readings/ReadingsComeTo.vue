<script setup lang="ts">
/** What the readings on record come to so far: the figure that counts, where it stands, and why. */
import { printQuantity, type Mark, type StandardEvent } from '@able-gauge/core'
import { computed } from 'vue'
import Gauge from '../../../ui/Gauge.vue'
import TraceList from '../../../ui/TraceList.vue'
import { figureOf, markerOf } from '../../../ui/verdictWords.ts'

const props = defineProps<{
  mark: Mark | undefined
  publishedIn: StandardEvent['publishedIn']
}>()
const figure = computed(() => (props.mark ? figureOf(props.mark) : null))
</script>

<template>
  <aside aria-live="polite">
    <template v-if="mark">
      <strong v-if="figure !== null && 'unit' in mark" class="result figures">{{
        printQuantity(figure, mark.unit, publishedIn)
      }}</strong>
      <Gauge v-if="mark.cut" :cut="mark.cut" :value="figure" :state="markerOf(mark)" size="large" />
      <TraceList class="steps" :class="{ nothing: figure === null }" :trace="mark.trace" />
    </template>
  </aside>
</template>

<style scoped>
.result {
  font-size: 3rem;
  line-height: 1.1;
}
.steps {
  margin-top: 14px;
}
@media (max-width: 900px) {
  /* the verdict stands above the keys */
  aside {
    order: -1;
  }
  .result {
    font-size: 2.2rem;
  }
}
@media (max-width: 640px) {
  .nothing {
    display: none;
  }
}
</style>
