<script setup lang="ts" generic="Own extends Followed">
/** One of those who are worked together: who it is, the variant, and in the slots what their console tells and does. */
import type { StandardEvent } from '@able-gauge/core'
import { computed, type Ref } from 'vue'
import { shortName } from '../../day/day.ts'
import VariantChoice from '../start/VariantChoice.vue'
import type { Followed, Lane } from './useTogether.ts'

const props = defineProps<{
  event: StandardEvent
  /** Asked here and nowhere above, so that a press in one lane draws that lane alone. */
  lanes: Readonly<Ref<readonly (Lane & Own)[]>>
  /** Which of them. */
  index: number
  /** What its key is called; none where digits do something else. */
  cap?: string
  mayCapture: boolean
}>()

const lane = computed(() => props.lanes.value[props.index])
</script>

<template>
  <li v-if="lane" class="sheet" :class="lane.phase">
    <header>
      <kbd v-if="cap">{{ cap }}</kbd>
      <strong class="figures bib">{{ lane.entry.bib ?? '–' }}</strong>
      <span>{{ shortName(lane.entry) }}</span>
      <slot name="head" :lane="lane" />
    </header>
    <VariantChoice v-if="lane.phase !== 'over' && mayCapture" :event="event" :entry="lane.entry" />
    <slot :lane="lane" />
  </li>
</template>

<style scoped>
/* painted by itself, so that a press in one goes through nothing of the others */
li {
  contain: layout style;
  padding: 10px 14px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
header {
  display: flex;
  gap: 10px;
  align-items: center;
}
.bib {
  font-size: 1.5rem;
}
.over {
  background: var(--sheet-2);
}
@media (max-width: 900px) {
  li {
    padding: 8px;
  }
}
</style>
