<script setup lang="ts">
/** One runner of the wave. A touch is a missed line, or the way out when that is armed. */
import { printQuantity } from '@able-gauge/core'
import { computed } from 'vue'
import { shortName, type Entry } from '../../../day/day.ts'
import { figureOf } from '../../../ui/verdictWords.ts'
import type { Density, ShuttleTile } from './useShuttle.ts'

const props = defineProps<{
  /** Asked here and nowhere above, for this runner alone. */
  tileOf: ReadonlyMap<string, ShuttleTile>
  runner: string
  active: boolean
  arming: boolean
  density: Density
}>()
const emit = defineEmits<{ miss: [entry: Entry]; out: [entry: Entry] }>()

const tile = computed(() => props.tileOf.get(props.runner))

const resultOf = ({ mark, out }: ShuttleTile): string => {
  const figure = mark ? figureOf(mark) : null
  if (figure !== null && mark && 'unit' in mark) return printQuantity(figure, mark.unit)
  return out ? 'out' : ''
}
const stateOf = (of: ShuttleTile): string => {
  if (of.out) return resultOf(of)
  const { missesInRow } = of.run
  return missesInRow > 0 ? `${missesInRow} missed` : ''
}
</script>

<template>
  <div
    v-if="tile"
    class="tile sheet"
    :class="[density, { warned: !tile.out && tile.run.missesInRow > 0, over: tile.out, arming }]"
  >
    <button
      class="miss"
      :data-bib="tile.entry.bib"
      :disabled="!active || tile.out"
      :aria-label="`Bib ${tile.entry.bib}, ${shortName(tile.entry)}: ${arming ? 'steps out' : 'missed the line'}`"
      @click="arming ? emit('out', tile.entry) : emit('miss', tile.entry)"
    >
      <strong class="figures">{{ tile.entry.bib }}</strong>
      <span class="name">{{ shortName(tile.entry) }}</span>
      <small class="figures">{{ stateOf(tile) }}</small>
    </button>
    <button
      v-if="density === 'roomy' && !tile.out"
      class="out"
      :disabled="!active"
      :aria-label="`Bib ${tile.entry.bib} steps out`"
      @click="emit('out', tile.entry)"
    >
      Out
    </button>
  </div>
</template>

<style scoped>
/* of one size whatever they say, so that none moves, and what one says lays out no other, and painted one by one; a clip of each would cost a frame dear */
.tile {
  isolation: isolate;
  contain: size layout style;
  height: 100px;
  display: grid;
  grid-template-columns: 1fr auto;
  border-color: var(--line-2);
}
.tile button {
  border: 0;
  background: none;
  color: inherit;
  touch-action: manipulation;
}
.miss {
  padding: 8px 12px;
  text-align: left;
  display: flex;
  flex-direction: column;
  min-width: 0;
}
.miss strong {
  font-size: 2.1rem;
  line-height: 1;
}
/* in two lines where one is too short, so that no name is cut and no tile needs a clip */
.name {
  overflow-wrap: anywhere;
  line-height: 1.1;
}
.miss small {
  margin-top: auto;
  color: var(--ink-2);
  font-size: 0.8125rem;
  line-height: 1.05;
}
.tile .out {
  border-left: 1px solid var(--line);
  padding: 0 14px;
  font-weight: 700;
}
.tile.warned {
  background: var(--decide-tint);
  border-color: var(--decide-edge);
  /* inside, so that nothing in the tile moves */
  box-shadow: inset 0 0 0 2px var(--decide-edge);
}
.warned small {
  color: var(--decide);
  font-weight: 700;
}
/* not dashed: such a border is cut to its corners, and has the layers of the page put together anew in the frame of the press */
.tile.over {
  background: var(--sheet-2);
  border-color: var(--line);
  color: var(--ink-2);
}
.tile.arming:not(.over) {
  box-shadow: inset 0 0 0 3px var(--vest);
}
/* a level and a shuttle stand one under the other, also under a name of two lines */
.tile.close {
  height: 86px;
}
.close .miss {
  padding: 2px 8px;
}
.close .miss strong {
  font-size: 1.375rem;
}
.close .name {
  font-size: 0.875rem;
  line-height: 1.05;
}
.tile.dense {
  height: 58px;
}
.dense .miss {
  padding: 4px 6px;
}
.dense .miss strong {
  font-size: 1.5rem;
}
.dense .name {
  display: none;
}
</style>
