<script setup lang="ts">
/** The share one grader refused as a bar, divided by reason, darkest first as the protocol lists them. */
import type { GraderShape, InsightNamed } from '@able-gauge/core'
import { computed } from 'vue'

const props = defineProps<{
  grader: GraderShape
  share: number | null
  /** The largest share shown. */
  most: number
  reasons: readonly InsightNamed[]
}>()

const [WIDTH, HEIGHT] = [300, 30] as const
const parts = computed(() => {
  const perAttempt = (WIDTH - 60) / props.most / Math.max(1, props.grader.attempts)
  let left = 0
  return props.reasons.flatMap(({ id, name }, at) => {
    const times = props.grader.reasons.find((one) => one.id === id)?.times ?? 0
    if (times === 0) return []
    const part = { name, times, x: left, width: times * perAttempt, shade: at % 4 }
    left += part.width
    return [part]
  })
})
const end = computed(() => parts.value.reduce((sum, { width }) => sum + width, 0))
const says = computed(() => parts.value.map(({ name, times }) => `${name} ${times}`).join(', '))
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="says">
    <rect
      v-for="{ name, times, x, width, shade } in parts"
      :key="name"
      :x="x"
      y="5"
      :width="Math.max(1, width - 1.5)"
      height="20"
      :class="`shade-${shade}`"
    >
      <title>{{ name }}: {{ times }}</title>
    </rect>
    <text :x="end + 6" y="20">{{ share === null ? '' : `${(100 * share).toFixed(1)} %` }}</text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
}
.shade-0 {
  fill: var(--bar-2);
}
.shade-1 {
  fill: #4f8a7f;
}
.shade-2 {
  fill: #8db5ac;
}
.shade-3 {
  fill: var(--line-2);
}
text {
  font: 650 14px var(--mono);
  fill: var(--ink);
}
</style>
