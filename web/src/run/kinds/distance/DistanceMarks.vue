<script setup lang="ts">
/** When the time is up: how far beyond the line each of them stands, one field after the other. */
import { parseField, printLength } from '@able-gauge/core'
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { reactive } from 'vue'
import { shortName, type Entry } from '../../../day/day.ts'

const props = defineProps<{
  toMark: readonly { readonly entry: Entry; readonly run: { readonly laps: number } }[]
  lapLengthMm: number
  ready: boolean
}>()
const emit = defineEmits<{ mark: [entry: Entry, beyondLineMm: number] }>()

const typed = reactive<Record<string, string>>({})
const problems = reactive<Record<string, string>>({})
const mark = (entry: Entry): void => {
  const text = typed[entry.id] ?? ''
  const read = parseField(text, { unit: 'mm', shownIn: 'm' })
  const fits = read.ok && read.value < props.lapLengthMm
  problems[entry.id] = fits ? '' : `"${text}" is not a distance below one lap of ${printLength(props.lapLengthMm)}.`
  if (fits) emit('mark', entry, read.value)
}
const focusNext = (event: KeyboardEvent, entry: Entry): void => {
  mark(entry)
  if (problems[entry.id]) return
  // the field is one of a list of such fields
  const fields = [...document.querySelectorAll<HTMLInputElement>('.marks input')]
  fields[fields.indexOf(event.target as HTMLInputElement) + 1]?.focus()
}
</script>

<template>
  <section class="sheet marks">
    <h2>Metres beyond the line</h2>
    <div v-for="{ entry, run } in toMark" :key="entry.id" class="mark">
      <label :for="`mark-${entry.id}`"
        ><strong class="figures">{{ entry.bib }}</strong> {{ shortName(entry) }}, {{ run.laps }}
        {{ run.laps === 1 ? 'lap' : 'laps' }}</label
      >
      <BFormInput
        :id="`mark-${entry.id}`"
        :model-value="typed[entry.id] ?? ''"
        class="figures"
        inputmode="decimal"
        autocomplete="off"
        :disabled="!ready"
        @update:model-value="(text) => (typed[entry.id] = String(text ?? ''))"
        @keydown.enter.prevent="focusNext($event, entry)"
      />
      <BButton variant="quiet" :disabled="!ready" @click="mark(entry)">Enter</BButton>
      <p v-if="problems[entry.id]" class="problem">{{ problems[entry.id] }}</p>
    </div>
  </section>
</template>

<style scoped>
.marks {
  padding: 12px 16px;
}
.mark {
  display: grid;
  grid-template-columns: 1fr 130px auto;
  gap: 10px;
  align-items: center;
  padding: 6px 0;
  border-top: 1px solid var(--line);
}
.mark strong {
  font-size: 1.25rem;
  margin-right: 8px;
}
.mark input {
  font-size: 1.25rem;
}
.problem {
  grid-column: 1 / -1;
  margin: 0;
}
</style>
