<script setup lang="ts">
/** The steps to a verdict, drawn as a line with a diamond for each; the deciding one is filled, hollow or dotted. */
import { sayStep, type Trace } from '@able-gauge/core'
import { computed } from 'vue'
import { stepLook } from './verdictWords.ts'

const { trace } = defineProps<{
  trace: Trace
}>()

const lines = computed(() => trace.map((step) => ({ look: stepLook(step), ...sayStep(step) })))
</script>

<template>
  <ol class="trace">
    <li v-for="({ look, title, sentence }, index) in lines" :key="index">
      <svg viewBox="0 0 22 22" aria-hidden="true" :class="look">
        <path d="M11 1.500l9.500 9.500-9.500 9.500L1.500 11z" />
        <circle v-if="look === 'decide'" cx="11" cy="11" r="3" />
      </svg>
      <div>
        <strong>{{ title }}</strong>
        <p>{{ sentence }}</p>
      </div>
    </li>
  </ol>
</template>

<style scoped>
.trace {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  position: relative;
  display: flex;
  gap: 10px;
  padding-bottom: 12px;
}
li:not(:last-child)::before {
  content: '';
  position: absolute;
  left: 9px;
  top: 20px;
  bottom: 0;
  width: 1px;
  background: var(--line-2);
}
svg {
  width: 19px;
  height: 19px;
  flex: none;
  margin-top: 1px;
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.5;
}
svg.met {
  fill: var(--met);
  stroke: var(--met);
}
svg.short {
  stroke: var(--short);
  stroke-width: 3;
}
svg.decide {
  fill: var(--decide-tint);
  stroke: var(--decide);
}
circle {
  fill: var(--decide);
  stroke: none;
}
p {
  margin: 0;
  color: var(--ink-2);
}
strong {
  line-height: 1.35;
}
</style>
