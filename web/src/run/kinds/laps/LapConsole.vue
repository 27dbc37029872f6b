<script setup lang="ts">
/** The lap console: one wave on the course, stamped by bib, by the next expected runner, or time first. */
import { lapWord } from '@able-gauge/core'
import { storeToRefs } from 'pinia'
import { computed, ref, useTemplateRef } from 'vue'
import type { Day, Entry } from '../../../day/day.ts'
import { useDay } from '../../../day/dayStore.ts'
import { useAfterPaint } from '../../../ui/useAfterPaint.ts'
import EventStrip from '../../EventStrip.vue'
import StartCommands from '../../start/StartCommands.vue'
import { useKeys } from '../../useKeys.ts'
import LapClock from './LapClock.vue'
import LapDialogs from './LapDialogs.vue'
import LapKeys from './LapKeys.vue'
import LapMessage from './LapMessage.vue'
import LapSheets from './LapSheets.vue'
import LapSide from './LapSide.vue'
import LapTiles from './LapTiles.vue'
import { useTypedBib } from '../../console/useTypedBib.ts'
import WaveChoice from '../../console/WaveChoice.vue'
import { useLapConsole, type RunEvent } from './useLapConsole.ts'
import { useLapStage } from './useLapStage.ts'
import { useLapTyping } from './useLapTyping.ts'
import { useLapRepairs } from './useLapRepairs.ts'

const props = defineProps<{
  day: Day
  event: RunEvent
}>()

const store = useDay()
const lap = useLapConsole(() => props.day, props.event)
const { role, waves, wave, runners, unassigned, mayCapture, ready } = lap
// A press is painted as the line that names bib, lap and time; tiles and list follow in the frame after, as the stamp stands on
// record already. What a key may do is asked of the record, never of what is shown.
const shown = useAfterPaint(() => ({ board: lap.board.value, next: lap.next.value, stillOut: lap.stillOut.value }))
const board = computed(() => shown.value.board)
const next = computed(() => shown.value.next)
const stillOut = computed(() => shown.value.stillOut)
/** Asked for each runner each time the tiles are drawn: past the store's own wrapping of what is called on it. */
const { entriesById } = storeToRefs(store)
const entryOf = (entryId: string | null): Entry | undefined =>
  entryId === null ? undefined : entriesById.value.get(entryId)

const repairs = useLapRepairs(
  props.event,
  () => runners.value,
  () => wave.value,
)
const assignFromOrder = (): void => {
  for (const { captureId, bib } of repairs.assignable.value) lap.assign(captureId, bib)
}

const keys = useTemplateRef('keys')
const bib = useTypedBib(
  () => runners.value,
  () => wave.value,
)
const { assigning, enter, beginAssigning, clear } = useLapTyping(bib, lap.crossBib, lap.assign, () =>
  keys.value?.field(),
)
const assignOldest = (): void => beginAssigning(unassigned.value.at(-1)?.captureId ?? null)
/** The bib of the last crossing was read wrongly. */
const assignLast = (): void => {
  const last = lap.board.value.crossings.find(({ entryId }) => entryId !== null)
  if (last) beginAssigning(last.captureId)
}
const [starting, stopping, puttingRight, helping] = [ref(false), ref(false), ref(false), ref(false)]

const { started, starts, onCourse, isIn, nextWave, setOutWords, endedAtMs, cut, cutOf, outEntries } = useLapStage(
  { ...lap, board, next, stillOut },
  () => props.day,
  props.event,
)
const beginStart = (): void => {
  const isStarted = lap.board.value.startedAtMs !== null
  if (!isStarted && ready.value && runners.value.length > 0) starting.value = true
}

const onGo = (moment: Parameters<typeof lap.start>[0]): void => {
  starting.value = false
  lap.start(moment)
}

