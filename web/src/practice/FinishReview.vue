<script setup lang="ts">
/** A finish looked back on: who crossed when, and what was stamped. */
import { printTime, type DrillResult, type Standard } from '@able-gauge/core'
import { NO_BIB, scoreFinish, type FinishResult } from '@able-gauge/core/drill'
import { computed } from 'vue'
import DrillNext from './DrillNext.vue'
import EyeFigures from './EyeFigures.vue'
import type { PracticeSet } from './practiceDay.ts'
import type { DrillAtWork } from './useDrill.ts'

const props = defineProps<{
  set: PracticeSet
  standard: Standard
  atWork: DrillAtWork
  kept: DrillResult | null
  waits: boolean
}>()
const emit = defineEmits<{ again: [] }>()

const score = computed(() =>
  scoreFinish(
    props.atWork.runners,
    props.atWork.answers.value.map(({ answer, atMs }) => ({ bib: answer === NO_BIB ? null : Number(answer), atMs })),
  ),
)
const WORDS: Readonly<Record<FinishResult, string>> = {
  right: 'right',
  wrongBib: 'the stamp of somebody else',
  late: 'not at the line',
  missing: 'no stamp',
}
const apart = (stampedAtMs: number | null, crossesAtMs: number): string => {
  if (stampedAtMs === null) return ''
  const seconds = (stampedAtMs - crossesAtMs) / 1_000
  return `${seconds < 0 ? '−' : '+'}${Math.abs(seconds).toFixed(1)} s`
}
</script>

<template>
  <main class="review">
    <section class="sheet eye">
      <h1>Your finish</h1>
      <EyeFigures
        :figures="[
          [(score.right / score.runners.length).toFixed(2), `${score.right} of ${score.runners.length} right`],
          [String(score.inPlace), 'in their place of the order'],
        ]"
      />
      <p v-if="score.apartMs !== null">
        Right stamps lie {{ (score.apartMs / 1_000).toFixed(2) }} s from the line on average.
      </p>
      <p v-if="score.unnamed > 0">
        {{ score.unnamed }} {{ score.unnamed === 1 ? 'stamp has' : 'stamps have' }} no bib.
      </p>
      <p class="quiet">A stamp within 0.4 s of the line, with its bib, is right: what hand timing can tell.</p>
    </section>
    <section class="sheet">
      <table>
        <thead>
          <tr>
            <th scope="col">place</th>
            <th scope="col">bib</th>
            <th scope="col">crossed</th>
            <th scope="col">your stamp</th>
            <th scope="col"><span class="visually-hidden">What it was</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="{ runner, place, stampedAtMs, result } in score.runners" :key="runner.bib" :class="result">
            <td class="figures">{{ place }}</td>
            <td class="figures">{{ runner.bib }}</td>
            <td class="figures">{{ printTime(Math.round(runner.crossesAtMs / 100) * 100) }}</td>
            <td class="figures">{{ apart(stampedAtMs, runner.crossesAtMs) }}</td>
            <td>
              {{ WORDS[result] }}<span v-if="runner.hidden[1] > 0" class="quiet">, half of the bib was hidden</span>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <DrillNext :set="set" :standard="standard" :kept="kept" :waits="waits" @again="emit('again')" />
  </main>
</template>

<style scoped src="./figuresBack.css"></style>
<style scoped>
table {
  width: 100%;
}
th,
td {
  padding: 3px 10px 3px 0;
  border-bottom: 1px solid var(--line);
}
thead th {
  color: var(--ink-2);
  font-weight: 500;
}
tr:not(.right) td:last-child {
  color: var(--short);
  font-weight: 650;
}
</style>
