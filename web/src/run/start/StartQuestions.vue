<script setup lang="ts">
/** What is open before a start, one thing after the other: what has to be clear, then what a second press may answer. */
import { printTime } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { eventName, shortName, type Day } from '../../day/day.ts'
import { vFocus } from '../../ui/vFocus.ts'
import type { Asked } from './useStartAsks.ts'

const props = defineProps<{
  day: Day
  /** Texts of the standard that have to be clear and are not. */
  checks: readonly string[]
  asked: readonly Asked[]
  /** How many start. */
  people: number
  nowMs: number
}>()
const emit = defineEmits<{ clear: []; goOn: []; cancel: [] }>()

/** More names than these say no more. */
const MOST_NAMES = 6

const SECOND_MS = 1_000
const wait = (untilMs: number): string =>
  printTime(Math.ceil(Math.max(0, untilMs - props.nowMs) / SECOND_MS) * SECOND_MS)
const line = (ask: Asked): string => {
  const who = `${ask.entry.bib ?? '–'} ${shortName(ask.entry)}`
  return ask.code === 'resting'
    ? `${who}: the rest still runs for ${wait(ask.untilMs)}.`
    : `${who}: still at ${eventName(props.day, ask.eventId)}.`
}
const shown = computed(() => props.asked.slice(0, MOST_NAMES))
const more = computed(() => props.asked.length - shown.value.length)
</script>

<template>
  <div class="questions" role="alert">
    <template v-if="checks.length > 0">
      <h2>Clear to start{{ people > 1 ? `, all ${people}` : '' }}?</h2>
      <ul>
        <li v-for="check in checks" :key="check">{{ check }}</li>
      </ul>
      <div class="answers">
        <BButton key="clear" v-focus variant="primary" size="lg" @click="emit('clear')"
          >All clear <kbd>Enter</kbd></BButton
        >
        <BButton variant="quiet" size="lg" @click="emit('cancel')">No start <kbd>Esc</kbd></BButton>
      </div>
      <small>Whoever is not clear does not start: another end, or the doctor.</small>
    </template>
    <template v-else>
      <h2>{{ asked.length === 0 ? 'The rest is over.' : 'Start all the same?' }}</h2>
      <ul>
        <li v-for="ask in shown" :key="`${ask.entry.id} ${ask.code}`">{{ line(ask) }}</li>
        <li v-if="more > 0">and {{ more }} more.</li>
      </ul>
      <div class="answers">
        <BButton key="go-on" v-focus variant="quiet" size="lg" @click="emit('goOn')"
          >{{ asked.length === 0 ? 'Start' : 'Start all the same' }} <kbd>Enter</kbd></BButton
        >
        <BButton variant="primary" size="lg" @click="emit('cancel')">Wait <kbd>Esc</kbd></BButton>
      </div>
      <small v-if="asked.length > 0">Your answer goes on record with the start.</small>
    </template>
  </div>
</template>

<style scoped>
.questions {
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 16px;
  min-height: 260px;
  flex: 1;
  padding: 24px;
  background: var(--decide-tint);
  border: 1px solid var(--decide-edge);
  border-radius: 8px;
}
h2 {
  font-size: 1.75rem;
  margin: 0;
}
ul {
  margin: 0;
  padding-left: 1.2em;
  font-size: 1.25rem;
}
.answers {
  display: flex;
  flex-wrap: wrap;
  justify-content: center;
  gap: 12px;
}
</style>
