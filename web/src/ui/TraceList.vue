<script setup lang="ts">
/** The steps to a verdict, drawn as a line with a diamond for each. */
import type { Trace } from '@able-gauge/core'

defineProps<{
  trace: Trace
}>()

const LAST_WORDS = new Set(['met', 'short', 'decided', 'open', 'ended', 'combined'])
const isShort = (code: string): boolean => code === 'short' || code === 'ended'
</script>

<template>
  <ol class="trace">
    <li v-for="({ step, title, sentence }, index) in trace" :key="index">
      <svg
        viewBox="0 0 22 22"
        aria-hidden="true"
        :class="{ key: LAST_WORDS.has(step.code), short: isShort(step.code) }"
      >
        <path d="M11 1.5l9.5 9.5-9.5 9.5L1.500 11z" />
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
svg.key {
  fill: var(--met);
  stroke: var(--met);
}
svg.key.short {
  fill: var(--sheet);
  stroke: var(--short);
  stroke-width: 3;
}
p {
  margin: 0;
  color: var(--ink-2);
}
strong {
  line-height: 1.35;
}
</style>
