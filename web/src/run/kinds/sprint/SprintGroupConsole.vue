<script setup lang="ts">
/** A sprint several run at once: one start, a touch for each at the finish, the next try for all who have one left. */
import { followSprint, type Capture, type ProtocolOf, type StandardEvent } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { ref } from 'vue'
import type { Day, Entry } from '../../../day/day.ts'
import { wordFor } from '../../../ui/verdictWords.ts'
import LaneGauge from '../../console/LaneGauge.vue'
import LaneTime from '../../console/LaneTime.vue'
import TogetherRoom from '../../console/TogetherRoom.vue'
import { useTogether } from '../../console/useTogether.ts'
import WatchChoice from '../../console/WatchChoice.vue'
import GateSwitch from './GateSwitch.vue'
import { sayTimes, timesOf } from './timesOf.ts'

const props = defineProps<{
  day: Day
  event: StandardEvent & { readonly protocol: ProtocolOf<'sprint'> }
}>()

/** Keys are digits, so nine at most. */
const MOST = 9
const { protocol } = props.event
/** 1 is the timer; a backup on another device may still stamp after the timer has. */
const watchNumber = ref(1)

const runOf = (own: readonly Capture[]) => {
  const tries = followSprint(protocol, own)
  const current = tries.at(-1)
  const finish = current?.finishes[watchNumber.value]
  const isOut = own.some(({ kind, payload }) => kind === 'stopped' && payload.reason !== 'ended')
  const isRunning = current !== undefined && finish === undefined && !isOut
  const hasTry = tries.length < protocol.attemptsAllowed && !isOut
  return {
    tries,
    phase: isRunning ? ('running' as const) : hasTry ? ('ready' as const) : ('over' as const),
    hasMore: tries.length > 0 && (isRunning || hasTry),
    span: { startedAtMs: current?.started.atMs ?? null, endedAtMs: finish?.atMs ?? null },
  }
}
const together = useTogether(
  () => props.day,
  props.event,
  Math.min(MOST, protocol.notes?.peopleAtOnce ?? MOST),
  runOf,
  () => watchNumber.value,
)
const { grading, lanes, running } = together

const finish = ({ id }: Entry): void => {
  if (runOf(grading.ownOf(id)).phase !== 'running') return
  grading.observe(id, {
    kind: 'crossed',
    payload: watchNumber.value === 1 ? {} : { watch: watchNumber.value },
  })
}
const onDigit = (digit: string): void => {
  const lane = lanes.value[Number(digit) - 1]
  if (lane) finish(lane.entry)
}
/** A false start: the try begins anew for all who run. */
const startAgain = (): void => {
  for (const { tries } of running.value) {
    const start = tries.at(-1)?.started
    if (start) grading.takeBack(start, 'false start')
  }
}
</script>

<template>
  <TogetherRoom
    :day="day"
    :event="event"
    :together="together"
    :keys="() => ({ r: startAgain })"
    :on-digit="onDigit"
    :help="[
      ['1–9', 'that person is at the finish'],
      ['R', 'false start: all begin this try again'],
    ]"
  >
    <template #rules>
      <p v-if="protocol.touches">At each turn: {{ protocol.touches }}</p>
    </template>
    <template #lane="{ lane }">
      <div class="run">
        <LaneTime :span="lane.span" :bib="lane.entry.bib" />
        <button
          v-if="lane.phase === 'running'"
          class="pad"
          :disabled="!grading.ready.value"
          @pointerdown.prevent="finish(lane.entry)"
        >
          <strong>Finish</strong>
        </button>
      </div>
      <LaneGauge v-if="lane.mark?.cut" :span="lane.span" :cut="lane.mark.cut" />
      <p class="quiet">
        <span v-for="(one, index) in lane.tries" :key="one.started.id">
          {{ timesOf(one).length === 0 ? `Try ${index + 1} of ${protocol.attemptsAllowed}` : `Try ${index + 1}:` }}
          <strong class="figures">{{ sayTimes(one) }}</strong>
        </span>
      </p>
      <p v-if="lane.phase === 'over' && lane.mark" class="word">{{ wordFor(lane.mark) }}</p>
    </template>
    <template #foot>
      <BButton variant="quiet" :disabled="running.length === 0" @click="startAgain">False start <kbd>R</kbd></BButton>
      <GateSwitch
        v-if="protocol.timing === 'either' && lanes[0]"
        :own="grading.ownOf(lanes[0].entry.id)"
        :disabled="!grading.ready.value"
        @observe="(observation) => lanes.forEach(({ entry }) => grading.observe(entry.id, observation))"
      />
      <WatchChoice v-model="watchNumber" />
    </template>
  </TogetherRoom>
</template>

<style scoped lang="scss">
@use '../../console/pad';
.run {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
}
.run .pad {
  flex: 1 0 110px;
  min-height: 80px;
}
p {
  margin: 0;
  display: flex;
  gap: 14px;
}
.word {
  font-weight: 700;
}
</style>
