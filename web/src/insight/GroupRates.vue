<script setup lang="ts">
/** Rates by group, each with the range chance allows, held against four fifths of the highest. */
import type { ComparedGroup } from '@able-gauge/core/statistics'
import { computed } from 'vue'
import RateStrip from '../ui/RateStrip.vue'

const props = defineProps<{
  groups: readonly ComparedGroup[]
  /** Whether there is somebody to open. */
  canOpen?: boolean
}>()
const emit = defineEmits<{ open: [place: number] }>()
const fourFifths = computed(() => {
  const highest = props.groups.find(({ reading }) => reading === 'highest')
  return highest && props.groups.length > 1 ? 0.8 * highest.rate : null
})
</script>

<template>
  <ul>
    <li v-for="(group, place) in groups" :key="group.name" :class="group.reading">
      <span class="name"
        ><b>{{ group.name }}</b
        ><small class="quiet">{{ group.of }} {{ group.of === 1 ? 'result' : 'results' }}</small></span
      >
      <RateStrip :group="group" :four-fifths="fourFifths" />
      <button
        v-if="canOpen && group.met > 0"
        type="button"
        class="figures rate opens"
        :aria-label="`${group.name}: who met it`"
        @click="emit('open', place)"
      >
        {{ group.reading === 'tooFew' ? `${group.met}` : `${Math.round(100 * group.rate)} %` }}
      </button>
      <span v-else class="figures rate">{{
        group.reading === 'tooFew' ? '' : `${Math.round(100 * group.rate)} %`
      }}</span>
    </li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(96px, 132px) minmax(0, 1fr) 52px;
  align-items: center;
  gap: 10px;
  padding: 3px 0;
}
.name {
  line-height: 1.15;
}
.name small {
  display: block;
}
.opens {
  border: 0;
  background: none;
  padding: 4px 0;
  color: inherit;
  text-decoration: underline;
  text-decoration-color: var(--line-2);
}
.rate {
  font-weight: 650;
  text-align: right;
}
</style>
