<script setup lang="ts">
/** What the check says about the draft: each with its place, an example and how to mend it. */
import type { Remedy } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { DraftRemark } from '../../workers/check.worker.ts'
import { placeInWords } from './placeInWords.ts'
import type { Plain } from './plain.ts'

const props = defineProps<{
  remarks: readonly DraftRemark[]
  /** What is said to be where. */
  draft: Plain
}>()
const emit = defineEmits<{ show: [place: string]; mend: [remedy: Remedy] }>()

const MOST = 40
const shown = computed(() =>
  [...props.remarks].sort((a, b) => (a.severity < b.severity ? -1 : a.severity > b.severity ? 1 : 0)).slice(0, MOST),
)
const heading = computed(() => {
  const errors = props.remarks.filter(({ severity }) => severity === 'error').length
  const warnings = props.remarks.length - errors
  if (props.remarks.length === 0) return 'The check finds nothing'
  const words = [
    ...(errors > 0 ? [`${errors} ${errors === 1 ? 'error' : 'errors'}`] : []),
    ...(warnings > 0 ? [`${warnings} ${warnings === 1 ? 'warning' : 'warnings'}`] : []),
  ]
  return words.join(', ')
})
</script>

<template>
  <section class="sheet remarks" aria-live="polite">
    <h2>{{ heading }}</h2>
    <p v-if="remarks.length === 0" class="quiet">It may be published.</p>
    <ul v-else>
      <li v-for="(remark, index) in shown" :key="index">
        <button :class="remark.severity" @click="emit('show', remark.place)">
          <strong>{{ remark.severity === 'error' ? 'Error' : 'Warning' }}</strong>
          <span class="place">{{ placeInWords(draft, remark.place) }}</span>
          <span>{{ remark.what }}</span>
          <span v-if="remark.example" class="quiet">{{ remark.example }}</span>
          <span v-if="remark.mend && !remark.remedy">{{ remark.mend }}</span>
        </button>
        <BButton v-if="remark.remedy" class="remedy" variant="quiet" size="sm" @click="emit('mend', remark.remedy)">
          {{ remark.remedy.label }}
        </BButton>
      </li>
    </ul>
    <p v-if="remarks.length > shown.length" class="quiet">And {{ remarks.length - shown.length }} more.</p>
  </section>
</template>

<style scoped>
.remarks {
  padding: 14px 0 6px;
  max-height: calc(100dvh - 260px);
  overflow-y: auto;
}
h2,
p {
  padding: 0 16px;
}
ul {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
li > button:not(.remedy) {
  display: grid;
  gap: 2px;
  width: 100%;
  padding: 10px 16px 10px 12px;
  text-align: left;
  border: 0;
  border-top: 1px solid var(--line);
  border-left: 4px solid var(--short);
  background: none;
  color: inherit;
  font-size: 0.875rem;
}
button.warning:not(.remedy) {
  border-left-color: var(--decide-edge);
}
button.error strong {
  color: var(--short);
}
button.warning strong {
  color: var(--decide);
}
button:focus-visible {
  outline-offset: -3px;
  box-shadow: none;
}
.remedy {
  margin: 0 16px 10px;
}
.place {
  font-size: 0.8125rem;
  overflow-wrap: anywhere;
  color: var(--ink-2);
}
</style>
