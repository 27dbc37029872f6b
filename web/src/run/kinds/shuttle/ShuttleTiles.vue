<script setup lang="ts">
/**
 * Everybody of the wave, each in the place of their bib from the start to the end: who is out stays where they were, so that no tile
 * moves under a finger. A touch is a missed line, or the way out when that is armed.
 */
import { printQuantity } from '@able-gauge/core'
import type { Ref } from 'vue'
import { shortName, type Entry } from '../../../day/day.ts'
import { figureOf } from '../../../ui/verdictWords.ts'
import type { ShuttleTile } from './useShuttle.ts'

defineProps<{
  /** Asked here and nowhere above, so that nothing else is drawn with them. */
  tiles: Readonly<Ref<readonly ShuttleTile[]>>
  /** Whether a touch counts now. */
  active: boolean
  /** Whether the next touch is somebody who steps out. */
  arming: boolean
}>()
const emit = defineEmits<{ miss: [entry: Entry]; out: [entry: Entry] }>()

/** More than these stand closer together, and closer still. */
const [ROOMY, CLOSE] = [20, 44]
const densityOf = (count: number): string => (count <= ROOMY ? 'roomy' : count <= CLOSE ? 'close' : 'dense')

const resultOf = ({ mark, out }: ShuttleTile): string => {
  const figure = mark ? figureOf(mark) : null
  if (figure !== null && mark && 'unit' in mark) return printQuantity(figure, mark.unit)
  return out ? 'out' : ''
}
const stateOf = (tile: ShuttleTile): string => {
  if (tile.out) return resultOf(tile)
  const { missesInRow } = tile.run
  return missesInRow > 0 ? `${missesInRow} missed` : ''
}
</script>

<template>
  <ol class="tiles" :class="densityOf(tiles.value.length)">
    <!-- a place in the grid, and in it a tile: what changes in a tile then lays out the tile alone -->
    <li v-for="tile in tiles.value" :key="tile.entry.id" v-memo="[tile, active, arming]">
      <div class="tile sheet" :class="{ warned: !tile.out && tile.run.missesInRow > 0, over: tile.out, arming }">
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
          v-if="densityOf(tiles.value.length) === 'roomy' && !tile.out"
          class="out"
          :disabled="!active"
          :aria-label="`Bib ${tile.entry.bib} steps out`"
          @click="emit('out', tile.entry)"
        >
          Out
        </button>
      </div>
    </li>
  </ol>
</template>

<style scoped>
.tiles {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 9px;
}
/* of one size whatever they say, so that none moves, and what one says lays out no other; a clip of each would cost a frame dear */
.tile {
  contain: size layout style;
  height: 100px;
  display: grid;
  grid-template-columns: 1fr auto;
  border-color: var(--line-2);
}
.tiles button {
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
.tiles .out {
  border-left: 1px solid var(--line);
  padding: 0 14px;
  font-weight: 700;
}
.tiles .warned {
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
.tiles .over {
  background: var(--sheet-2);
  border-color: var(--line);
  color: var(--ink-2);
}
.tiles .arming:not(.over) {
  box-shadow: inset 0 0 0 3px var(--vest);
}
/* forty stand on one screen of a laptop */
.close {
  grid-template-columns: repeat(auto-fill, minmax(102px, 1fr));
  gap: 6px;
}
.close .tile {
  height: 82px;
}
.close .miss {
  padding: 4px 8px;
}
.close .miss strong {
  font-size: 1.5rem;
}
/* a level and a shuttle stand one under the other, also under a name of two lines */
.close .over .miss strong {
  font-size: 1.125rem;
}
.close .name {
  font-size: 0.875rem;
  line-height: 1.05;
}
.dense {
  grid-template-columns: repeat(auto-fill, minmax(78px, 1fr));
  gap: 5px;
}
.dense .tile {
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
@media (max-width: 900px) {
  .roomy {
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  }
}
</style>
