<script setup lang="ts">
/** The views of the room, as far as somebody may see them; what is filtered stays filtered. */
import type { Action } from '@able-gauge/core'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useSession } from '../session/sessionStore.ts'
import { FILTERS } from './useFilters.ts'

const session = useSession()
const route = useRoute()
const VIEWS = [
  { view: 'results', title: 'Results', action: 'insight.read' },
  { view: 'fair', title: 'Fair', action: 'insight.read' },
  { view: 'repeatable', title: 'Repeatable', action: 'insight.read' },
  { view: 'graders', title: 'Graders', action: 'insight.graders' },
  { view: 'progress', title: 'Progress', action: 'people.read' },
  { view: 'due', title: 'Due', action: 'people.read' },
] as const satisfies readonly { view: string; title: string; action: Action }[]
const views = computed(() => VIEWS.filter(({ action }) => session.can(action)))
const kept = computed(() =>
  Object.fromEntries(FILTERS.flatMap((name) => (route.query[name] ? [[name, route.query[name]]] : []))),
)
</script>

<template>
  <nav class="tabs no-print" aria-label="Insight">
    <RouterLink
      v-for="{ view, title } in views"
      :key="view"
      :to="{ name: 'insight', params: { view }, query: kept }"
      :class="{ here: (route.params['view'] || views[0]?.view) === view }"
      :aria-current="(route.params['view'] || views[0]?.view) === view ? 'page' : undefined"
      >{{ title }}</RouterLink
    >
  </nav>
</template>

<style scoped>
.tabs {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
}
a {
  padding: 6px 2px 8px;
  color: var(--ink-2);
  text-decoration: none;
  border-bottom: 3px solid transparent;
  font-weight: 650;
  white-space: nowrap;
}
.here {
  color: var(--ink);
  border-color: var(--bar);
}
</style>
