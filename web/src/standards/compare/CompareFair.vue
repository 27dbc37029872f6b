<script setup lang="ts">
/** Whether groups meet each version alike: rates with their intervals, four fifths of the highest, and a sentence for each. */
import type { FairGroup, Standard, VersionImpact } from '@able-gauge/core'
import { compareGroups, LEAST_IN_GROUP, sayGroup, type ComparedGroup } from '@able-gauge/core/statistics'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'

const props = defineProps<{
  impact: VersionImpact
  before: Standard
  after: Standard
}>()

const WIDTH = 260
const x = scaleLinear([0, 1], [8, WIDTH - 8])
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
        fourFifths: highest ? x(0.8 * highest.rate) : null,
      }
    }),
  })),
)
const sayInterval = ({ rate, interval }: ComparedGroup): string =>
  `${Math.round(100 * rate)} %, 95 % between ${Math.round(100 * interval.low)} and ${Math.round(100 * interval.high)} %`
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
              <svg :viewBox="`0 0 ${WIDTH} 22`" role="img" :aria-label="`${group.name}: ${sayInterval(group)}`">
                <line :x1="x(0)" :x2="x(1)" y1="11" y2="11" class="rule" />
                <line v-if="fourFifths !== null" :x1="fourFifths" :x2="fourFifths" y1="2" y2="20" class="fifths" />
                <template v-if="group.reading !== 'tooFew'">
                  <line :x1="x(group.interval.low)" :x2="x(group.interval.high)" y1="11" y2="11" class="interval" />
                  <rect :x="x(group.rate) - 4" y="4" width="8" height="14" rx="2" class="rate" />
                </template>
              </svg>
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
.rule {
  stroke: var(--line-2);
}
.fifths {
  stroke: var(--ink-2);
  stroke-dasharray: 3 2;
}
.interval {
  stroke: var(--ink);
  stroke-width: 5;
  stroke-opacity: 0.35;
}
.rate {
  fill: var(--vest);
  stroke: #10201d;
  stroke-width: 1.6;
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
