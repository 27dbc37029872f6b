<script setup lang="ts">
/** The events of the day in order, each with how far it is; the one that is open is underlined. */
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import type { Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { useRoute } from 'vue-router'
import { useCalmly } from '../ui/useCalmly.ts'
import { useSession } from '../session/sessionStore.ts'
import { progressOf } from './eventProgress.ts'
import { eventsSeen } from './eventsSeen.ts'
import { MODE_WORDS, modeIn, modesFor } from './captureMode.ts'

const props = defineProps<{
  day: Day
  /** The event whose console is open. */
  current: string
}>()

const store = useDay()
const session = useSession()
const route = useRoute()
const mode = computed(() => modeIn(route.query['mode']))
const list = ref<HTMLElement | null>(null)
// with many events the one that is open must not lie beyond the edge
const showCurrent = async (): Promise<void> => {
  await nextTick()
  const link = list.value?.querySelector<HTMLElement>('.current')
  if (list.value && link) list.value.scrollLeft = link.offsetLeft + (link.offsetWidth - list.value.clientWidth) / 2
}
onMounted(showCurrent)
watch(() => props.current, showCurrent)
const modes = computed(() => {
  const event = props.day.standard.events.find(({ id }) => id === props.current)
  return event ? modesFor(event.protocol) : []
})
const events = useCalmly(() =>
  eventsSeen(props.day, session.account).map(({ event: { id, name }, place }) => ({
    id,
    name,
    place,
    ...progressOf(props.day.entries, store.marksIn(id).value),
  })),
)
</script>

<template>
  <nav v-if="!store.isPractice" class="strip sheet" aria-label="Events">
    <div ref="list" class="events" :class="{ many: events.length > 4 }">
      <RouterLink
        v-for="{ id, name, place, done, underWay, here } in events"
        :key="id"
        :class="{ current: id === current }"
        :aria-current="id === current ? 'page' : undefined"
        :to="{ name: 'event', params: { eventId: id } }"
      >
        <strong>{{ place }} {{ name }}</strong>
        <span class="quiet"
          >{{ done }} of {{ here }}<template v-if="underWay">, {{ underWay }} under way</template></span
        >
      </RouterLink>
    </div>
    <div v-if="modes.length > 1" class="modes" role="group" aria-label="How it is worked">
      <RouterLink
        v-for="one in modes"
        :key="one"
        :class="{ chosen: one === mode }"
        :aria-current="one === mode ? 'true' : undefined"
        :to="{ name: 'event', params: { eventId: current }, query: one === 'live' ? {} : { mode: one } }"
        >{{ MODE_WORDS[one] }}</RouterLink
      >
    </div>
  </nav>
  <!-- its place in the grid of a console stays -->
  <div v-else />
</template>

<style scoped>
/* painted by itself, so that a press below goes through nothing of it */
.strip {
  contain: layout style;
  display: flex;
  overflow: hidden;
}
.events {
  position: relative;
  flex: 1;
  display: flex;
  overflow-x: auto;
  scrollbar-width: thin;
}
.events a {
  flex: 1;
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 9px 12px;
  color: inherit;
  text-decoration: none;
  border-bottom: 4px solid transparent;
  white-space: nowrap;
}
.many a {
  flex: 1 0 auto;
  flex-direction: column;
  gap: 0;
  padding: 4px 12px;
}
.events a + a {
  border-left: 1px solid var(--line);
}
.events .current {
  border-bottom-color: var(--bar);
}
:root[data-theme='dusk'] .events .current {
  border-bottom-color: var(--vest);
}
.modes {
  display: flex;
  align-items: stretch;
  border-left: 1px solid var(--line);
  background: var(--sheet-2);
}
.modes a {
  display: flex;
  align-items: center;
  padding: 4px 12px;
  color: var(--ink-2);
  text-decoration: none;
  white-space: nowrap;
  font-size: 0.8125rem;
}
.modes .chosen {
  color: var(--ink);
  font-weight: 700;
  text-decoration: underline;
  text-underline-offset: 5px;
}
@media (max-width: 900px) {
  .strip {
    flex-direction: column;
  }
  .events a {
    flex: 1 0 auto;
    flex-direction: column;
    gap: 0;
  }
  .modes {
    justify-content: space-around;
    border-left: 0;
    border-top: 1px solid var(--line);
    min-height: 40px;
  }
}
</style>
