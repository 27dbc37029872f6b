<script setup lang="ts">
/** The person on the left, the events with their fields and gauges, the verdict with its reasons. */
import type { Standard } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import TraceList from '../../ui/TraceList.vue'
import VerdictChip from '../../ui/VerdictChip.vue'
import TryEvent from './TryEvent.vue'
import TryPerson from './TryPerson.vue'
import TryReach from './TryReach.vue'
import { usePerson } from './usePerson.ts'

const props = defineProps<{
  standard: Standard
}>()

const { person, choices, typed, ageProblem, massProblem, candidate, rows, verdict, reach } = usePerson(props.standard)
const asks = ref<'result' | 'reach'>('result')
const shown = ref<string | null>(null)
const shownRow = computed(() => rows.value.find(({ event }) => event.id === shown.value))
const trace = computed(() => shownRow.value?.mark.trace ?? verdict.value.trace)
</script>

<template>
  <main class="room try">
    <TryPerson
      class="person"
      :person="person"
      :standard="standard"
      :age-problem="ageProblem"
      :mass-problem="massProblem"
    />
    <div class="asks" role="group" aria-label="What to ask">
      <button :class="{ chosen: asks === 'result' }" :aria-pressed="asks === 'result'" @click="asks = 'result'">
        What is it worth?
      </button>
      <button :class="{ chosen: asks === 'reach' }" :aria-pressed="asks === 'reach'" @click="asks = 'reach'">
        What must I reach?
      </button>
    </div>
    <template v-if="asks === 'result'">
      <div class="events">
        <TryEvent
          v-for="row in rows"
          :key="row.event.id"
          :typed="typed[row.event.id] ?? {}"
          :row="row"
          :standard="standard"
          :choices="choices"
          :is-shown="shown === row.event.id"
          @update:typed="typed[row.event.id] = $event"
          @show="shown = shown === row.event.id ? null : row.event.id"
        />
      </div>
      <aside class="sheet" aria-live="polite">
        <header>
          <h2>{{ shownRow ? shownRow.done.name : 'Verdict' }}</h2>
          <VerdictChip v-if="!shownRow" :verdict="verdict" />
          <BButton v-else variant="quiet" size="sm" @click="shown = null">Whole verdict</BButton>
        </header>
        <TraceList :trace="trace" />
        <template v-if="shownRow">
          <div v-for="estimate in shownRow.estimates" :key="estimate.name + estimate.source" class="estimate">
            <strong v-if="estimate.isWithin"
              >{{ estimate.name }}: about {{ estimate.value }} {{ estimate.unit }}</strong
            >
            <strong v-else>{{ estimate.name }}: outside the formula</strong>
            <span class="quiet"
              >An estimate; it decides nothing. {{ estimate.source }}. Meant for {{ estimate.range }}.</span
            >
          </div>
        </template>
        <p v-else class="quiet">Choose an event to see its steps.</p>
      </aside>
    </template>
    <TryReach
      v-else
      class="wide"
      :standard="standard"
      :reach="reach"
      :candidate="candidate"
      :age-problem="ageProblem"
    />
  </main>
</template>

<style scoped>
.try {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 360px;
  gap: 14px 16px;
  align-items: start;
}
.person {
  grid-column: 1 / -1;
}
.asks {
  grid-column: 1 / -1;
  display: flex;
  gap: 0;
}
.asks button {
  min-height: 44px;
  padding: 0 18px;
  border: 1px solid var(--ink);
  background: var(--sheet);
  color: inherit;
  font-weight: 650;
}
.asks button:first-child {
  border-radius: 6px 0 0 6px;
}
.asks button:last-child {
  border-radius: 0 6px 6px 0;
  border-left: 0;
}
.asks .chosen {
  background: var(--pad);
  color: var(--pad-ink);
}
.events {
  display: grid;
  gap: 10px;
}
aside {
  position: sticky;
  top: 12px;
  padding: 14px 16px;
  max-height: calc(100dvh - 24px);
  overflow-y: auto;
}
aside header {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  margin-bottom: 12px;
}
.estimate {
  border-top: 1px solid var(--line);
  padding-top: 8px;
  margin-top: 8px;
}
.estimate span {
  display: block;
  font-size: 0.875rem;
}
.wide {
  grid-column: 1 / -1;
}
@media (max-width: 900px) {
  .try {
    grid-template-columns: minmax(0, 1fr);
  }
  aside {
    position: static;
    max-height: none;
  }
}
</style>
