<script setup lang="ts">
/** Years of captures turned into decisions: who is due, how results came out, whether it is fair, whether our own figures can be trusted. */
import { computed, defineAsyncComponent, onMounted } from 'vue'
import { useRoute } from 'vue-router'
import { useSession } from '../session/sessionStore.ts'
import { useUnits } from '../session/unitStore.ts'
import HouseBand from '../ui/HouseBand.vue'
import InsightTabs from './InsightTabs.vue'

const VIEWS = {
  results: defineAsyncComponent(() => import('./ResultsView.vue')),
  fair: defineAsyncComponent(() => import('./FairView.vue')),
  repeatable: defineAsyncComponent(() => import('./RepeatView.vue')),
  graders: defineAsyncComponent(() => import('./GradersView.vue')),
  progress: defineAsyncComponent(() => import('./ProgressView.vue')),
  due: defineAsyncComponent(() => import('./DueView.vue')),
} as const

const route = useRoute()
const session = useSession()
const units = useUnits()
onMounted(() => units.read().catch(() => undefined))

/** Where somebody begins who names no view. */
const first = computed(() => (session.can('insight.read') ? 'results' : session.can('people.read') ? 'due' : 'graders'))
const view = computed(() => {
  const { view: named } = route.params
  return VIEWS[typeof named === 'string' && named in VIEWS ? (named as keyof typeof VIEWS) : first.value]
})
</script>

<template>
  <HouseBand />
  <main class="room">
    <h1 class="visually-hidden">Insight</h1>
    <InsightTabs />
    <component :is="view" />
  </main>
</template>
