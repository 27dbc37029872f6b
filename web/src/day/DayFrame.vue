<script setup lang="ts">
/** A day: its bar, and the room of the stage. */
import { computed, onBeforeUnmount, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useSession } from '../session/sessionStore.ts'
import DayBar from './DayBar.vue'
import DayIntact from './DayIntact.vue'
import DayOffDate from './DayOffDate.vue'
import { useDay } from './dayStore.ts'
import { lastDay } from './lastDay.ts'

const route = useRoute()
const store = useDay()
const session = useSession()

const captures = computed(() => ['run', 'event', 'cards'].includes(String(route.name)))

/** On a phone beside one candidate the console takes the whole screen. */
const besideCandidate = computed(() => route.name === 'event' && route.query['bib'] !== undefined)

watch(
  () => String(route.params['dayId']),
  // the room fetches what it needs for this day while the captures still come
  (dayId) => {
    lastDay.value = dayId
    void store.open(dayId, (day) => route.meta.prepare?.(day, route))
  },
  { immediate: true },
)
onBeforeUnmount(() => store.close())
</script>

<template>
  <template v-if="store.day">
    <DayBar :class="{ 'beside-candidate': besideCandidate }" :day="store.day" />
    <p v-if="store.day.occasion.cancelled" class="cancelled" role="status">
      This day is cancelled: {{ store.day.occasion.cancelled.reason }}
    </p>
    <DayIntact :day="store.day" />
    <DayOffDate v-if="captures && !besideCandidate" :day="store.day" />
    <RouterView :day="store.day" />
  </template>
  <main v-else class="room">
    <div v-if="store.problem" class="sheet p-4" role="alert">
      <h1>This day cannot be opened</h1>
      <p>{{ store.problem }}</p>
      <RouterLink v-if="session.account" class="btn btn-primary" to="/">Back to all days</RouterLink>
      <RouterLink v-else class="btn btn-primary" :to="{ name: 'signIn', query: { to: route.fullPath } }"
        >Sign in</RouterLink
      >
    </div>
    <div v-else class="opening" role="status" aria-busy="true" aria-label="Opening the day">
      <div class="sheet" />
      <div class="sheet" />
      <div class="sheet" />
    </div>
  </main>
</template>

<style scoped>
.cancelled {
  margin: 0;
  padding: 10px 20px;
  background: var(--decide-tint);
  color: var(--decide);
  border-bottom: 1px solid var(--decide-edge);
}
.opening {
  display: grid;
  gap: 12px;
}
.opening .sheet {
  min-height: 22dvh;
  background: var(--sheet-2);
}
.opening .sheet:first-child {
  min-height: 58px;
  background: var(--tint);
}
@media (max-width: 900px) {
  .beside-candidate {
    display: none;
  }
}
</style>
