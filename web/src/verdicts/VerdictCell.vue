<script setup lang="ts">
/** A mark in the table: the judged figure over a small gauge, or a word where there is no figure. */
import { printQuantity, type Mark, type Protocol } from '@able-gauge/core'
import { computed } from 'vue'
import Gauge from '../ui/Gauge.vue'
import { figureOf, markerOf, wordFor } from '../ui/verdictWords.ts'

const props = defineProps<{
  mark: Mark
  protocol?: Protocol | undefined
}>()

const figure = computed(() => figureOf(props.mark))
const unit = computed(() => ('unit' in props.mark ? props.mark.unit : 'count'))
const flagged = computed(() => props.mark.kind === 'open' || ('nearTheCut' in props.mark && props.mark.nearTheCut))
</script>

<template>
  <span v-if="figure === null" class="quiet">{{ wordFor(mark) }}</span>
  <template v-else>
    <span class="figure figures">{{ printQuantity(figure, unit) }}</span>
    <span v-if="mark.kind === 'short'" class="word short">short</span>
    <span v-else-if="mark.kind === 'decided'" class="word">decided</span>
    <span v-else-if="flagged" class="word near">near the cut</span>
    <Gauge v-if="mark.cut" :cut="mark.cut" :protocol="protocol" :value="figure" :state="markerOf(mark)" />
  </template>
</template>

<style scoped>
.figure {
  font-size: 1.0625rem;
  white-space: nowrap;
}
.word {
  margin-left: 8px;
  white-space: nowrap;
  font-size: 0.8125rem;
  color: var(--ink-2);
}
.word.short {
  color: var(--short);
}
.word.near {
  color: var(--decide);
}
</style>
