<script setup lang="ts">
/** Beside the tiles: what this device keeps, what is to be looked at, and the crossings. */
import type { LapBoard } from '@able-gauge/core'
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import type { Entry } from '../../../day/day.ts'
import LapAlignment from './LapAlignment.vue'
import LapCrossings from './LapCrossings.vue'
import LapRepairs from './LapRepairs.vue'
import type { useLapRepairs } from './useLapRepairs.ts'

const props = defineProps<{
  board: LapBoard
  lapWord: string
  repairs: ReturnType<typeof useLapRepairs>
  entryOf: (entryId: string | null) => Entry | undefined
  /** The stamp without a bib that the typed bib goes to. */
  assigning: string | null
  mayCapture: boolean
}>()
const role = defineModel<number>('role', { required: true })
const emit = defineEmits<{
  /** A bib is to be put to a time; to the oldest without one when none is named. */
  assign: [captureId?: string]
  /** Bibs are put to times as the order of the finish has them. */
  assignAll: []
}>()

const { faults, aligned, differences, assignable } = props.repairs
const aligning = ref(false)
const unassigned = computed(() => props.board.crossings.filter(({ entryId }) => entryId === null).length)
const SHOWN_CROSSINGS = 14
const newest = computed(() =>
  // a time without a bib is shown however old it is
  props.board.crossings.filter(({ entryId }, index) => index < SHOWN_CROSSINGS || entryId === null),
)
</script>

<template>
  <aside class="side">
    <label class="role quiet">
      This device keeps
      <BFormSelect v-model="role">
        <option :value="1">the {{ lapWord }}s (timer)</option>
        <option :value="2">a backup watch</option>
        <option :value="3">a second backup watch</option>
        <option :value="0">the order of the finish</option>
      </BFormSelect>
    </label>
    <LapRepairs
      v-if="faults.length > 0 && board.startedAtMs !== null"
      :faults="faults"
      :lap-word="lapWord"
      :started-at-ms="board.startedAtMs"
      :entry-of="entryOf"
      :may-repair="mayCapture"
      @repair="repairs.repair"
      @dismiss="repairs.dismiss"
    />
    <section v-if="aligned.length > 0" class="sheet order" :class="{ look: differences > 0 }">
      <strong>Order of the finish</strong>
      <p>
        {{ differences === 0 ? 'It agrees with the times.' : `It parts from the times in ${differences} places.` }}
      </p>
      <BButton variant="quiet" @click="aligning = true">Lay them side by side</BButton>
    </section>
    <section v-if="unassigned > 0" class="sheet look unassigned">
      <strong>{{ unassigned }} {{ unassigned === 1 ? 'time' : 'times' }} without a bib</strong>
      <BButton v-if="mayCapture" variant="quiet" @click="emit('assign')">Put a bib <kbd>B</kbd></BButton>
      <p>Kept as stamped, until you know whose it is.</p>
    </section>
    <LapCrossings
      class="list"
      :crossings="newest"
      :lap-word="lapWord"
      :more="board.crossings.length - newest.length"
      :entry-of="entryOf"
      :assigning="assigning"
      :may-assign="mayCapture"
      @assign="(captureId) => emit('assign', captureId)"
    />
    <LapAlignment
      v-if="board.startedAtMs !== null"
      v-model="aligning"
      :rows="aligned"
      :started-at-ms="board.startedAtMs"
      :assignable="assignable.length"
      :may-assign="mayCapture"
      @assign="emit('assignAll')"
    />
  </aside>
</template>

<style scoped>
.side {
  display: flex;
  flex-direction: column;
  gap: 12px;
  min-height: 0;
  /* with very much to look at it scrolls; it never lies under the keys */
  overflow-y: auto;
}
.side > * {
  flex: none;
}
.role {
  display: flex;
  align-items: center;
  gap: 8px;
  white-space: nowrap;
}
.order {
  padding: 12px 14px;
}
.order p,
.look p {
  margin: 2px 0 8px;
}
.look {
  background: var(--decide-tint);
  border-color: var(--decide-edge);
  padding: 12px 14px;
}
.unassigned {
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: center;
  gap: 2px 10px;
}
.unassigned p {
  grid-column: 1 / -1;
  margin: 0;
  font-size: 0.8125rem;
}
/* what there is to look at gives way, crossings keep their room */
.side > .repairs {
  flex: 0 1 auto;
  min-height: 110px;
}
.side > .list {
  flex: 1 0 200px;
}
@media (max-width: 900px) {
  .side {
    overflow: visible;
  }
}
</style>
