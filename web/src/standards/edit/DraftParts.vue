<script setup lang="ts">
/** The parts of a draft in the order it is printed, each with how many errors are left in it. */
import { EVENT_KINDS, FIRST_KIND, KIND_NAMES, type EventKind } from '@able-gauge/core'
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import { ref } from 'vue'
import type { DraftRemark } from '../../workers/check.worker.ts'
import { listIn } from './scoringGrid.ts'
import type { Plain } from './plain.ts'
import type { EventList, Part } from './useParts.ts'

const props = defineProps<{
  draft: Plain
  remarks: readonly DraftRemark[]
}>()
const part = defineModel<Part>({ required: true })
const emit = defineEmits<{ add: [list: EventList, kind: EventKind]; shelf: [] }>()

const LISTS = [
  { list: 'events', heading: 'Events' },
  { list: 'alternateEvents', heading: 'Alternates' },
] as const
const isHere = (list: EventList, at: number): boolean =>
  typeof part.value === 'object' && part.value.list === list && part.value.at === at
const errorsIn = (place: string): number =>
  props.remarks.filter((remark) => remark.severity === 'error' && remark.place.startsWith(`${place}.`)).length
const sayErrors = (count: number): string => `${count} ${count === 1 ? 'error' : 'errors'}`

const kinds = EVENT_KINDS.map((kind) => ({ value: kind, text: KIND_NAMES[kind] }))
const adding = ref<EventKind>(FIRST_KIND)
</script>

<template>
  <nav class="sheet parts" aria-label="Parts of the draft">
    <button :class="{ here: part === 'about' }" @click="part = 'about'">About</button>
    <template v-for="{ list, heading } in LISTS" :key="list">
      <p v-if="list === 'events' || listIn(draft, list).length" class="quiet">{{ heading }}</p>
      <button
        v-for="(event, at) in listIn(draft, list)"
        :key="at"
        :class="{ here: isHere(list, at) }"
        @click="part = { list, at }"
      >
        <span v-if="list === 'events'" class="figures">{{ at + 1 }}</span> {{ event['name'] || 'New event' }}
        <span v-if="errorsIn(`${list}[${at}]`)" class="count" :aria-label="sayErrors(errorsIn(`${list}[${at}]`))">{{
          errorsIn(`${list}[${at}]`)
        }}</span>
      </button>
    </template>
    <div class="add">
      <label for="add-kind">Add an event</label>
      <BFormSelect id="add-kind" v-model="adding" size="sm" :options="kinds" />
      <BButton variant="quiet" size="sm" @click="emit('add', 'events', adding)">For everybody</BButton>
      <BButton variant="quiet" size="sm" @click="emit('add', 'alternateEvents', adding)">As an alternate</BButton>
      <BButton variant="quiet" size="sm" @click="emit('shelf')">From a worked example</BButton>
    </div>
    <button :class="{ here: part === 'judging' }" @click="part = 'judging'">How it is judged</button>
    <button :class="{ here: part === 'file' }" @click="part = 'file'">File</button>
  </nav>
</template>

<style scoped>
.parts {
  position: sticky;
  top: 12px;
  padding: 6px 0 10px;
  max-height: calc(100dvh - 24px);
  overflow-y: auto;
}
.parts > button {
  display: flex;
  gap: 8px;
  align-items: center;
  width: 100%;
  min-height: 42px;
  padding: 4px 14px;
  border: 0;
  border-left: 4px solid transparent;
  background: none;
  color: inherit;
  text-align: left;
}
.parts .here {
  border-left-color: var(--ink);
  background: var(--tint);
  font-weight: 650;
}
.parts > button:focus-visible {
  outline-offset: -3px;
  box-shadow: none;
}
.parts p {
  margin: 8px 18px 0;
  font-size: 0.8125rem;
}
.count {
  margin-left: auto;
  border: 1px solid var(--short);
  color: var(--short);
  border-radius: 6px;
  padding: 0 7px;
  font-size: 0.8125rem;
  font-weight: 700;
}
.add {
  display: grid;
  gap: 6px;
  padding: 10px 14px;
  border-top: 1px solid var(--line);
  border-bottom: 1px solid var(--line);
  margin: 8px 0;
}
.add label {
  font-size: 0.875rem;
}
@media (max-width: 1000px) {
  .parts {
    position: static;
    max-height: none;
  }
}
</style>
