<script setup lang="ts">
/** Somebody who reaches along a ruler, and the ruler from above. Each reach comes when it is asked for, and once. */
import { reachAt, reachingAt, reachLasts, type Reach, type RulerRead } from '@able-gauge/core/drill'
import { useRafFn } from '@vueuse/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useAgreedClock } from '../sync/agreedClock.ts'
import FigureDrawing from './FigureDrawing.vue'
import { frameOf } from './frames.ts'
import RulerStrip from './RulerStrip.vue'
import { rulerSeen } from './rulerSeen.ts'
import type { ShownReach } from './useDrill.ts'

const props = defineProps<{
  reaches: readonly Reach[]
  ruler: RulerRead
}>()
const shown = defineModel<ShownReach | null>({ required: true })

const clock = useAgreedClock()
const nowMs = ref(clock.nowMs())
useRafFn(() => (nowMs.value = clock.nowMs()))

const next = computed(() => (shown.value === null ? 0 : shown.value.at + 1))
const reach = computed(() => props.reaches[shown.value?.at ?? 0])
const ms = computed(() => (shown.value === null ? 0 : nowMs.value - shown.value.sinceMs))
const isPast = computed(() => shown.value === null || (reach.value !== undefined && ms.value > reachLasts(reach.value)))
const shapes = computed(() => (reach.value ? reachingAt(reach.value, ms.value, props.ruler.zeroMm) : []))
const tips = computed(() => (reach.value && !isPast.value ? reachAt(reach.value, ms.value).tipsMm : null))
const seen = computed(() => (reach.value ? rulerSeen(props.ruler, reach.value) : null))
const show = (): void => {
  shown.value = { at: next.value, sinceMs: clock.nowMs() }
}
</script>

<template>
  <div class="reach">
    <div class="figure">
      <!-- as the ruler is read, from left to right -->
      <FigureDrawing :shapes="shapes" :frame="frameOf('reach', 'side')" mirrored label="Somebody sits and reaches" />
    </div>
    <RulerStrip v-if="seen" v-bind="seen" :tips-mm="tips" label="The ruler from above, with the fingertips" />
    <p role="status">
      <BButton v-if="next < reaches.length" variant="primary" size="lg" :disabled="!isPast" @click="show">
        {{ next === 0 ? 'Show the first reach' : `Show reach ${next + 1} of ${reaches.length}` }}
      </BButton>
      <template v-else-if="isPast">That was the last one. It is looked back on when all are typed.</template>
      <span v-if="shown" class="quiet">Reach {{ shown.at + 1 }} goes into try {{ shown.at + 1 }}.</span>
    </p>
  </div>
</template>

<style scoped>
.reach {
  display: flex;
  flex-direction: column;
  height: 100%;
  gap: 10px;
}
.figure {
  flex: 1;
  min-height: 0;
}
p {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
  min-height: 48px;
  margin: 0;
}
</style>
