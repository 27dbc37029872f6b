<script setup lang="ts">
/** The events of the day in order, each with how far it is; the one that is open is underlined. */
import { computed } from 'vue'
import type { Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { progressOf } from './eventProgress.ts'

const props = defineProps<{
  day: Day
  /** The event whose console is open. */
  current: string
}>()

const store = useDay()
const events = computed(() =>
  props.day.standard.events.map(({ id, name }) => ({
    id,
    name,
    ...progressOf(props.day.entries, store.marksIn(id).value),
  })),
)
</script>

<template>
  <nav class="strip sheet" aria-label="Events">
    <RouterLink
      v-for="({ id, name, done, underWay, here }, index) in events"
      :key="id"
      :class="{ current: id === current }"
      :aria-current="id === current ? 'page' : undefined"
      :to="{ name: 'event', params: { eventId: id } }"
    >
      <strong>{{ index + 1 }} {{ name }}</strong>
      <span class="quiet"
        >{{ done }} of {{ here }}<template v-if="underWay">, {{ underWay }} out</template></span
      >
    </RouterLink>
  </nav>
</template>

<style scoped>
.strip {
  display: flex;
  overflow: hidden;
}
a {
  flex: 1;
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 9px 12px;
  color: inherit;
  text-decoration: none;
  border-bottom: 4px solid transparent;
}
a + a {
  border-left: 1px solid var(--line);
}
.current {
  border-bottom-color: var(--bar);
}
:root[data-theme='dusk'] .current {
  border-bottom-color: var(--vest);
}
@media (max-width: 700px) {
  a {
    flex-direction: column;
    gap: 0;
  }
}
</style>
