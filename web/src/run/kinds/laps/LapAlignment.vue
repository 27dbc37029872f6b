<script setup lang="ts">
/** The timer's times beside the order of the finish, laid along each other, with what parts them. */
import { printTime, type AlignedRow } from '@able-gauge/core'
import { BButton, BModal } from 'bootstrap-vue-next'

const props = defineProps<{
  rows: readonly AlignedRow[]
  startedAtMs: number
  /** How many times get a bib from the order. */
  assignable: number
  mayAssign: boolean
}>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ assign: [] }>()

const tenths = (atMs: number): string => printTime(Math.round((atMs - props.startedAtMs) / 100) * 100, 1)
const wordsFor = (row: AlignedRow): string => {
  if (row.kind === 'timeOnly') return 'a time nobody was written down for'
  if (row.kind === 'finisherOnly') return 'written down, but no time'
  if (row.differs) return 'the two lists name different people'
  return row.time.bib === null ? 'bib from the order' : 'agree'
}
</script>

<template>
  <BModal v-model="open" title="Times and order of the finish" size="lg" no-footer>
    <table class="table">
      <thead>
        <tr>
          <th scope="col">Time</th>
          <th scope="col">Timer</th>
          <th scope="col">Order</th>
          <th scope="col"></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, index) in rows" :key="index" :class="{ parts: row.kind !== 'pair' || row.differs }">
          <td class="figures">{{ row.kind === 'finisherOnly' ? '–' : tenths(row.time.atMs) }}</td>
          <td class="figures">{{ row.kind === 'finisherOnly' ? '–' : (row.time.bib ?? 'no bib') }}</td>
          <td class="figures">{{ row.kind === 'timeOnly' ? '–' : (row.finisher.bib ?? '?') }}</td>
          <td>{{ wordsFor(row) }}</td>
        </tr>
      </tbody>
    </table>
    <BButton v-if="mayAssign" variant="primary" :disabled="assignable === 0" @click="emit('assign')">
      {{ assignable === 0 ? 'Every time has its bib' : `Put ${assignable} bibs from the order to their times` }}
    </BButton>
  </BModal>
</template>

<style scoped>
.parts td {
  background: var(--decide-tint);
}
</style>
