<script setup lang="ts">
/** A set looked back on: every repetition again, slowly, with what was done and what it was. */
import type { DrillResult, Standard } from '@able-gauge/core'
import {
  drillStyle,
  figureAt,
  guideOf,
  practiceOf,
  sayEye,
  sayHowFar,
  sayItem,
  sayResult,
  scoreDrill,
  weakest,
  worstAtMs,
  type ScoredItem,
} from '@able-gauge/core/drill'
import { BButton } from 'bootstrap-vue-next'
import { useRafFn } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import DrillStrip from './DrillStrip.vue'
import DrillNext from './DrillNext.vue'
import EyeFigures from './EyeFigures.vue'
import FigureDrawing from './FigureDrawing.vue'
import TurnGround from './TurnGround.vue'
import { barsOf, frameOf } from './frames.ts'
import { eventOf, type PracticeSet } from './practiceDay.ts'
import type { DrillAtWork } from './useDrill.ts'

const props = defineProps<{
  set: PracticeSet
  standard: Standard
  /** With figures, that is: no finish. */
  atWork: DrillAtWork
  kept: DrillResult | null
  waits: boolean
}>()
const emit = defineEmits<{ again: [] }>()

const drill = computed(() => {
  const { drill: worked } = props.atWork
  if (!worked) throw new Error('A finish has a look back of its own.')
  return worked
})
const { movement } = drill.value.spec
const event = eventOf(props.standard, props.set.eventId)
const zoneCm = ((event && practiceOf(event.protocol)?.zoneMm) ?? 0) / 10
const score = computed(() =>
  scoreDrill(
    drill.value,
    props.atWork.answers.value,
    props.atWork.ends.value.map(({ atMs }) => atMs),
  ),
)
const isMistake = ({ result }: ScoredItem): boolean => result !== 'right' && result !== 'refusedRightly'
const mistakes = computed(() => score.value.items.filter(isMistake))
const chosen = shallowRef<ScoredItem | null>(null)
watch(
  score,
  ({ items }) => (chosen.value = items.find(isMistake) ?? items.find(({ item }) => item.fault) ?? items[0] ?? null),
  { immediate: true },
)
const nextMistake = computed(() => {
  const at = chosen.value ? score.value.items.indexOf(chosen.value) : -1
  return score.value.items.find((one, index) => index > at && isMistake(one)) ?? mistakes.value[0]
})

const SPEEDS = [1, 0.5, 0.25] as const
const speed = ref<(typeof SPEEDS)[number]>(0.25)
const isPlaying = ref(false)
/** Within the repetition that is looked at, in ms of the set. */
const atMs = ref(0)
const [BEFORE_MS, AFTER_MS] = [250, 350]
watch(
  chosen,
  (one) => {
    if (one) atMs.value = worstAtMs(one.item)
    isPlaying.value = false
  },
  { immediate: true },
)
useRafFn(({ delta }) => {
  const item = chosen.value?.item
  if (!isPlaying.value || !item) return
  atMs.value += delta * speed.value
  if (atMs.value > item.toMs + AFTER_MS) atMs.value = item.fromMs - BEFORE_MS
})
const play = (): void => {
  const item = chosen.value?.item
  if (!isPlaying.value && item) atMs.value = item.fromMs - BEFORE_MS
  isPlaying.value = !isPlaying.value
}
const slower = (): void => {
  speed.value = SPEEDS[(SPEEDS.indexOf(speed.value) + 1) % SPEEDS.length] ?? 0.25
}
const speedWords = computed(() => ({ 1: 'as it was', 0.5: '½ speed', 0.25: '¼ speed' })[speed.value])

const figure = computed(() =>
  chosen.value ? figureAt(drill.value, chosen.value.lane, atMs.value, 'side', zoneCm) : [],
)
/** The same moment as it should have been. */
const sound = computed(() => {
  const one = chosen.value
  if (!one?.item.fault || movement === 'shuttleTurn') return []
  const lanes = drill.value.lanes.map((lane, at) =>
    at === one.lane
      ? { ...lane, items: lane.items.map((item) => (item.no === one.item.no ? { ...item, fault: null } : item)) }
      : lane,
  )
  const shapes = figureAt({ ...drill.value, lanes }, one.lane, atMs.value, 'side', zoneCm)
  return shapes.map((shape) => ({ ...shape, tone: 'far' as const }))
})
const guide = computed(() =>
  chosen.value ? guideOf(drill.value, chosen.value.lane, chosen.value.item, atMs.value) : null,
)
const isCounted = drillStyle(movement) === 'counted'
const title = computed(() => {
  const one = chosen.value
  if (!one) return 'Nothing was shown'
  const lane = props.set.lanes > 1 ? `Candidate ${one.lane + 1}, ` : ''
  const word = isCounted ? 'repetition' : movement === 'shuttleTurn' ? 'line' : 'wavering'
  const name = `${lane}${word} ${one.item.no}`
  return `${name.slice(0, 1).toUpperCase()}${name.slice(1)}, ${speedWords.value}`
})
const figures = computed(() => {
  const { kappa, counted, truly } = score.value
  const agreement =
    kappa === null
      ? (['none', 'nothing to tell apart was shown'] as const)
      : ([kappa.toFixed(2), 'agreement beyond chance (kappa)'] as const)
  const more = counted - truly
  return isCounted
    ? [agreement, [more > 0 ? `+${more}` : String(more), `count: ${counted}, truly ${truly}`] as const]
    : [agreement]
})
/** How far from the true end of a position the grader ended it, lane by lane. */
const endWords = computed(() =>
  movement === 'trunkHold' || movement === 'hang'
    ? props.atWork.ends.value.flatMap(({ atMs: endedMs }, lane) => {
        const trulyMs = drill.value.lanes[lane]?.endsAtMs ?? 0
        if (endedMs === null) return []
        const off = (endedMs - trulyMs) / 1_000
        return [`Ended ${Math.abs(off).toFixed(1)} s ${off < 0 ? 'before' : 'after'} it was lost.`]
      })
    : [],
)
</script>

