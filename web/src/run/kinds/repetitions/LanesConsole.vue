<script setup lang="ts">
/** One grader with up to four lanes: everybody starts together, each lane is counted, refused and cautioned on its own. */
import type { BeatStretch, Observation } from '@able-gauge/core'
import { computed, ref } from 'vue'
import type { Day, Entry } from '../../../day/day.ts'
import BeatLight from '../../../sound/BeatLight.vue'
import { useBeat } from '../../../sound/useBeat.ts'
import { useAgreedClock } from '../../../sync/agreedClock.ts'
import TogetherRoom from '../../console/TogetherRoom.vue'
import { useTogether } from '../../console/useTogether.ts'
import LaneClock from './LaneClock.vue'
import LaneTile from './LaneTile.vue'
import { repetitionLane, type LaneKeys } from './repetitionLane.ts'
import type { RepetitionEvent } from './useRepetitions.ts'

const props = defineProps<{
  day: Day
  event: RepetitionEvent
}>()

const LANES = 4
const LANE_KEYS: readonly LaneKeys[] = [
  { count: '1', refuse: 'q', caution: 'a', end: 'z', other: '5', again: 't' },
  { count: '2', refuse: 'w', caution: 'd', end: 'v', other: '6', again: 'y' },
  { count: '3', refuse: 'e', caution: 'g', end: 'b', other: '7', again: 'i' },
  { count: '4', refuse: 'r', caution: 'h', end: 'm', other: '8', again: 'o' },
]
const keysOf = (index: number): LaneKeys => LANE_KEYS[index] ?? (LANE_KEYS[0] as LaneKeys) // there are four lanes

const { protocol } = props.event
const clock = useAgreedClock()
const together = useTogether(
  () => props.day,
  props.event,
  LANES,
  (own, asOfMs) => repetitionLane(protocol, own, asOfMs),
)
const { grading, lanes, running } = together
/** The lane whose refusal still asks for its reason. */
const refusing = ref<string | null>(null)

const observe = ({ id }: Entry, observation: Observation): void => {
  if (observation.kind === 'refused') refusing.value = null
  if (repetitionLane(protocol, grading.ownOf(id), clock.nowMs()).phase === 'running') grading.observe(id, observation)
}
/** With one reason only there is nothing to ask. */
const beginRefusing = (entry: Entry): void => {
  const [only, another] = protocol.refusals
  if (only && !another) observe(entry, { kind: 'refused', payload: { reason: only.id } })
  else refusing.value = entry.id
}

const perRepetition = protocol.kind === 'repetitionsToCadence' ? protocol.beatsPerRepetition : 1
const plan: readonly BeatStretch[] =
  protocol.kind === 'repetitionsToCadence' ? [{ beatsPerMinute: protocol.beatsPerMinute, durationMs: Infinity }] : []
const beatFromMs = computed(() => running.value[0]?.attempt.startedAtMs ?? null)
useBeat(
  () => plan,
  perRepetition,
  () => beatFromMs.value,
)

const laneKeys = (index: number): readonly (readonly [string, () => void])[] => {
  const lane = lanes.value[index]
  if (lane?.phase !== 'running') return []
  const { entry, restKind } = lane
  const keys = keysOf(index)
  return [
    [keys.count, () => observe(entry, { kind: 'counted', payload: {} })],
    [keys.refuse, () => beginRefusing(entry)],
    [keys.caution, () => observe(entry, { kind: 'cautioned', payload: {} })],
    [keys.end, () => observe(entry, { kind: 'stopped', payload: { reason: 'ended' } })],
    ...(plan.length > 0 ? [[keys.other, () => observe(entry, { kind: 'missed', payload: {} })] as const] : []),
    ...(restKind ? [[keys.other, () => observe(entry, { kind: restKind, payload: {} })] as const] : []),
    ...(lane.mayRestart
      ? [[keys.again, () => observe(entry, { kind: 'restarted', payload: { reason: 'fault explained' } })] as const]
      : []),
  ]
}
const keys = (): Readonly<Record<string, () => void>> => {
  const asked = lanes.value.find(({ entry }) => entry.id === refusing.value)?.entry
  // while a refusal asks for its reason, digits are reasons
  const own = asked
    ? protocol.refusals.map(
        ({ id }, index) =>
          [String(index + 1), () => observe(asked, { kind: 'refused', payload: { reason: id } })] as const,
      )
    : lanes.value.flatMap((_, index) => laneKeys(index))
  return { ...Object.fromEntries(own), Escape: () => (refusing.value = null) }
}
</script>

<template>
  <TogetherRoom
    class="lanes"
    :day="day"
    :event="event"
    :together="together"
    :keys="keys"
    :numbered="false"
    :sounds="plan.length > 0"
    :help="[
      ['1 2 3 4', 'count in that lane'],
      ['Q W E R', 'refuse in that lane, then the number of the reason'],
      ['A D G H', 'caution in that lane'],
      ['5 6 7 8', 'missed beat in that lane, or a rest for which its clock stands'],
      ['T Y I O', 'that lane begins again, while the protocol allows it'],
      ['Z V B M', 'the candidate of that lane ends'],
    ]"
  >
    <template #rules><p>{{ protocol.countsWhen }}</p></template>
    <template #above>
      <BeatLight v-if="plan.length > 0" :plan="plan" :started-at-ms="beatFromMs" :per-cycle="perRepetition" />
    </template>
    <template #head="{ lane }"><LaneClock :lane="lane" :protocol="protocol" /></template>
    <template #lane="{ lane, index }">
      <LaneTile
        :lane="lane"
        :protocol="protocol"
        :keys="keysOf(index)"
        :asking="refusing === lane.entry.id"
        :ready="grading.ready.value"
        @observe="(observation) => observe(lane.entry, observation)"
        @ask-reason="beginRefusing(lane.entry)"
      />
    </template>
  </TogetherRoom>
</template>

<style scoped>
.lanes {
  --tile: 320px;
  --tiles-flex: 1;
}
</style>
