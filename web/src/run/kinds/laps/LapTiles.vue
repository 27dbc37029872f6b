<script setup lang="ts">
/** The runners of the wave as tiles, in the order they are expected. One stamp draws the tiles it is about and no other. */
import type { LapRunner } from '@able-gauge/core'
import { computed, useTemplateRef } from 'vue'
import { shortName, type Entry } from '../../../day/day.ts'
import { inPause } from '../../../ui/pressFirst.ts'
import { useTick } from '../../../ui/useTick.ts'
import LapTile from './LapTile.vue'
import { useCalmOrder } from './useCalmOrder.ts'
import { useTileWindow } from './useTileWindow.ts'

const props = defineProps<{
  runners: readonly LapRunner[]
  laps: number
  lapWord: string
  entryOf: (entryId: string) => Entry | undefined
  /** Whoever is expected next. */
  nextId: string | undefined
  /** Whether a touch may stamp. */
  active: boolean
  anyTime: boolean
}>()
const emit = defineEmits<{ cross: [entryId: string] }>()

/** Those expected soon are shown to the second, the others a little less often: nobody reads two hundred seconds at once. */
const SOON = 24
const [SOON_EVERY_MS, LATER_EVERY_MS] = [1_000, 10_000]
/** A few at a time, one after the other, so that no frame draws them all. */
const TURN_MS = 100
/** Handed to each tile as what it is, to be asked there: what is asked here would draw the list anew at every turn. */
const time = { nowMs: useTick(TURN_MS, inPause) }
const order = useCalmOrder(() => props.runners.map(({ entryId }) => entryId))
const tiles = computed(() => {
  const runnerOf = new Map(props.runners.map((runner) => [runner.entryId, runner]))
  return order.value.flatMap((entryId) => {
    const [runner, entry] = [runnerOf.get(entryId), props.entryOf(entryId)]
    return runner && entry ? [{ runner, entry }] : []
  })
})
const box = useTemplateRef<HTMLElement>('box')
const tileWindow = useTileWindow(box, () => tiles.value.length, 136, 9)
const shown = computed(() => {
  const { from, to } = tileWindow.value
  return tiles.value.slice(from, to).map((tile, index) => ({
    ...tile,
    everyMs: from + index < SOON ? SOON_EVERY_MS : LATER_EVERY_MS,
    turnMs: (from + index) * TURN_MS,
  }))
})
</script>

<template>
  <div
    ref="box"
    class="tiles"
    :class="{ many: runners.length > 40 }"
    :style="{ paddingTop: `${tileWindow.abovePx}px`, paddingBottom: `${tileWindow.belowPx}px` }"
  >
    <!-- a place in the grid, and in it a tile: what changes in a tile then lays out the tile alone -->
    <div
      v-for="{ runner, entry, everyMs, turnMs } in shown"
      :key="runner.entryId"
      v-memo="[runner, entry, laps, runner.entryId === nextId, everyMs, turnMs, active, anyTime]"
    >
      <LapTile
        :runner="runner"
        :bib="entry.bib ?? 0"
        :name="shortName(entry)"
        :laps="laps"
        :lap-word="lapWord"
        :next="runner.entryId === nextId"
        :now-ms="time.nowMs"
        :every-ms="everyMs"
        :turn-ms="turnMs"
        :active="active"
        :any-time="anyTime"
        @cross="emit('cross', runner.entryId)"
      />
    </div>
  </div>
</template>

<style scoped>
.tiles {
  contain: layout style;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(158px, 1fr));
  gap: 9px;
}
.tiles.many {
  grid-template-columns: repeat(auto-fill, minmax(136px, 1fr));
}
@media (max-width: 900px) {
  .tiles {
    grid-template-columns: repeat(auto-fill, minmax(108px, 1fr));
  }
}
</style>