<template>
  <main class="review">
    <section class="sheet look">
      <header>
        <div>
          <h1>{{ title }}</h1>
          <p v-if="chosen" :class="{ wrong: isMistake(chosen) }">{{ sayItem(drill, chosen) }}</p>
        </div>
        <BButton variant="quiet" @click="play">{{ isPlaying ? 'Hold' : 'Play' }}</BButton>
        <BButton variant="quiet" @click="slower">{{ speedWords }}</BButton>
        <BButton v-if="nextMistake && nextMistake !== chosen" variant="primary" @click="chosen = nextMistake"
          >Next to look at: {{ nextMistake.item.no }}</BButton
        >
      </header>
      <div class="figure">
        <FigureDrawing
          :shapes="[...sound, ...figure]"
          :frame="frameOf(movement, 'side')"
          :bars="barsOf(movement)"
          :label="chosen ? sayItem(drill, chosen) : 'Nothing'"
        >
          <template v-if="movement === 'shuttleTurn'" #behind><TurnGround :zone-cm="zoneCm" /></template>
          <line v-if="guide" :x1="guide.from.x" :y1="-guide.from.y" :x2="guide.to.x" :y2="-guide.to.y" class="guide" />
        </FigureDrawing>
        <p v-if="chosen?.item.fault" class="far">{{ chosen.item.fault.label }}: {{ sayHowFar(chosen.item.fault) }}</p>
      </div>
    </section>
    <section class="sheet eye">
      <h2>Your eye today</h2>
      <EyeFigures :figures="figures" />
      <table>
        <thead>
          <tr>
            <th scope="col"><span class="visually-hidden">Fault</span></th>
            <th scope="col">shown</th>
            <th scope="col">seen</th>
            <th v-if="isCounted" scope="col">wrongly</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="{ reasonId, label, shown, seen, wrongly } in score.faults"
            :key="reasonId"
            :class="{ missed: seen < shown }"
          >
            <th scope="row">{{ label }}</th>
            <td class="figures">{{ shown }}</td>
            <td class="figures">{{ seen }}</td>
            <td v-if="isCounted" class="figures">{{ wrongly }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="score.extra > 0">{{ score.extra }} {{ score.extra === 1 ? 'press' : 'presses' }} for no repetition.</p>
      <p v-for="line in [...sayEye(score), ...endWords]" :key="line">{{ line }}</p>
    </section>
    <section class="sheet all">
      <h2>All {{ score.items.length }}, as you worked them</h2>
      <DrillStrip
        :score="score"
        :lanes="set.lanes"
        :chosen="chosen"
        :say="(result) => sayResult(drill, result)"
        @choose="(one) => (chosen = one)"
      />
    </section>
    <DrillNext
      :set="set"
      :standard="standard"
      :kept="kept"
      :waits="waits"
      :more="weakest(score)?.reasonId"
      @again="emit('again')"
    />
  </main>
</template>

<style scoped>
.review {
  display: grid;
  grid-template-columns: minmax(0, 860fr) minmax(300px, 366fr);
  gap: 14px;
  padding: 16px 20px;
}
.sheet {
  padding: 14px 18px;
}
.look header {
  display: flex;
  gap: 8px;
  align-items: flex-start;
}
.look header > div {
  margin-right: auto;
}
h1,
h2 {
  font-size: 1.25rem;
  margin: 0;
}
h2 {
  font-size: 1.1875rem;
}
header p {
  margin: 2px 0 0;
  color: var(--ink-2);
}
.wrong {
  color: var(--ink);
  font-weight: 650;
}
.figure {
  position: relative;
  height: min(340px, 42dvh);
}
.far {
  position: absolute;
  right: 0;
  top: 8px;
  margin: 0;
  color: var(--short);
  font-weight: 700;
}
.guide {
  stroke: var(--short);
  stroke-width: 1.1;
  stroke-dasharray: 4 3;
}
table {
  width: 100%;
  margin-bottom: 8px;
}
th,
td {
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
  font-weight: 500;
}
thead th,
td {
  text-align: right;
}
thead th {
  color: var(--ink-2);
  font-size: 0.875rem;
}
.missed th {
  color: var(--short);
  font-weight: 700;
}
.eye p {
  margin: 4px 0 0;
}
.all,
.review > :deep(.next) {
  grid-column: 1 / -1;
}
@media (max-width: 900px) {
  .review {
    grid-template-columns: minmax(0, 1fr);
    padding: 10px 12px;
  }
  .look header {
    flex-wrap: wrap;
  }
  .look header > div {
    flex-basis: 100%;
  }
  .figure {
    height: 240px;
  }
}
</style>
