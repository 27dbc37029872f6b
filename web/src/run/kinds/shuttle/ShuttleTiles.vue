<script setup lang="ts">
/** Everybody of the wave, each in the place of their bib from the start to the end: who is out stays where they were, so that no tile moves under a finger. */
import { computed, shallowReactive, watch, type Ref } from 'vue'
import type { Entry } from '../../../day/day.ts'
import { sameList } from '../../../ui/sameList.ts'
import ShuttleTileBox from './ShuttleTileBox.vue'
import type { Density, ShuttleTile } from './useShuttle.ts'

const props = defineProps<{
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
const densityOf = (count: number): Density => (count <= ROOMY ? 'roomy' : count <= CLOSE ? 'close' : 'dense')

/** Asked for one by one, so that a press draws the tile it is about and goes through no list. */
const tileOf = shallowReactive(new Map<string, ShuttleTile>())
watch(
  () => props.tiles.value,
  (tiles) => tiles.forEach((tile) => tileOf.set(tile.entry.id, tile)),
  { immediate: true },
)
const runners = computed<readonly string[]>((before) =>
  sameList(
    props.tiles.value.map(({ entry }) => entry.id),
    before,
  ),
)
</script>

<template>
  <ol class="tiles" :class="densityOf(runners.length)">
    <!-- a place in the grid, and in it a tile: what changes in a tile then lays out the tile alone -->
    <li v-for="id in runners" :key="id">
      <ShuttleTileBox
        :tile-of="tileOf"
        :runner="id"
        :active="active"
        :arming="arming"
        :density="densityOf(runners.length)"
        @miss="emit('miss', $event)"
        @out="emit('out', $event)"
      />
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
  isolation: isolate;
}
/* forty stand on one screen of a laptop */
.close {
  grid-template-columns: repeat(auto-fill, minmax(102px, 1fr));
  gap: 4px 6px;
}
.dense {
  grid-template-columns: repeat(auto-fill, minmax(78px, 1fr));
  gap: 5px;
}
@media (max-width: 900px) {
  .roomy {
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  }
}
</style>
