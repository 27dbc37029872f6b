<script setup lang="ts">
/** Whether groups meet each version alike: rates with their intervals, four fifths of the highest, and a sentence for each. */
import type { FairGroup, Standard, VersionImpact } from '@able-gauge/core'
import { compareGroups, LEAST_IN_GROUP, sayGroup } from '@able-gauge/core/statistics'
import { computed } from 'vue'
import RateStrip from '../../ui/RateStrip.vue'

const props = defineProps<{
  impact: VersionImpact
  before: Standard
  after: Standard
}>()

const SIDES = ['before', 'after'] as const

const categoryName = (id: string): string =>
  [...props.after.categories, ...props.before.categories].find((one) => one.id === id)?.name ?? id
const comparedOn = (groups: readonly FairGroup[], side: (typeof SIDES)[number], name: (group: string) => string) =>
  compareGroups(groups.map((one) => ({ name: name(one.group), ...one[side] })))

const kinds = computed(() =>
  [
    { title: 'By category', groups: props.impact.byCategory, name: categoryName },
    { title: 'By age', groups: props.impact.byAge, name: (group: string) => group },
  ].map(({ title, groups, name }) => ({
    title,
    sides: SIDES.map((side) => {
      const compared = comparedOn(groups, side, name)
      const highest = compared.find(({ reading }) => reading === 'highest')
      return {
        side,
        version: props[side].version,
        compared,
        // below this line a rate is less than four fifths of the highest
        fourFifths: highest ? 0.8 * highest.rate : null,
      }
    }),
  })),
)
</script>

<template>
  <section class="fair" aria-label="Whether groups meet it alike">
    <h3>Do groups meet it alike?</h3>
    <div v-for="{ title, sides } in kinds" :key="title" class="kind">
      <h4>{{ title }}</h4>
      <div class="sides">
        <div v-for="{ side, version, compared, fourFifths } in sides" :key="side">
          <p class="quiet">Version {{ version }}</p>
          <ul>
            <li v-for="group in compared" :key="group.name">
              <RateStrip :group="group" :four-fifths="fourFifths" />
              <span :class="{ low: group.reading === 'lower' }">{{ sayGroup(group) }}</span>
            </li>
          </ul>
        </div>
      </div>
    </div>
    <small class="quiet">
      Marker: rate of those who met it or were short; bar: 95 % by Wilson; broken line: four fifths of the highest rate.
      Chance is by Fisher's exact test against the highest, adjusted after Holm. Groups under
      {{ LEAST_IN_GROUP }} people are too small to say. Figures show where to look; what the work asks, and the law,
      decide.
    </small>
  </section>
</template>

<style scoped>
.fair {
  border-top: 1px solid var(--line);
  margin-top: 16px;
  padding-top: 12px;
}
h3 {
  font-size: 1rem;
}
h4 {
  font-size: 0.9375rem;
  margin: 10px 0 2px;
}
.sides {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 32px;
}
p {
  margin: 0 0 4px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(140px, 220px) minmax(0, 1fr);
  gap: 12px;
  align-items: center;
  font-size: 0.875rem;
  padding: 4px 0;
}
.low {
  font-weight: 650;
}
@media (max-width: 900px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
    gap: 12px;
  }
  li {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
