<script setup lang="ts">
/** Before somebody starts: how it is worked, what is to be set up and looked at, and the key that begins the start commands. */
import { conductOf, type StandardEvent } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import type { Day, Entry } from '../../day/day.ts'
import StartCues from '../start/StartCues.vue'
import StartHearing from '../start/StartHearing.vue'
import VariantChoice from '../start/VariantChoice.vue'
import type { Grading } from './useGrading.ts'

const props = defineProps<{
  day: Day
  event: StandardEvent
  entry: Entry
  grading: Grading
}>()
const emit = defineEmits<{ start: [] }>()
const { ready, mayCapture } = props.grading
</script>

<template>
  <section class="sheet rules">
    <h2>{{ conductOf(event.protocol, event.publishedIn) }}</h2>
    <slot />
    <StartCues :day="day" :event="event" :entry="entry" />
    <VariantChoice v-if="mayCapture && ready" :event="event" :entry="entry" />
    <p v-for="text in event.cautions" :key="text">{{ text }}</p>
  </section>
  <StartHearing :protocol="event.protocol" />
  <BButton v-if="mayCapture" class="start" variant="primary" :disabled="!ready" @click="emit('start')">
    Start commands <kbd>S</kbd>
  </BButton>
</template>

<style scoped>
.rules {
  padding: 14px 16px;
}
.rules :deep(p) {
  margin: 4px 0 0;
}
/* as the pad after it: as large as there is room, with the same controls below in the same place */
.start {
  min-height: 72px;
  max-height: 260px;
  font-size: 1.375rem;
  flex: 1 0 72px;
}
</style>
