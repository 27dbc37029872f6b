<script setup lang="ts">
/** A step test for several people at one beat: each can stop early, each has a pulse of their own to be typed. */
import {
  followSteps,
  printClock,
  stepHeightMm,
  type BeatStretch,
  type Capture,
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
import { wordFor } from '../../../ui/verdictWords.ts'
import BigTime from '../../console/BigTime.vue'
import TogetherRoom from '../../console/TogetherRoom.vue'
import { useTogether } from '../../console/useTogether.ts'
import PulseField from './PulseField.vue'
import { stepStage, STEP_WORDS, type StepStage } from './stepStage.ts'

const props = defineProps<{
  day: Day
  event: StandardEvent & { readonly protocol: ProtocolOf<'stepTest'> }
}>()

/** Keys are digits, so nine at most. */
const MOST = 9
const { protocol } = props.event
const clock = useAgreedClock()
const nowMs = useTick(50)
const { say } = useSound()

const stepsOf = (own: readonly Capture[]) => {
  const steps = followSteps(protocol, own)
  const isDone = steps.stoppedAfterMs !== null || own.some(({ kind }) => kind === 'read' || kind === 'stopped')
  const phase = steps.startedAtMs === null ? ('ready' as const) : isDone ? ('over' as const) : ('running' as const)
  return { steps, phase }
}
const together = useTogether(
  () => props.day,
  props.event,
  Math.min(MOST, protocol.notes?.peopleAtOnce ?? MOST),
  stepsOf,
)
const { grading, lanes, running } = together
/** All of them step to one beat, so that the first who runs tells the stage for all. */
const steps = computed(() => running.value[0]?.steps)
const stage = computed<StepStage>(() => (steps.value ? stepStage(steps.value, nowMs.value) : 'ready'))
watch(stage, (now, before) => {
  const words = STEP_WORDS[now]
  if (words && before !== 'ready') say(words)
})
const plan: readonly BeatStretch[] = [{ beatsPerMinute: protocol.beatsPerMinute, durationMs: protocol.durationMs }]
const beatFromMs = computed(() => (stage.value === 'stepping' ? (steps.value?.startedAtMs ?? null) : null))
useBeat(
  () => plan,
  protocol.beatsPerCycle,
  () => beatFromMs.value,
)
const elapsedMs = computed(() => {
  const { startedAtMs = null, workEndsAtMs = null } = steps.value ?? {}
  return startedAtMs === null ? 0 : Math.max(0, Math.min(nowMs.value, workEndsAtMs ?? 0) - startedAtMs)
})
const secondsTo = (moment: number | null | undefined): number =>
  Math.max(0, Math.ceil(((moment ?? 0) - nowMs.value) / 1_000))
const words = computed(() => {
  if (stage.value === 'waiting') return `sit down, the count begins in ${secondsTo(steps.value?.pulseFromMs)} s`
  if (stage.value === 'counting') return `count the pulse: ${secondsTo(steps.value?.pulseToMs)} s of the window left`
  if (stage.value === 'entering') return 'type what each of them counted'
  return `of ${printClock(protocol.durationMs)}`
})

const stopEarly = ({ id }: Entry): void => {
  if (stage.value === 'stepping') grading.stop(id, 'ended')
}
const onDigit = (digit: string): void => {
  const lane = lanes.value[Number(digit) - 1]
  if (lane?.phase === 'running') stopEarly(lane.entry)
}
const enter = ({ id }: Entry, beats: number, despite: readonly string[]): void =>
  grading.observe(
    id,
    { kind: 'read', payload: { slot: 'pulse', value: beats } },
    momentDespite(clock.moment(), despite),
  )
</script>

<template>
  <TogetherRoom
    class="steppers"
    :day="day"
    :event="event"
    :together="together"
    :on-digit="onDigit"
    :help="[['1–9', 'that person stops early; the time is kept']]"
    sounds
  >
    <template #rules>
      <p>
        {{ protocol.beatsPerMinute }} beats a minute, {{ protocol.beatsPerCycle }} to a cycle, for
        {{ printClock(protocol.durationMs) }}.
      </p>
    </template>
    <template #above>
      <template v-if="running.length > 0">
        <BigTime :elapsed-ms="elapsedMs" :words="words" :tenths="false" />
        <BeatLight
          v-if="stage === 'stepping'"
          class="beats"
          :plan="plan"
          :started-at-ms="beatFromMs"
          :per-cycle="protocol.beatsPerCycle"
        />
      </template>
    </template>
    <template #lane="{ lane }">
      <p class="quiet">Step of {{ printLength(stepHeightMm(protocol, lane.entry.category)) }}</p>
      <p v-if="lane.phase === 'over' && lane.mark" class="word">{{ wordFor(lane.mark) }}</p>
      <div v-else-if="lane.phase === 'running' && stage === 'stepping'" class="keys-row">
        <button class="caution" :disabled="!grading.ready.value" @click="stopEarly(lane.entry)">
          Stops early<small>the time is kept</small>
        </button>
      </div>
      <PulseField
        v-else-if="lane.phase === 'running' && stage === 'entering'"
        :id="`pulse-${lane.entry.id}`"
        :protocol="protocol"
        :touched="lane.steps.beats"
        :ready="grading.ready.value"
        :focused="lane === running[0]"
        @enter="(beats, despite) => enter(lane.entry, beats, despite)"
      />
    </template>
  </TogetherRoom>
</template>

<style scoped lang="scss">
@use '../../console/pad';
.steppers {
  --tile: 200px;
}
.beats {
  --beat: clamp(40px, 8vw, 90px);
  flex-wrap: wrap;
  justify-content: center;
}
.word {
  font-weight: 700;
}
p {
  margin: 0;
}
</style>
