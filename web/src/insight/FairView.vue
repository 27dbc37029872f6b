<script setup lang="ts">
/** Whether groups meet it alike: rates, four fifths, how likely by chance, and a sentence for each. */
import type { GroupedBy } from '@able-gauge/core'
import { compareGroups, LEAST_IN_GROUP, sayGroup } from '@able-gauge/core/statistics'
import { BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { useSession } from '../session/sessionStore.ts'
import FilterBar from './FilterBar.vue'
import GroupRates from './GroupRates.vue'
import { useFilters } from './useFilters.ts'
import { groupName, groupsBy, useOverview } from './useOverview.ts'

const session = useSession()
const { valueOf, set } = useFilters()
const { answer, events, problem } = useOverview()

const KINDS = [
  { by: 'category', title: 'By category' },
  { by: 'age', title: 'By age' },
  { by: 'unit', title: 'By unit' },
] as const satisfies readonly { by: GroupedBy; title: string }[]

/** Empty for the test as a whole. */
const eventId = computed({ get: () => valueOf('event'), set: (event: string) => void set({ event }) })
const what = computed(() => [
  { value: '', text: 'the whole test' },
  ...(answer.value?.events ?? []).map((event) => ({ value: event.eventId, text: event.name })),
])
const panels = computed(() => {
  const whole = answer.value
  if (!whole) return []
  return KINDS.map(({ by, title }) => {
    const ofEvent = (events.value?.groups ?? []).filter((group) => group.eventId === eventId.value && group.by === by)
    const compared =
      eventId.value === ''
        ? groupsBy(whole, by)
        : compareGroups(ofEvent.map(({ key, met, of }) => ({ name: groupName(whole, by, key), met, of })))
    return { by, title, compared }
  }).filter(({ compared }) => compared.length > 0)
})
</script>

<template>
  <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  <template v-if="answer">
    <div class="top">
      <FilterBar :answer="answer" />
    </div>
    <p class="ask">
      <label for="fair-event">Whether groups meet alike</label>
      <BFormSelect id="fair-event" v-model="eventId" class="event" :options="what" />
      <RouterLink
        v-if="answer.standardId && session.can('standards.results')"
        class="btn btn-quiet no-print draft"
        :to="{ name: 'compare', params: { standardId: answer.standardId } }"
        >A draft on these results</RouterLink
      >
    </p>
    <div class="grid">
      <section v-for="{ by, title, compared } in panels" :key="by" class="sheet part" :aria-label="title">
        <h2>{{ title }}</h2>
        <GroupRates :groups="compared" />
        <ul class="sentences">
          <li v-for="group in compared" :key="group.name" :class="{ low: group.reading === 'lower' }">
            {{ sayGroup(group) }}
          </li>
        </ul>
      </section>
    </div>
    <p class="quiet method">
      Results are counted, not persons; whoever is open, withdrawn or did not finish is in no rate. Marker: share that
      met it; bar: 95 % after Wilson (1927); dotted: four fifths of the highest rate among groups of
      {{ LEAST_IN_GROUP }} or more. Chance is by Fisher’s exact test against the highest, adjusted for several
      comparisons after Holm (1979). Figures show where to look; what the work asks, and the law, decide.
    </p>
  </template>
</template>

<style scoped src="./insightViews.css"></style>
<style scoped>
.draft {
  margin-left: auto;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 400px), 1fr));
  gap: 14px;
}
.sentences {
  margin: 12px 0 0;
  padding: 10px 0 0;
  border-top: 1px solid var(--line);
  list-style: none;
  font-size: 0.875rem;
}
.sentences li {
  padding: 2px 0;
}
.low {
  font-weight: 650;
}
.method {
  margin: 12px 0 0;
  font-size: 0.8125rem;
}
</style>
