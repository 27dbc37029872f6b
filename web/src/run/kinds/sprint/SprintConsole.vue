<script setup lang="ts">
/** Sprints and agility: start commands, one touch at the finish, tries, a backup watch on a second device. */
import { followSprint, type ProtocolOf, type StandardEvent } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import type { Day, Entry } from '../../../day/day.ts'
import type { AgreedMoment } from '../../../sync/agreedClock.ts'
import Gauge from '../../../ui/Gauge.vue'
import { useTick } from '../../../ui/useTick.ts'
import InstrumentTake from '../../instruments/InstrumentTake.vue'
import BigTime from '../../console/BigTime.vue'
import { useGrading } from '../../console/useGrading.ts'
import WatchChoice from '../../console/WatchChoice.vue'
import ConsoleFrame from '../../console/ConsoleFrame.vue'
import GateSwitch from './GateSwitch.vue'
import { sayTimes } from './timesOf.ts'

const props = defineProps<{
  day: Day
  event: StandardEvent & { readonly protocol: ProtocolOf<'sprint'> }
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
const nowMs = useTick(50)
/** 1 is the timer; a backup on another device may still stamp after the timer has. */
const watchNumber = ref(1)

const tries = computed(() => followSprint(protocol, own.value))
const current = computed(() => tries.value.at(-1))
const finishHere = computed(() => current.value?.finishes[watchNumber.value])
const isRunning = computed(() => current.value !== undefined && finishHere.value === undefined)
const elapsedMs = computed(() => {
  if (!current.value) return 0
  const startedAtMs = current.value.started.atMs
  return (finishHere.value?.atMs ?? Math.max(nowMs.value, startedAtMs)) - startedAtMs
})
const left = computed(() => protocol.attemptsAllowed - tries.value.length)

const start = (moment: AgreedMoment): void => grading.observe({ kind: 'started', payload: {} }, moment)
const finish = (): void => {
  const payload = watchNumber.value === 1 ? {} : { watch: watchNumber.value }
  if (isRunning.value) grading.observe({ kind: 'crossed', payload })
}
/** A false start: the try begins anew. */
const startAgain = (): void => {
  if (current.value && isRunning.value) grading.undo()
}
</script>

<template>
  <ConsoleFrame
    :day="day"
    :event="event"
    :entry="entry"
    :following="following"
    :grading="grading"
    :may-start="!isRunning && left > 0"
    :more-label="`Try ${tries.length + 1}: start commands`"
    :keys="{ ' ': finish, r: startAgain }"
    :strong-keys="isRunning ? [' '] : []"
    :help="[
      ['Space', 'finish'],
      ['R', 'false start: begin this try again'],
    ]"
    @go="start"
    @next="emit('next')"
    @back="emit('back')"
  >
    <template #figures>
      <BigTime :elapsed-ms="elapsedMs" :words="`try ${Math.max(1, tries.length)} of ${protocol.attemptsAllowed}`" />
      <Gauge
        v-if="mark?.cut"
        :cut="mark.cut"
        :value="tries.length > 0 ? Math.floor(elapsedMs / 100) * 100 : null"
        size="large"
      />
      <ul v-if="tries.length > 0" class="tries">
        <li v-for="(one, index) in tries" :key="one.started.id" class="sheet">
          Try {{ index + 1 }}
          <strong class="figures">{{ sayTimes(one) || 'under way' }}</strong>
        </li>
      </ul>
      <InstrumentTake :event="event" :grading="grading" />
    </template>
    <template #rules>
      <p v-if="protocol.touches">At each turn: {{ protocol.touches }}</p>
    </template>
    <button class="pad" :disabled="!ready || !isRunning" @pointerdown.prevent="finish">
      <strong>Finish</strong><span>tap anywhere here, or space</span>
    </button>
    <template #foot>
      <BButton variant="quiet" :disabled="!isRunning" @click="startAgain">False start <kbd>R</kbd></BButton>
      <GateSwitch v-if="protocol.timing === 'either'" :own="own" :disabled="!ready" @observe="grading.observe" />
      <WatchChoice v-model="watchNumber" />
    </template>
  </ConsoleFrame>
</template>

<style scoped lang="scss">
@use '../../console/pad';
.tries {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 0;
  padding: 0;
}
.tries li {
  padding: 8px 14px;
}
.tries strong {
  font-size: 1.25rem;
  margin-left: 8px;
}
</style>
