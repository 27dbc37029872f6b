<script setup lang="ts">
/** Rates by group, each with the range chance allows, held against four fifths of the highest. */
import type { ComparedGroup } from '@able-gauge/core/statistics'
import { computed } from 'vue'
import RateStrip from '../ui/RateStrip.vue'

const props = defineProps<{ groups: readonly ComparedGroup[] }>()
const fourFifths = computed(() => {
  const highest = props.groups.find(({ reading }) => reading === 'highest')
  return highest && props.groups.length > 1 ? 0.8 * highest.rate : null
})
</script>

<template>
  <ul>
    <li v-for="group in groups" :key="group.name" :class="group.reading">
      <span class="name"
        ><b>{{ group.name }}</b
        ><small class="quiet">{{ group.of }} {{ group.of === 1 ? 'result' : 'results' }}</small></span
      >
      <RateStrip :group="group" :four-fifths="fourFifths" />
      <span class="figures rate">{{ group.reading === 'tooFew' ? '' : `${Math.round(100 * group.rate)} %` }}</span>
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
.rate {
  font-weight: 650;
  text-align: right;
}
</style>
