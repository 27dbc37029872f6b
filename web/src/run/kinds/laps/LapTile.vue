<script setup lang="ts">
/** One runner on the lap console: bib, when due, laps done and to go. Touching it stamps a crossing. */
import { printClock, printTime, type LapRunner } from '@able-gauge/core'
import { computed, useTemplateRef, watchPostEffect, type Ref } from 'vue'

const props = defineProps<{
  runner: LapRunner
  bib: number
  name: string
  laps: number
  /** What one time round is called. */
  lapWord: string
  /** Whether this runner is expected next. */
  next: boolean
  /** Agreed time; asked for the figure alone, so that it draws nothing else anew. */
  nowMs: Readonly<Ref<number>>
  /** How often the figure is drawn, and its turn among the others. */
  everyMs?: number
  turnMs?: number
  /** Whether a touch may stamp. */
  active: boolean
  /** Whether it can be touched whatever the laps say: for a backup, and for the order of the finish. */
  anyTime?: boolean
}>()

const emit = defineEmits<{ cross: [] }>()

const ENDED = {
  didNotFinish: 'did not finish',
  safety: 'stopped',
  withdrawn: 'withdrawn',
  disqualified: 'disqualified',
  failed: 'failed',
  breach: 'breach of safety',
} as const
const headOf = ({ state, elapsedMs, endedBy, dueAtMs }: LapRunner, nowMs: number): { word: string; figure: string } => {
  switch (state) {
    case 'waiting':
      return { word: 'ready', figure: '' }
    case 'home':
      return { word: 'home', figure: printTime(Math.floor((elapsedMs ?? 0) / 100) * 100, 1) }
    case 'ended':
      return { word: ENDED[endedBy ?? 'didNotFinish'], figure: '' }
    case 'running': {
      const dueInMs = (dueAtMs ?? nowMs) - nowMs
      return dueInMs < 0
        ? { word: 'over by', figure: printClock(-dueInMs) }
        : { word: 'due in', figure: printClock(dueInMs) }
    }
  }
}
const shownMs = computed(() => {
  const { everyMs = 1, turnMs = 0, runner, nowMs } = props
  // only who runs has seconds to show
  return runner.state === 'running' ? Math.floor((nowMs.value - turnMs) / everyMs) * everyMs + turnMs : 0
})
const [word, figure] = [useTemplateRef('word'), useTemplateRef('figure')]
// past the renderer, which would take a quarter of a millisecond for each of two hundred
watchPostEffect(() => {
  const head = headOf(props.runner, shownMs.value)
  if (word.value) word.value.textContent = head.word
  if (figure.value) figure.value.textContent = head.figure
})
const lapLabel = computed(
  () => `${props.runner.lapsToGo} ${props.lapWord}${props.runner.lapsToGo === 1 ? '' : 's'} to go`,
)
</script>

<template>
  <button
    class="tile"
    :class="[runner.state, { next, last: runner.state === 'running' && runner.lapsToGo === 1 }]"
    :disabled="!active || (!anyTime && runner.state !== 'running')"
    tabindex="-1"
    :aria-label="`Bib ${bib}, ${name}, ${lapLabel}`"
    :aria-describedby="`due-${bib}`"
    :data-bib="bib"
    @click="emit('cross')"
  >
    <span class="bib figures">{{ bib }}</span>
    <span :id="`due-${bib}`" class="due figures"><span ref="word" /><strong ref="figure" /></span>
    <span class="name">{{ name }}</span>
    <span class="laps" aria-hidden="true" :style="{ '--laps': laps, '--done': runner.lapsDone }">
      <i :class="{ now: runner.state === 'running' }" />
      <span v-if="runner.state === 'running'" class="to-go">{{ runner.lapsToGo }} to go</span>
    </span>
  </button>
</template>

<style scoped>
.tile {
  position: relative;
  display: grid;
  grid-template-columns: 1fr;
  grid-template-rows: auto 1fr auto;
  gap: 2px 6px;
  padding: 9px 11px;
  width: 100%;
  height: 104px;
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--line-2);
  border-radius: 8px;
  text-align: left;
  touch-action: manipulation;
  /* of a size of its own: what changes in one tile lays out no other; without a clip of its own, which costs a frame dear */
  contain: size layout style;
}
.bib {
  font-size: 2.4rem;
  font-weight: 700;
  line-height: 1;
}
.due {
  position: absolute;
  top: 9px;
  right: 11px;
  width: 74px;
  height: 40px;
  white-space: nowrap;
  text-align: right;
  font-size: 0.8125rem;
  line-height: 1.25;
}
.due span {
  display: block;
}
.due strong {
  font-size: 0.9375rem;
}
/* in two lines where one is too short, so that no name is cut and no tile needs a clip */
.name {
  grid-column: 1 / -1;
  align-self: end;
  overflow-wrap: anywhere;
  font-size: 0.875rem;
  line-height: 1.05;
}
.to-go {
  margin-left: 5px;
  line-height: 1;
  font-size: 0.8125rem;
  color: var(--ink-2);
  white-space: nowrap;
}
.laps {
  grid-column: 1 / -1;
  display: flex;
  gap: 3px;
  align-items: center;
  min-height: 15px;
}
/* one strip for all laps, ruled into as many: a tile is a few elements, whatever the distance */
.laps i {
  flex: 1;
  height: 9px;
  border: 1px solid var(--line-2);
  --lap: calc(100% / var(--laps));
  background:
    repeating-linear-gradient(
      to right,
      transparent 0 calc(var(--lap) - 2px),
      var(--sheet) calc(var(--lap) - 2px) var(--lap)
    ),
    linear-gradient(
      to right,
      var(--bar-2) calc(var(--lap) * var(--done)),
      var(--now, transparent) 0 calc(var(--lap) * (var(--done) + 1)),
      transparent 0
    );
}
.laps i.now {
  --now: var(--tint);
}
.last .laps i.now {
  --now: var(--vest);
}
.home,
.ended {
  background: var(--sheet-2);
  color: var(--ink-2);
}
.ended .laps {
  opacity: 0.5;
}
.next {
  border: 2px solid var(--ink);
  box-shadow: 0 0 0 4px var(--vest);
}
@media (max-width: 900px) {
  .tile {
    padding: 8px;
    height: 96px;
  }
  .bib {
    font-size: 1.9rem;
  }
}
.tile:active:not(:disabled) {
  background: var(--tint);
}
</style>
