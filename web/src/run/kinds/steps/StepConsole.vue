<script setup lang="ts">
/** A step test: the beat to step to, an early stop, then the pulse in its window, touched beat by beat or entered. */
import {
  followSteps,
  printClock,
  stepHeightMm,
  type BeatStretch,
  type ProtocolOf,
  type StandardEvent,
  printLength,
} from '@able-gauge/core'
import { computed, watch } from 'vue'
import type { Day, Entry } from '../../../day/day.ts'
import BeatLight from '../../../sound/BeatLight.vue'
import { useBeat } from '../../../sound/useBeat.ts'
import { useSound } from '../../../sound/useSound.ts'
import { momentDespite, useAgreedClock } from '../../../sync/agreedClock.ts'
import { useTick } from '../../../ui/useTick.ts'
import InstrumentTake from '../../instruments/InstrumentTake.vue'
import BigTime from '../../console/BigTime.vue'
import { useGrading, type Grading } from '../../console/useGrading.ts'
import ConsoleFrame from '../../console/ConsoleFrame.vue'
import PulseField from './PulseField.vue'
import { stepStage, STEP_WORDS } from './stepStage.ts'

const props = defineProps<{
  day: Day
  event: StandardEvent & { readonly protocol: ProtocolOf<'stepTest'> }
  entry: Entry
  /** Who comes after. */
  following: Entry | undefined
}>()
const emit = defineEmits<{ next: []; back: [] }>()

const { protocol } = props.event
const counted = useGrading(
  () => props.day,
  props.event,
  () => props.entry,
)
/** What was touched makes a figure by itself; here the grader still says whether it is right. */
const grading: Grading = {
  ...counted,
  isDone: computed(
    () =>
      counted.isDone.value &&
      (steps.value.beats === 0 || counted.own.value.some(({ kind }) => kind === 'read' || kind === 'stopped')),
  ),
}
const { own, ready } = counted
const { say } = useSound()
const clock = useAgreedClock()
const nowMs = useTick(50)

const steps = computed(() => followSteps(protocol, own.value))
const heightMm = computed(() => stepHeightMm(protocol, props.entry.category))
const phase = computed(() => stepStage(steps.value, nowMs.value))
const plan: readonly BeatStretch[] = [{ beatsPerMinute: protocol.beatsPerMinute, durationMs: protocol.durationMs }]
const beatFromMs = computed(() => (phase.value === 'stepping' ? steps.value.startedAtMs : null))
useBeat(
  () => plan,
  protocol.beatsPerCycle,
  () => beatFromMs.value,
)
watch(phase, (now, before) => {
  const words = STEP_WORDS[now]
  if (words && before !== 'ready') say(words)
})

const elapsedMs = computed(() => {
  const { startedAtMs, workEndsAtMs } = steps.value
  return startedAtMs === null ? 0 : Math.max(0, Math.min(nowMs.value, workEndsAtMs ?? 0) - startedAtMs)
})
const secondsTo = (moment: number | null): number => Math.max(0, Math.ceil(((moment ?? 0) - nowMs.value) / 1000))
const words = computed(() => {
  const { pulseFromMs, pulseToMs } = steps.value
  switch (phase.value) {
    case 'waiting':
      return `the count begins in ${secondsTo(pulseFromMs)} s`
    case 'counting':
      return `${secondsTo(pulseToMs)} s of the window left`
    default:
      return `of ${printClock(protocol.durationMs)}, step of ${printLength(heightMm.value)}`
  }
})

const beat = (): void => {
  if (phase.value === 'counting') grading.observe({ kind: 'counted', payload: {} })
}
const enter = (beats: number, despite: readonly string[]): void =>
  grading.observe({ kind: 'read', payload: { slot: 'pulse', value: beats } }, momentDespite(clock.moment(), despite))
const stopEarly = (): void => {
  if (phase.value === 'stepping') grading.stop('ended')
}
</script>

<template>
  <ConsoleFrame
    :day="day"
    :event="event"
    :entry="entry"
    :following="following"
    :grading="grading"
    :may-start="phase === 'ready'"
    :share="elapsedMs / protocol.durationMs"
    :keys="{ ' ': beat, e: stopEarly }"
    :strong-keys="phase === 'counting' ? [' '] : []"
    :help="[
      ['Space', 'one beat of the pulse, within the window'],
      ['E', 'the candidate stops early'],
    ]"
    sounds
    @go="(moment) => grading.observe({ kind: 'started', payload: {} }, moment)"
    @next="emit('next')"
    @back="emit('back')"
  >
    <template #figures>
      <BigTime :elapsed-ms="elapsedMs" :words="words" :tenths="false" />
      <InstrumentTake :event="event" :grading="grading" />
    </template>
    <template v-if="phase === 'stepping'">
      <BeatLight class="beats" :plan="plan" :started-at-ms="beatFromMs" :per-cycle="protocol.beatsPerCycle" />
      <div class="keys-row">
        <button class="caution" :disabled="!ready" @click="stopEarly">
          Stops early <kbd>E</kbd><small>the candidate cannot go on; the time is kept</small>
        </button>
      </div>
    </template>
    <button v-else-if="phase === 'waiting'" class="pad" disabled>
      <strong>Sit down, find the pulse</strong><span>{{ words }}</span>
    </button>
    <button v-else-if="phase === 'counting'" class="pad" :disabled="!ready" @pointerdown.prevent="beat">
      <strong class="figures count" data-testid="beats">{{ steps.beats }}</strong>
      <span>tap every beat here, or space</span>
    </button>
    <PulseField
      v-else-if="phase === 'entering'"
      id="beats"
      class="sheet p-3"
      :protocol="protocol"
      :touched="steps.beats"
      :ready="ready"
      focused
      @enter="enter"
    />
  </ConsoleFrame>
</template>

<style scoped lang="scss">
@use '../../console/pad';
.beats {
  --beat: clamp(60px, 14vw, 150px);
  flex: 1;
  flex-wrap: wrap;
  justify-content: center;
  gap: 14px;
}
.pad .count {
  font-size: 6rem;
}
</style>
