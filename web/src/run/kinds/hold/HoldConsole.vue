<script setup lang="ts">
/** Held positions: several people started together, each stopped with one touch, cautions counted, the cap watched. */
import {
  followHold,
  printTime,
  type Capture,
  type HeldPosition,
  type ProtocolOf,
  type StandardEvent,
} from '@able-gauge/core'
import { ref } from 'vue'
import type { Day, Entry } from '../../../day/day.ts'
import { useAgreedClock } from '../../../sync/agreedClock.ts'
import { wordFor } from '../../../ui/verdictWords.ts'
import LaneGauge from '../../console/LaneGauge.vue'
import LaneTime from '../../console/LaneTime.vue'
import TogetherRoom from '../../console/TogetherRoom.vue'
import { useTogether } from '../../console/useTogether.ts'
import WatchChoice from '../../console/WatchChoice.vue'

const props = defineProps<{
  day: Day
  event: StandardEvent & { readonly protocol: ProtocolOf<'heldPosition'> }
}>()

/** Keys are digits, so nine at most. */
const MOST = 9
const protocol: HeldPosition = props.event.protocol
const clock = useAgreedClock()
const watchNumber = ref(1)
/** A digit after C cautions, after F stops for safety. */
const armed = ref<'caution' | 'safety' | null>(null)

const holdOf = (own: readonly Capture[], asOfMs: number | null) => {
  const { started, end, cautions, backupsMs } = followHold(protocol, own, asOfMs)
  const startedAtMs = started?.atMs ?? null
  return {
    phase: end ? ('over' as const) : started ? ('running' as const) : ('ready' as const),
    span: { startedAtMs, endedAtMs: end?.atMs ?? null },
    endsAtMs: startedAtMs === null || protocol.capMs === undefined ? null : startedAtMs + protocol.capMs,
    cautionsLeft: protocol.cautionsAllowed - cautions,
    backupsMs,
  }
}
const together = useTogether(() => props.day, props.event, Math.min(MOST, protocol.notes?.peopleAtOnce ?? MOST), holdOf)
const { grading, lanes } = together
const { ready } = grading

const hasEnded = (id: string): boolean => followHold(protocol, grading.ownOf(id), clock.nowMs()).end !== null
const lost = ({ id }: Entry): void => {
  if (watchNumber.value > 1) grading.observe(id, { kind: 'crossed', payload: { watch: watchNumber.value } })
  else if (!hasEnded(id)) grading.observe(id, { kind: 'stopped', payload: { reason: 'ended' } })
}
const caution = ({ id }: Entry): void => {
  if (!hasEnded(id)) grading.observe(id, { kind: 'cautioned', payload: {} })
}
/** A backup watch may stop after the first has. */
const mayStop = ({ phase, backupsMs }: (typeof lanes.value)[number]): boolean =>
  phase === 'running' ||
  (watchNumber.value > 1 && phase === 'over' && backupsMs[`time-watch-${watchNumber.value}`] === undefined)
const onDigit = (digit: string): void => {
  const lane = lanes.value[Number(digit) - 1]
  const what = armed.value
  armed.value = null
  if (!lane || !mayStop(lane)) return
  if (what === 'caution') caution(lane.entry)
  else if (what === 'safety') grading.stop(lane.entry.id, 'safety')
  else lost(lane.entry)
}
const KEYS = {
  c: () => (armed.value = 'caution'),
  f: () => (armed.value = 'safety'),
  Escape: () => (armed.value = null),
}
</script>

<template>
  <TogetherRoom
    :day="day"
    :event="event"
    :together="together"
    :keys="() => KEYS"
    :on-digit="onDigit"
    :help="[
      ['1–9', 'that person has lost the position'],
      ['C, 1–9', 'caution for that person'],
      ['F, 1–9', 'stop that person for safety'],
    ]"
    sounds
  >
    <template #rules>
      <p>{{ protocol.position }}</p>
      <p class="quiet">
        Ends when: {{ protocol.endsWhen.join(', ').toLowerCase()
        }}<template v-if="protocol.capMs">. Stopped at {{ printTime(protocol.capMs) }}</template>.
      </p>
    </template>
    <template #above>
      <p v-if="armed" class="armed" role="status">
        {{ armed === 'caution' ? 'Caution' : 'Stop for safety' }}: press the number of the person, or Esc
      </p>
    </template>
    <template #lane="{ lane }">
      <LaneTime :span="lane.span" :bib="lane.entry.bib" />
      <LaneGauge v-if="lane.mark?.cut" :span="lane.span" :cut="lane.mark.cut" />
      <p v-if="lane.phase === 'over' && lane.mark" class="word">{{ wordFor(lane.mark) }}</p>
      <div v-if="mayStop(lane)" class="keys-row">
        <button class="lost" :disabled="!ready" @pointerdown.prevent="lost(lane.entry)">Position lost</button>
        <button v-if="lane.phase === 'running'" class="caution" :disabled="!ready" @click="caution(lane.entry)">
          Caution<small>{{ lane.cautionsLeft > 0 ? `${lane.cautionsLeft} left` : 'the next ends it' }}</small>
        </button>
      </div>
    </template>
    <template #foot><WatchChoice v-model="watchNumber" /></template>
  </TogetherRoom>
</template>

<style scoped lang="scss">
@use '../../console/pad';
.armed {
  margin: 0;
  padding: 8px 14px;
  background: var(--vest);
  color: var(--vest-ink);
  border-radius: 6px;
  font-weight: 700;
}
.word {
  margin: 0;
  font-weight: 700;
}
.keys-row {
  grid-template-columns: 2fr 1fr;
  grid-auto-flow: row;
}
.keys-row .lost {
  background: var(--pad);
  color: var(--pad-ink);
  border: 0;
  min-height: 72px;
  font-size: 1.125rem;
}
</style>
