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
import { DELIBERATE_MS } from '../../console/deliberate.ts'
import { momentDespite, useAgreedClock } from '../../../sync/agreedClock.ts'
import { useTick } from '../../../ui/useTick.ts'
import { useGrading } from '../../console/useGrading.ts'
import AskedFirst from '../../console/AskedFirst.vue'
import ConsoleFrame from '../../console/ConsoleFrame.vue'
import LiftPlates from './LiftPlates.vue'

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
const clock = useAgreedClock()
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

/** What was pressed while the rest still runs, and when: a second, deliberate press of the same answers it. */
const asking = ref<{ readonly good: boolean; readonly atMs: number } | null>(null)
/** A question that nobody answers goes away. */
const ASKED_FOR_MS = 8_000
const isAsking = computed(
  // looked at with every tick of the clock
  () => nowMs.value > 0 && asking.value !== null && performance.now() - asking.value.atMs < ASKED_FOR_MS,
)

const record = (good: boolean): void => {
  if (lifts.value.over) return
  const lifted = { kind: 'lifted', payload: { loadG: loadG.value, good } } as const
  const moment = clock.moment()
  const isResting = moment !== null && moment.atMs < (lifts.value.restedAtMs ?? 0)
  const question = isAsking.value && asking.value?.good === good ? asking.value : null
  if (!isResting) grading.observe(lifted)
  else if (question === null) {
    asking.value = { good, atMs: performance.now() }
    return
  } else if (performance.now() - question.atMs < DELIBERATE_MS) return
  else grading.observe(lifted, momentDespite(moment, ['restNotOver']))
  asking.value = null
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
      <LiftPlates :load-g="loadG" />
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
    <AskedFirst v-if="isAsking">
      The rest still runs for {{ printClock(restLeftMs + 999) }}. Press
      {{ asking?.good ? 'Good lift' : 'Missed' }} again to have it count all the same; it goes on record.
    </AskedFirst>
    <div class="pads">
      <button class="pad" :disabled="!ready" @click="record(true)">
        <strong>Good lift</strong><span>{{ printMass(loadG) }} <kbd>G</kbd></span>
      </button>
      <button class="pad miss-pad" :disabled="!ready" @click="record(false)">
        <strong>Missed</strong
        ><span>{{ missesLeft > 0 ? `${missesLeft} allowed` : 'this one ends it' }} <kbd>M</kbd></span>
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
