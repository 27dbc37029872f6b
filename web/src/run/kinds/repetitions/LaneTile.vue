<script setup lang="ts">
/** One lane: the count to touch, reasons to refuse, cautions, missed beats, rests, beginning again, the end. */
import type { CountedProtocol, Observation } from '@able-gauge/core'
import { computed } from 'vue'
import Gauge from '../../../ui/Gauge.vue'
import { wordFor } from '../../../ui/verdictWords.ts'
import type { Lane } from '../../console/useTogether.ts'
import type { LaneKeys, RepetitionLane } from './repetitionLane.ts'

const props = defineProps<{
  lane: Lane & RepetitionLane
  protocol: CountedProtocol
  /** What each key of this lane does, in upper case. */
  keys: LaneKeys
  /** Whether its refusal still asks for the reason. */
  asking: boolean
  ready: boolean
}>()
const emit = defineEmits<{ observe: [observation: Observation]; askReason: [] }>()

const refused = computed(() => Object.values(props.lane.attempt.tally.refused).reduce((sum, count) => sum + count, 0))
const leftWords = (left: number): string => (left > 0 ? `${left} left` : 'the next ends it')
const cap = (key: string): string => key.toUpperCase()
const missesLeft = computed(() =>
  props.protocol.missedBeatsAllowed === undefined
    ? null
    : props.protocol.missedBeatsAllowed - props.lane.attempt.missedBeats,
)
</script>

<template>
  <button
    class="pad"
    :disabled="!ready || lane.phase !== 'running'"
    :aria-label="`Count, bib ${lane.entry.bib}`"
    @pointerdown.prevent="emit('observe', { kind: 'counted', payload: {} })"
  >
    <span class="count">
      <strong class="figures" :data-bib="lane.entry.bib">{{ lane.attempt.tally.counted }}</strong>
    </span>
    <span v-if="lane.phase === 'over' && lane.mark">{{ wordFor(lane.mark) }}</span>
    <span v-else>count <kbd>{{ cap(keys.count) }}</kbd></span>
  </button>
  <Gauge v-if="lane.mark?.cut" :cut="lane.mark.cut" :value="lane.attempt.tally.counted" />
  <div v-if="asking" class="keys-row reasons">
    <button
      v-for="(reason, index) in protocol.refusals"
      :key="reason.id"
      class="refuse"
      @click="emit('observe', { kind: 'refused', payload: { reason: reason.id } })"
    >
      {{ reason.label }} <kbd>{{ index + 1 }}</kbd>
    </button>
  </div>
  <div v-else-if="lane.phase === 'running'" class="keys-row">
    <button class="refuse" :disabled="!ready" @click="emit('askReason')">
      Refuse <kbd>{{ cap(keys.refuse) }}</kbd><small>{{ refused }} refused</small>
    </button>
    <button class="caution" :disabled="!ready" @click="emit('observe', { kind: 'cautioned', payload: {} })">
      Caution <kbd>{{ cap(keys.caution) }}</kbd><small>{{ leftWords(lane.cautionsLeft) }}</small>
    </button>
    <button
      v-if="missesLeft !== null"
      class="caution"
      :disabled="!ready"
      @click="emit('observe', { kind: 'missed', payload: {} })"
    >
      Missed beat <kbd>{{ cap(keys.other) }}</kbd><small>{{ leftWords(missesLeft) }}</small>
    </button>
    <button v-if="lane.restKind" :disabled="!ready" @click="emit('observe', { kind: lane.restKind, payload: {} })">
      {{ lane.restKind === 'paused' ? 'Rests' : 'Goes on' }} <kbd>{{ cap(keys.other) }}</kbd><small>clock stands</small>
    </button>
    <button
      v-if="lane.mayRestart"
      @click="emit('observe', { kind: 'restarted', payload: { reason: 'fault explained' } })"
    >
      Again <kbd>{{ cap(keys.again) }}</kbd><small>explained</small>
    </button>
    <button :disabled="!ready" @click="emit('observe', { kind: 'stopped', payload: { reason: 'ended' } })">
      Ends <kbd>{{ cap(keys.end) }}</kbd>
    </button>
  </div>
</template>

<style scoped lang="scss">
@use '../../console/pad';
.pad {
  min-height: 72px;
  padding: 4px;
  gap: 2px;
}
.count {
  align-self: stretch;
}
/* one more lays out the figure alone */
.count strong {
  contain: size layout style;
  display: block;
  height: 1.1em;
  font-size: 2.8rem;
}
.keys-row {
  grid-auto-flow: row;
  grid-template-columns: repeat(auto-fit, minmax(92px, 1fr));
}
/* four lanes with all their keys stand on one screen of a laptop */
.keys-row button {
  min-height: 52px;
  padding: 2px;
}
@media (max-width: 900px) {
  .pad {
    min-height: 110px;
  }
  .keys-row {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
