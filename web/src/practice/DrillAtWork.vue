<script setup lang="ts">
/** The set while it is worked. The console is the one of the day: what is learnt here is what is done there. */
import type { StandardEvent } from '@able-gauge/core'
import { drillStyle, practiceOf, type View } from '@able-gauge/core/drill'
import { useIntervalFn, useTimeoutFn } from '@vueuse/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import type { Day } from '../day/day.ts'
import { CONSOLES, READINGS } from '../run/consoles.ts'
import { useAgreedClock } from '../sync/agreedClock.ts'
import DrillStage from './DrillStage.vue'
import FinishStage from './FinishStage.vue'
import ReachStage from './ReachStage.vue'
import { hasFront } from './frames.ts'
import type { PracticeSet } from './practiceDay.ts'
import { useDrill, type DrillAtWork } from './useDrill.ts'

const props = defineProps<{
  day: Day
  event: StandardEvent
  set: PracticeSet
}>()
const emit = defineEmits<{ over: [atWork: DrillAtWork] }>()

const clock = useAgreedClock()
const atWork = useDrill(props.set, props.event)
const { drill, runners, reaches, ruler, shown, startedAtMs, isOver, elapsedMs, durationMs } = atWork
const { protocol } = props.event
const zoneCm = (practiceOf(protocol)?.zoneMm ?? 0) / 10
const view = ref<View>('side')
const { ofOne, ofGroup, inLanes } = CONSOLES[protocol.kind]
const groupConsole = props.set.lanes > 1 && inLanes ? inLanes : ofGroup
const isStarted = computed(() => startedAtMs.value.some((atMs) => atMs !== null))

let isTold = false
const tell = (): void => {
  if (isTold) return
  isTold = true
  atWork.leave(clock.nowMs())
  emit('over', atWork)
}
/** Whoever is still counted so long after the last of it is looked at as it is. */
const AFTER_MS = 6_000
/** The last press is still seen on the console. */
const LOOK_AFTER_MS = 1_200
const lookSoon = useTimeoutFn(tell, LOOK_AFTER_MS, { immediate: false })
// what was undone is not over
watch(isOver, (is) => (is ? lookSoon.start() : lookSoon.stop()))
useIntervalFn(() => {
  if (isStarted.value && elapsedMs(clock.nowMs()) > durationMs + AFTER_MS) tell()
}, 500)
const hint = computed(() => {
  if (ruler) return ruler.lesserHand ? 'Type where the hand further back stays.' : 'Type where the fingers stay.'
  if (!drill) return 'Stamp everybody at the line, and put the bibs to the stamps.'
  if (drillStyle(drill.spec.movement) === 'counted') return 'Count what is sound, refuse what is not, with its reason.'
  return props.set.what === 'shuttleTurn'
    ? 'Miss whoever is not within the zone at the signal.'
    : 'A caution for every time the form is lost; end it when the position is.'
})
</script>

<template>
  <main class="drill" :class="{ wide: groupConsole !== undefined, read: ruler !== null }">
    <section class="sheet stage">
      <header>
        <p>{{ hint }}</p>
        <div v-if="drill && hasFront(drill.spec.movement)" role="group" aria-label="Seen from">
          <BButton variant="quiet" size="sm" :aria-pressed="view === 'side'" @click="view = 'side'">Side</BButton>
          <BButton variant="quiet" size="sm" :aria-pressed="view === 'front'" @click="view = 'front'">Front</BButton>
        </div>
        <BButton variant="quiet" size="sm" :disabled="!isStarted" @click="tell">Look at it now</BButton>
      </header>
      <div class="moving">
        <DrillStage v-if="drill" :drill="drill" :started-at-ms="startedAtMs" :view="view" :zone-cm="zoneCm" />
        <ReachStage v-else-if="ruler" v-model="shown" :reaches="reaches" :ruler="ruler" />
        <FinishStage v-else :runners="runners" :started-at-ms="startedAtMs[0] ?? null" />
      </div>
      <p v-if="drill && drill.notShown.length > 0" class="quiet">Not shown here: {{ drill.notShown.join(', ') }}.</p>
    </section>
    <div class="seat">
      <component :is="groupConsole" v-if="groupConsole" :day="day" :event="event" />
      <component
        :is="ofOne ?? READINGS"
        v-else-if="day.entries[0]"
        :day="day"
        :event="event"
        :entry="day.entries[0]"
        :following="undefined"
      />
    </div>
  </main>
</template>

<style scoped>
.drill {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 14px;
  padding: 14px 20px;
  height: calc(100dvh - 64px);
  min-height: 0;
}
.stage {
  display: flex;
  flex-direction: column;
  padding: 12px 16px;
  min-height: 0;
}
.stage header {
  display: flex;
  gap: 10px;
  align-items: center;
}
.stage header p {
  margin: 0 auto 0 0;
  font-weight: 650;
}
.stage [role='group'] {
  display: flex;
  gap: 4px;
}
.stage [aria-pressed='true'] {
  background: var(--tint);
  font-weight: 700;
}
.moving {
  flex: 1;
  min-height: 0;
}
.stage > p {
  margin: 6px 0 0;
}
.seat {
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
  overflow-y: auto;
}
.seat > :deep(section) {
  flex: 1;
}
.seat > :deep(main) {
  padding: 0;
  flex: 1;
  max-height: none;
}
/* the fields stand side by side, and what they amount to below them */
.read .seat :deep(.columns) {
  grid-template-columns: minmax(0, 1fr);
}
/* nobody waits to be put on here: the lanes stand below those who move */
@media (min-width: 901px) {
  .wide .seat :deep(.shared) {
    grid-template-columns: minmax(0, 1fr);
  }
  .wide .seat :deep(.side) {
    display: none;
  }
  .wide .seat :deep(.tiles) {
    grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
  }
}
/* a console of several takes the whole width: who moves stands above it */
.wide {
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: minmax(170px, 34%) minmax(0, 1fr);
}
@media (max-width: 900px) {
  .drill {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: 25dvh minmax(0, 1fr);
    padding: 8px;
    gap: 8px;
    height: calc(100dvh - 52px);
  }
  .read {
    grid-template-rows: 38dvh minmax(0, 1fr);
  }
  .stage {
    padding: 6px 8px;
  }
  .stage header p,
  .stage > p,
  .seat :deep(.head) {
    display: none;
  }
}
</style>
