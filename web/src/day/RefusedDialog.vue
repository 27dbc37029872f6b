<script setup lang="ts">
/** Captures the server refused: what each was and why, kept until somebody takes it off the list. */
import { BButton, BModal } from 'bootstrap-vue-next'
import type { WaitingCapture } from '../sync/outbox.ts'
import { timeOfDay } from '../ui/localTime.ts'
import { sayCapture } from '../ui/sayCapture.ts'
import type { Day } from './day.ts'
import { useDay } from './dayStore.ts'

const props = defineProps<{
  day: Day
}>()
const open = defineModel<boolean>({ required: true })

const store = useDay()
const seen = ({ capture }: WaitingCapture): string => {
  const entry = store.entry(capture.entryId)
  const bib = entry?.bib ? `bib ${entry.bib}` : 'no bib'
  return `${sayCapture(capture)}, ${bib}, ${timeOfDay(capture.atMs, props.day.occasion.zone)}`
}
</script>

<template>
  <BModal v-model="open" title="Captures the server refused" ok-only ok-title="Close" ok-variant="quiet">
    <p>Nothing is lost: they are kept on this device until you take them off the list.</p>
    <ul>
      <li v-for="one in store.refused" :key="one.id">
        <strong>{{ seen(one) }}</strong>
        <p>{{ one.reason }}</p>
        <BButton variant="quiet" size="sm" @click="store.dismissRefused(one.id)">Take off the list</BButton>
      </li>
    </ul>
  </BModal>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  border-top: 1px solid var(--line);
  padding: 10px 0;
}
li p {
  margin: 2px 0 8px;
}
</style>
