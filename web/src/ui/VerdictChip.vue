<script setup lang="ts">
/** A verdict in a word, a shape and a fill, so that it never rests on colour. */
import type { Verdict } from '@able-gauge/core'
import { computed } from 'vue'
import { chipOf } from './verdictWords.ts'

const props = defineProps<{
  verdict: Pick<Verdict, 'outcome' | 'settled' | 'word'>
}>()

const chip = computed(() => chipOf(props.verdict))
</script>

<template>
  <span class="chip" :class="chip.look">
    <svg viewBox="0 0 12 12" aria-hidden="true">
      <path
        d="M6 1l5 5-5 5-5-5z"
        :fill="chip.look === 'met' ? 'currentColor' : 'none'"
        stroke="currentColor"
        stroke-width="1.3"
      />
      <circle v-if="chip.look === 'decide'" cx="6" cy="6" r="1.7" fill="currentColor" />
      <path v-if="chip.look === 'out'" d="M3.5 6h5" stroke="currentColor" stroke-width="1.3" />
    </svg>
    {{ chip.word }}
  </span>
</template>

<style scoped>
.chip {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  padding: 3px 9px;
  border-radius: 6px;
  border: 1px solid transparent;
  font-weight: 700;
  font-size: 0.8125rem;
  white-space: nowrap;
}
svg {
  width: 12px;
  flex: none;
}
.met {
  background: var(--met);
  color: var(--met-ink);
}
.short {
  border-color: var(--short);
  color: var(--short);
  background: var(--sheet);
}
.decide {
  background: var(--decide-tint);
  border-color: var(--decide-edge);
  color: var(--decide);
}
.out {
  border-color: var(--ink-2);
  color: var(--ink);
  background: var(--sheet);
}
.going {
  border: 1px dashed var(--line-2);
  color: var(--ink-2);
}
.going svg {
  display: none;
}
</style>