const KEYS: Readonly<Record<string, () => void>> = {
  Enter: enter,
  ' ': () => lap.crossNext(),
  n: () => lap.crossUnknown(),
  u: () => lap.undo(),
  b: assignOldest,
  w: assignLast,
  j: () => (puttingRight.value = ready.value),
  x: () => (stopping.value = lap.stillOut.value > 0),
  s: beginStart,
  Escape: () => {
    starting.value = false
    clear()
  },
  Backspace: bib.backspace,
}
useKeys({
  actionFor: (name) => {
    if (name === '?') return () => (helping.value = !helping.value)
    if (!mayCapture.value) return undefined
    return /^\d$/.test(name) ? () => bib.type(name) : KEYS[name]
  },
  ownField: () => keys.value?.field() ?? null,
  winsOverButtons: bib.wantsKey,
})
</script>

<template>
  <main class="console">
    <EventStrip class="strip" :day="day" :current="event.id" />

    <div class="main">
      <WaveChoice v-model="wave" :waves="waves" />

      <StartCommands
        v-if="starting"
        :day="day"
        :event="event"
        :entries="runners"
        @go="onGo"
        @cancel="starting = false"
      />
      <LapClock
        v-else-if="board.startedAtMs !== null"
        :wave="wave"
        :started-at-ms="board.startedAtMs"
        :ended-at-ms="endedAtMs"
        :zone="day.occasion.zone"
        :cut="cut"
        :cut-of="cutOf"
        :limit-ms="event.protocol.limitMs"
      />
      <LapSheets
        v-if="isIn || (!started && !starting)"
        :wave="wave"
        :next-wave="nextWave"
        :people="runners.length"
        :set-out="setOutWords"
        :is-in="isIn"
        :may-capture="mayCapture"
        :ready="ready"
        @start="beginStart"
        @next="(one) => (wave = one)"
      />
      <LapTiles
        :runners="board.runners"
        :laps="board.laps"
        :lap-word="lapWord(event.protocol)"
        :entry-of="entryOf"
        :next-id="next?.entryId"
        :active="ready && started"
        :any-time="role !== 1"
        @cross="lap.crossEntry"
      />
    </div>

    <LapSide
      v-model:role="role"
      :board="board"
      :lap-word="lapWord(event.protocol)"
      :repairs="repairs"
      :entry-of="entryOf"
      :assigning="assigning"
      :may-capture="mayCapture"
      @assign="(captureId) => (captureId ? beginAssigning(captureId) : assignOldest())"
      @assign-all="assignFromOrder"
    />

    <LapKeys
      v-if="mayCapture"
      ref="keys"
      :bib="bib"
      class="keys"
      :assigning="assigning !== null"
      :started="started"
      :on-course="onCourse"
      @enter="enter"
      @next="lap.crossNext()"
      @later="lap.crossUnknown()"
      @undo="lap.undo()"
      @stop="stopping = true"
      @put-right="puttingRight = true"
      @help="helping = true"
    >
      <LapMessage :message="lap.message" :on-course="onCourse" />
    </LapKeys>
    <LapDialogs
      v-model:stopping="stopping"
      v-model:putting-right="puttingRight"
      v-model:helping="helping"
      :day="day"
      :event="event"
      :lap="lap"
      :wave="wave"
      :starts="starts"
      :out="outEntries"
    />
  </main>
</template>

<style scoped>
.console {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 336px;
  grid-template-rows: auto 1fr auto;
  gap: 12px 16px;
  padding: 12px 20px;
  max-height: calc(100dvh - 64px - var(--told-above, 0px));
  min-height: 0;
}
.strip,
.keys {
  grid-column: 1 / -1;
}
.main {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
  overflow-y: auto;
  padding: 4px;
  margin: -4px;
}
/* each fills its place whatever is in it, so that a stamp lays out nothing around it */
@media (min-width: 901px) {
  .main,
  .console > :deep(.side) {
    contain: size layout style;
  }
}
@media (max-width: 900px) {
  .console {
    display: flex;
    flex-direction: column;
    padding: 10px 12px;
    max-height: none;
  }
  .keys {
    order: 3;
  }
  .console > :deep(.side) {
    order: 4;
  }
}
</style>
