<script setup lang="ts">
/** A beat to be seen: a bar that fills on every beat, with its number within the cycle. */
import { beatsBetween, type BeatStretch } from '@able-gauge/core'
import { computed } from 'vue'
import { useTick } from '../ui/useTick.ts'

const props = defineProps<{
  plan: readonly BeatStretch[]
  /** Agreed time of the first beat; null while it does not run. */
  startedAtMs: number | null
  /** Beats in one cycle. */
  perCycle: number
}>()

const nowMs = useTick(0)
const LIT_MS = 160
const elapsedMs = computed(() => (props.startedAtMs === null ? -1 : nowMs.value - props.startedAtMs))
const last = computed(() =>
  elapsedMs.value < 0
    ? undefined
    : beatsBetween(props.plan, Math.max(0, elapsedMs.value - 6_000), elapsedMs.value + 1).at(-1),
)
const lit = computed(() => last.value !== undefined && elapsedMs.value - last.value.atMs < LIT_MS)
const inCycle = computed(() => (last.value ? last.value.index % props.perCycle : -1))
const rate = computed(() => props.plan[last.value?.stretch ?? 0]?.beatsPerMinute ?? 0)
</script>

<template>
  <div class="beat" role="img" :aria-label="`Beat, ${rate} a minute`">
    <i v-for="index in perCycle" :key="index" :class="{ lit: lit && inCycle === index - 1, first: index === 1 }" />
    <span class="figures"
      >{{ rate }} beats/min<template v-if="perCycle > 1">, {{ rate / perCycle }} cycles</template></span
    >
  </div>
</template>

<style scoped>
.beat {
  display: flex;
  align-items: center;
  gap: 6px;
}
i {
  width: var(--beat, 34px);
  height: var(--beat, 34px);
  border: 2px solid var(--line-2);
  border-radius: 4px;
}
.first {
  border-color: var(--ink);
}
.lit {
  background: var(--vest);
  border-color: var(--ink);
}
span {
  margin-left: 8px;
  white-space: nowrap;
}
</style>
