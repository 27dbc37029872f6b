<script setup lang="ts">
/** Stamps that were probably missed or doubled, each with the repair that is offered. */
import { BButton } from 'bootstrap-vue-next'
import { printTime, type LapFault } from '@able-gauge/core'
import { computed } from 'vue'
import type { Entry } from '../../../day/day.ts'
import { faultKey } from './faultKey.ts'

const props = defineProps<{
  faults: readonly LapFault[]
  lapWord: string
  startedAtMs: number
  entryOf: (entryId: string | null) => Entry | undefined
  mayRepair: boolean
}>()
const emit = defineEmits<{ repair: [fault: LapFault]; dismiss: [fault: LapFault] }>()

/** One after the other: as many as can be read, the others come up as these are answered. */
const SHOWN = 6
const shown = computed(() => props.faults.slice(0, SHOWN))

const tenths = (atMs: number): string => printTime(Math.round((atMs - props.startedAtMs) / 100) * 100, 1)
const wordsFor = (fault: LapFault): string => {
  if (fault.kind === 'doubled') {
    return fault.lap === 0
      ? `stamped at ${tenths(fault.atMs)}, sooner than anybody comes round`
      : `${props.lapWord} ${fault.lap} was probably touched twice, again at ${tenths(fault.atMs)}`
  }
  return fault.atMs === null ? 'the finish was probably missed' : `${props.lapWord} ${fault.lap} was probably missed`
}
const offerFor = (fault: LapFault): string =>
  fault.kind === 'doubled'
    ? fault.lap === 0
      ? 'Take it off'
      : 'Take the second off'
    : fault.atMs === null
      ? ''
      : `Put it in at ${tenths(fault.atMs)}`
</script>

<template>
  <section class="sheet repairs" aria-label="Probable mistakes">
    <strong>{{ faults.length }} {{ faults.length === 1 ? 'stamp' : 'stamps' }} to look at</strong>
    <ul>
      <li v-for="fault in shown" :key="faultKey(fault)">
        <span><strong class="figures">{{ entryOf(fault.entryId)?.bib }}</strong> {{ wordsFor(fault) }}</span>
        <p v-if="fault.kind === 'missed' && fault.atMs === null">
          A finish is never estimated. Put a time without a bib to it, or type it from the backup watch.
        </p>
        <div v-if="mayRepair" class="offers">
          <BButton v-if="offerFor(fault)" variant="quiet" size="sm" @click="emit('repair', fault)">
            {{ offerFor(fault) }}
          </BButton>
          <BButton variant="quiet" size="sm" @click="emit('dismiss', fault)">Leave it</BButton>
        </div>
      </li>
    </ul>
    <p v-if="faults.length > shown.length">{{ faults.length - shown.length }} more come up as these are answered.</p>
  </section>
</template>

<style scoped>
.repairs {
  background: var(--decide-tint);
  border-color: var(--decide-edge);
  padding: 12px 14px;
  overflow-y: auto;
  max-height: 45%;
}
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
}
li {
  padding: 6px 0;
  border-top: 1px solid var(--decide-edge);
}
p {
  margin: 2px 0;
  font-size: 0.8125rem;
}
.offers {
  display: flex;
  gap: 6px;
  margin-top: 4px;
}
.offers .btn {
  min-height: 40px;
}
@media (max-width: 900px) {
  .repairs {
    max-height: none;
  }
}
</style>
