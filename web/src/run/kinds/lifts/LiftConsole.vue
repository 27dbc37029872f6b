<script setup lang="ts">
/** Lifts that get heavier: the next load, good or missed, the rest counted down, the last good lift. */
import {
  exampleOf,
  followLifts,
  parseField,
  printClock,
  printMass,
  type ProtocolOf,
  type StandardEvent,
} from '@able-gauge/core'
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import type { Day, Entry } from '../../../day/day.ts'
import Gauge from '../../../ui/Gauge.vue'
import { useTick } from '../../../ui/useTick.ts'
import { useGrading } from '../../console/useGrading.ts'
import ConsoleFrame from '../../console/ConsoleFrame.vue'

const props = defineProps<{
  day: Day
  event: StandardEvent & { readonly protocol: ProtocolOf<'heaviestLift'> }
  entry: Entry
  /** Who comes after. */
  following: Entry | undefined
}>()
const emit = defineEmits<{ next: []; back: [] }>()

const { protocol } = props.event
const grading = useGrading(
  () => props.day,
  props.event,
  () => props.entry,
)
const { own, ready, mark } = grading
const nowMs = useTick(250)

const lifts = computed(() => followLifts(protocol, own.value))
const loadG = ref(protocol.startLoadG)
watch(
  () => lifts.value.nextLoadG,
  (next) => (loadG.value = next),
  { immediate: true },
)
const restLeftMs = computed(() => Math.max(0, (lifts.value.restedAtMs ?? 0) - nowMs.value))
const missesLeft = computed(() => protocol.failuresAllowed - lifts.value.misses)

const record = (good: boolean): void => {
  if (!lifts.value.over) grading.observe({ kind: 'lifted', payload: { loadG: loadG.value, good } })
}
const change = (byG: number): void => {
  loadG.value = Math.max(0, loadG.value + byG)
}
const typed = ref<string | null>(null)
const problem = ref('')
const take = (): void => {
  const read = parseField(typed.value ?? '', { unit: 'g' })
  problem.value = read.ok ? '' : `"${typed.value ?? ''}" is not ${exampleOf({ unit: 'g' })}.`
  if (!read.ok) return
  loadG.value = read.value
  typed.value = null
}
const KEYS = {
  g: () => record(true),
  m: () => record(false),
  ArrowUp: () => change(protocol.incrementG),
  ArrowDown: () => change(-protocol.incrementG),
  e: () => grading.stop('ended'),
}
</script>

<template>
  <ConsoleFrame
    :day="day"
    :event="event"
    :entry="entry"
    :following="following"
    :grading="grading"
    :keys="KEYS"
    :help="[
      ['G', 'good lift'],
      ['M', 'missed'],
      ['↑ ↓', 'one step heavier, lighter'],
      ['E', 'the candidate ends'],
    ]"
    @next="emit('next')"
    @back="emit('back')"
  >
    <template #figures>
      <div class="top">
        <section class="sheet load">
          <span class="quiet">{{ lifts.lifts.length === 0 ? 'First load' : 'Next load' }}</span>
          <strong class="figures" data-testid="load">{{ printMass(loadG) }}</strong>
        </section>
        <section class="sheet rest" :class="{ resting: restLeftMs > 0 }">
          <span class="quiet">{{ restLeftMs > 0 ? 'Rest' : lifts.lifts.length === 0 ? 'No lift yet' : 'Rested' }}</span>
          <strong class="figures" role="timer">{{ printClock(restLeftMs + 999) }}</strong>
        </section>
        <section class="sheet">
          <span class="quiet">Last good lift</span>
          <strong class="figures">{{ lifts.lastGoodG === null ? '–' : printMass(lifts.lastGoodG) }}</strong>
        </section>
      </div>
      <Gauge v-if="mark?.cut" :cut="mark.cut" :value="lifts.lastGoodG" size="large" />
      <ol v-if="lifts.lifts.length > 0" class="history">
        <li v-for="(lift, index) in lifts.lifts" :key="index" :class="{ miss: !lift.good }">
          <span class="figures">{{ printMass(lift.loadG) }}</span> {{ lift.good ? 'good' : 'missed' }}
        </li>
      </ol>
    </template>
    <p class="sheet rule">A good lift: {{ protocol.goodWhen }}</p>
    <div class="keys-row">
      <button :disabled="!ready" @click="change(-protocol.incrementG)">− {{ printMass(protocol.incrementG) }}</button>
      <button :disabled="!ready" @click="change(protocol.incrementG)">+ {{ printMass(protocol.incrementG) }}</button>
      <form v-if="typed !== null" class="other" @submit.prevent="take">
        <BFormInput v-model="typed" class="figures" aria-label="Load in kg" inputmode="decimal" autofocus />
      </form>
      <button v-else :disabled="!ready" @click="typed = ''">Another load</button>
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div class="pads">
      <button class="pad" :disabled="!ready" @click="record(true)">
        <strong>Good lift</strong><span>{{ printMass(loadG) }}, key G</span>
      </button>
      <button class="pad miss-pad" :disabled="!ready" @click="record(false)">
        <strong>Missed</strong><span>{{ missesLeft > 0 ? `${missesLeft} allowed` : 'this one ends it' }}, key M</span>
      </button>
    </div>
    <template #foot>
      <BButton variant="quiet" :disabled="!ready || lifts.lifts.length === 0" @click="grading.stop('ended')">
        Candidate ends <kbd>E</kbd>
      </BButton>
    </template>
  </ConsoleFrame>
</template>

<style scoped lang="scss">
@use '../../console/pad';
.top {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 10px;
}
.top section {
  padding: 10px 14px;
  display: flex;
  flex-direction: column;
}
.top strong {
  font-size: 2.2rem;
  line-height: 1.1;
}
.resting {
  background: var(--decide-tint);
  border-color: var(--decide-edge);
}
.history {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 0;
  padding: 0;
}
.history li {
  padding: 4px 10px;
  border-radius: 6px;
  background: var(--tint);
}
.history .miss {
  background: transparent;
  outline: 1px dashed var(--short);
  color: var(--short);
}
.rule {
  margin: 0;
  padding: 10px 14px;
}
.pads {
  flex: 1;
  display: grid;
  grid-template-columns: 2fr 1fr;
  gap: 10px;
}
.miss-pad {
  background: var(--sheet);
  color: var(--short);
  border: 2px solid var(--short);
}
@media (max-width: 900px) {
  .top strong {
    font-size: 1.5rem;
  }
}
</style>
