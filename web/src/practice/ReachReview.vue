<script setup lang="ts">
/** Reaches looked back on: where the fingers stayed, how far they darted, and what was read. */
import { printField, type DrillResult, type Standard } from '@able-gauge/core'
import {
  READ_WITHIN_MM,
  readingOf,
  readingsSent,
  scoreReaches,
  type ReachResult,
  type ScoredReach,
} from '@able-gauge/core/drill'
import { computed } from 'vue'
import DrillNext from './DrillNext.vue'
import EyeFigures from './EyeFigures.vue'
import type { PracticeSet } from './practiceDay.ts'
import RulerStrip from './RulerStrip.vue'
import { rulerSeen } from './rulerSeen.ts'
import type { DrillAtWork } from './useDrill.ts'

const props = defineProps<{
  set: PracticeSet
  standard: Standard
  atWork: DrillAtWork
  kept: DrillResult | null
  waits: boolean
}>()
const emit = defineEmits<{ again: [] }>()

const CM = { unit: 'mm', shownIn: 'cm' } as const
const inCm = (mm: number | null): string => (mm === null ? '' : `${printField(mm, CM)} cm`)
const score = computed(() => {
  const { reaches, answers } = props.atWork
  return scoreReaches(reaches, readingsSent(reaches, answers.value))
})
const WORDS: Readonly<Record<ReachResult, string>> = {
  right: 'right',
  dart: 'that is where they darted to',
  handAhead: 'that is the hand ahead; the one further back counts',
  off: 'not where the fingers stayed',
  missing: 'nothing was typed',
}
const marksOf = ({ reach, readMm }: ScoredReach) => {
  const [back, ahead] = [readingOf(reach), Math.max(...reach.staysMm)]
  return [
    { mm: back, as: 'truth' as const },
    ...(ahead > back ? [{ mm: ahead, as: 'ahead' as const }] : []),
    ...(reach.dartsMm > 0 ? [{ mm: ahead + reach.dartsMm, as: 'dart' as const }] : []),
    ...(readMm === null ? [] : [{ mm: readMm, as: 'read' as const }]),
  ]
}
</script>

<template>
  <main class="review">
    <section class="sheet eye">
      <h1>Your readings</h1>
      <EyeFigures
        :figures="[
          [(score.right / score.reaches.length).toFixed(2), `${score.right} of ${score.reaches.length} right`],
          ...(score.apartMm === null ? [] : [[printField(score.apartMm, CM), 'cm off on average'] as [string, string]]),
        ]"
      />
      <p class="quiet">
        A reading within {{ inCm(READ_WITHIN_MM) }} of where the fingers stayed is right. Full triangles stand where
        they stayed, empty ones where they darted to or where the hand ahead was; yours is below the ruler.
      </p>
    </section>
    <section class="sheet">
      <ol>
        <li v-for="one in score.reaches" :key="one.reach.no" :class="one.result">
          <p>
            <span class="figures">{{ one.reach.no }}</span>
            <span>It was <strong class="figures">{{ inCm(readingOf(one.reach)) }}</strong></span>
            <span v-if="one.readMm !== null">you read <strong class="figures">{{ inCm(one.readMm) }}</strong></span>
            <span class="what">{{ WORDS[one.result] }}</span>
          </p>
          <RulerStrip
            v-if="atWork.ruler"
            v-bind="rulerSeen(atWork.ruler, one.reach)"
            :marks="marksOf(one)"
            :label="`Reach ${one.reach.no} on the ruler`"
          />
        </li>
      </ol>
    </section>
    <DrillNext :set="set" :standard="standard" :kept="kept" :waits="waits" @again="emit('again')" />
  </main>
</template>

<style scoped src="./figuresBack.css"></style>
<style scoped>
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 380px), 1fr));
  gap: 12px 24px;
}
li p {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  margin: 0;
  border-top: 1px solid var(--line);
  padding-top: 6px;
}
li:not(.right) .what {
  color: var(--short);
  font-weight: 650;
}
</style>
