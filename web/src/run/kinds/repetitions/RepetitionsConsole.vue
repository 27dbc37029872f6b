<script setup lang="ts">
/** A grader beside one candidate: a large pad to count, reasons to refuse, cautions, rests timed, undo and stop. */
import type { BeatStretch } from '@able-gauge/core'
import { useEventListener } from '@vueuse/core'
import { computed } from 'vue'
import type { Day, Entry } from '../../../day/day.ts'
import BeatLight from '../../../sound/BeatLight.vue'
import { useBeat } from '../../../sound/useBeat.ts'
import { useTick } from '../../../ui/useTick.ts'
import { useHold } from '../../console/useHold.ts'
import ConsoleFrame from '../../console/ConsoleFrame.vue'
import { pauseOf } from './pauseOf.ts'
import RepetitionsTally from './RepetitionsTally.vue'
import { useRepetitions, type RepetitionEvent } from './useRepetitions.ts'

const props = defineProps<{
  day: Day
  event: RepetitionEvent
  entry: Entry
  /** Who comes after. */
  following: Entry | undefined
}>()

const emit = defineEmits<{
  next: []
  /** Back to the list, on a phone. */
  back: []
}>()

const reps = useRepetitions(
  () => props.day,
  props.event,
  () => props.entry,
)
const { grading, protocol, durationMs, stands, attempt, phase, cautionsLeft, restartOffered, undoWords } = reps
const { ready, mark } = grading
const stopHold = useHold(1_000, () => reps.stop('ended'))

const nowMs = useTick(100)
const elapsedMs = computed(() => {
  const { startedAtMs, pausedAtMs, endsAtMs } = attempt.value
  if (startedAtMs === null) return 0
  const untilMs = pausedAtMs ?? nowMs.value
  if (durationMs === null || endsAtMs === null) return Math.max(0, untilMs - startedAtMs)
  // rests during which the clock stood have moved the end
  return Math.min(durationMs, Math.max(0, durationMs - (endsAtMs - untilMs)))
})
const pause = computed(() =>
  phase.value === 'running' ? pauseOf(protocol, attempt.value, nowMs.value) : { words: '', isOver: false },
)

const plan = computed<readonly BeatStretch[]>(() =>
  protocol.kind === 'repetitionsToCadence' ? [{ beatsPerMinute: protocol.beatsPerMinute, durationMs: Infinity }] : [],
)
const perRepetition = protocol.kind === 'repetitionsToCadence' ? protocol.beatsPerRepetition : 1
const beatFromMs = computed(() =>
  phase.value === 'running' && plan.value.length > 0 ? attempt.value.startedAtMs : null,
)
useBeat(
  () => plan.value,
  perRepetition,
  () => beatFromMs.value,
)
const missesLeft = computed(() =>
  protocol.kind === 'repetitionsToCadence' ? Math.max(0, protocol.missedBeatsAllowed - attempt.value.missedBeats) : 0,
)
const KEYS: Readonly<Record<string, () => void>> = {
  ' ': () => reps.count(),
  c: () => reps.caution(),
  m: () => plan.value.length > 0 && reps.missBeat(),
  p: () => stands && reps.rest(),
  r: () => restartOffered.value && reps.restart('fault explained'),
  e: () => stopHold.press(),
  ...Object.fromEntries(protocol.refusals.map(({ id }, index) => [String(index + 1), () => reps.refuse(id)] as const)),
}
useEventListener(window, 'keyup', ({ key }: KeyboardEvent) => {
  if (key.toLowerCase() === 'e') stopHold.release()
})

const HELP = computed(() => [
  ['Space', 'count a repetition'] as const,
  ...protocol.refusals.map(({ label }, index) => [String(index + 1), `refuse: ${label.toLowerCase()}`] as const),
  ['C', 'caution'] as const,
  ...(plan.value.length > 0 ? [['M', 'missed beat'] as const] : []),
  ...(stands ? [['P', 'rest: the clock stands, or goes on'] as const] : []),
  ['R', 'begin again, while the protocol allows it'] as const,
  ['E', 'hold one second: the candidate ends'] as const,
])
</script>

<template>
  <ConsoleFrame
    :day="day"
    :event="event"
    :entry="entry"
    :following="following"
    :grading="grading"
    :may-start="phase === 'ready'"
    :share="durationMs === null ? 0 : elapsedMs / durationMs"
    :keys="KEYS"
    :help="HELP"
    :strong-keys="phase === 'running' ? [' '] : []"
    :undo-words="phase === 'running' ? undoWords : ''"
    :sounds="plan.length > 0"
    @go="reps.start"
    @next="emit('next')"
    @back="emit('back')"
  >
    <template #figures>
      <RepetitionsTally
        :protocol="protocol"
        :duration-ms="durationMs"
        :attempt="attempt"
        :cut="mark?.cut ?? null"
        :elapsed-ms="elapsedMs"
        :over="phase === 'over'"
        :pause-words="pause.words"
        :pause-over="pause.isOver"
      />
    </template>
    <template #rules>
      <p>{{ protocol.countsWhen }}</p>
      <p v-if="protocol.restart">
        May begin again {{ protocol.restart.times === 1 ? 'once' : `${protocol.restart.times} times` }}, within the
        first {{ protocol.restart.withinFirst }}, after the fault is explained.
      </p>
    </template>

    <BeatLight v-if="plan.length > 0" :plan="plan" :started-at-ms="beatFromMs" :per-cycle="perRepetition" />
    <button class="pad" :disabled="!ready" @pointerdown.prevent="reps.count()">
      <strong>Count</strong><span>tap anywhere here, or space</span>
    </button>
    <div class="keys-row">
      <button
        v-for="(refusal, index) in protocol.refusals"
        :key="refusal.id"
        class="refuse"
        :disabled="!ready"
        @click="reps.refuse(refusal.id)"
      >
        {{ refusal.label }} <kbd>{{ index + 1 }}</kbd>
      </button>
    </div>
    <div class="keys-row">
      <button class="caution" :disabled="!ready" @click="reps.caution()">
        Caution<small>{{ cautionsLeft > 0 ? `${cautionsLeft} left` : 'the next ends it' }}</small>
      </button>
      <button v-if="plan.length > 0" class="caution" :disabled="!ready" @click="reps.missBeat()">
        Missed beat<small>{{ missesLeft > 0 ? `${missesLeft} left` : 'the next ends it' }}</small>
      </button>
      <button v-if="stands" :disabled="!ready" @click="reps.rest()">
        {{ attempt.pausedAtMs === null ? 'Rests' : 'Goes on' }}<small>the clock stands</small>
      </button>
      <button v-if="restartOffered" @click="reps.restart('fault explained')">
        Begin again<small>fault explained</small>
      </button>
      <button
        class="stop"
        :disabled="!ready"
        :style="{ '--held': stopHold.share.value }"
        @pointerdown="stopHold.press()"
        @pointerup="stopHold.release()"
        @pointerleave="stopHold.release()"
      >
        Candidate ends<small>hold 1 s</small>
      </button>
    </div>
  </ConsoleFrame>
</template>

<style scoped lang="scss">
@use '../../console/pad';
.stop {
  background-image: linear-gradient(to right, var(--vest) calc(var(--held) * 100%), transparent 0);
  touch-action: none;
}
</style>
