<script setup lang="ts">
/** Everybody of a set, moving. */
import { figureAt, type Drill, type View } from '@able-gauge/core/drill'
import { useRafFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useAgreedClock } from '../sync/agreedClock.ts'
import FigureDrawing from './FigureDrawing.vue'
import { barsOf, frameOf } from './frames.ts'
import TurnGround from './TurnGround.vue'

const props = defineProps<{
  drill: Drill
  startedAtMs: readonly (number | null)[]
  view: View
  /** Within which a line counts as reached, in cm. */
  zoneCm: number
}>()

const clock = useAgreedClock()
const nowMs = ref(clock.nowMs())
useRafFn(() => (nowMs.value = clock.nowMs()))

const { movement } = props.drill.spec
const isShuttle = movement === 'shuttleTurn'
const lanes = computed(() =>
  props.drill.lanes.map((_, lane) => {
    const from = props.startedAtMs[lane] ?? null
    return figureAt(props.drill, lane, from === null ? -1 : nowMs.value - from, props.view, props.zoneCm)
  }),
)
</script>

<template>
  <div class="lanes" :class="{ four: lanes.length > 1 && !isShuttle, rows: isShuttle }">
    <div v-for="(shapes, lane) in lanes" :key="lane" class="lane">
      <span v-if="lanes.length > 1" class="figures bib">{{ lane + 1 }}</span>
      <FigureDrawing
        :shapes="shapes"
        :frame="frameOf(movement, view)"
        :bars="barsOf(movement)"
        :label="`Candidate ${lane + 1}, moving`"
      >
        <template v-if="isShuttle" #behind><TurnGround :zone-cm="zoneCm" /></template>
      </FigureDrawing>
    </div>
  </div>
</template>

<style scoped>
.lanes {
  display: grid;
  height: 100%;
  min-height: 0;
  gap: 6px;
}
.four {
  grid-template-columns: repeat(4, minmax(0, 1fr));
}
.rows {
  grid-template-columns: repeat(3, minmax(0, 1fr));
  grid-auto-rows: 1fr;
}
@media (max-width: 900px) {
  .four {
    grid-template-columns: 1fr 1fr;
  }
  .rows {
    grid-template-columns: 1fr 1fr;
  }
}
.lane {
  position: relative;
  min-height: 0;
  min-width: 0;
}
.four .lane {
  border: 1px solid var(--line);
  border-radius: 6px;
}
.bib {
  position: absolute;
  left: 8px;
  top: 4px;
  font-weight: 700;
  font-size: 1.25rem;
}
</style>
