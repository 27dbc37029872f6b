<script setup lang="ts">
/** One line that says how well the clock is agreed and whether everything captured is stored. */
import { useDebounceFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useAgreedClock } from '../sync/agreedClock.ts'
import { onlyInMemory } from '../sync/outbox.ts'
import { dialogLater } from '../ui/partLater.ts'
import { useAfterPaint } from '../ui/useAfterPaint.ts'
import type { Day } from './day.ts'
import { useDay } from './dayStore.ts'

const RefusedDialog = dialogLater(() => import('./RefusedDialog.vue'))

defineProps<{
  day: Day
}>()

const store = useDay()
const clock = useAgreedClock()
const showRefused = ref(false)

const clockWords = computed(() => {
  const { agreement } = clock
  return agreement ? `Clock agreed to ${Math.ceil(agreement.uncertaintyMs)} ms` : 'Agreeing the clock'
})
/** What comes to wait is told in the frame after the press; that nothing waits any more a moment later, so that the words do not flicker. */
const CALM_MS = 250
const waiting = useAfterPaint(() => store.waitingCount)
const waitingCount = ref(waiting.value)
const calmDown = useDebounceFn(() => (waitingCount.value = waiting.value), CALM_MS)
watch(waiting, (now) => {
  if (now > waitingCount.value) waitingCount.value = now
  else void calmDown()
})
const savedWords = computed(() => {
  if (store.isPractice) return 'Practice: nothing is recorded'
  if (waitingCount.value === 0) return store.live === false ? 'All saved, no connection' : 'All saved'
  return `${waitingCount.value} waiting on this device`
})
</script>

<template>
  <span class="saved" :class="{ waiting: waitingCount > 0 || store.live === false }" role="status">
    <span class="clock-words">{{ clockWords }}. </span>{{ savedWords }}.
  </span>
  <span v-if="onlyInMemory" class="refused"
    >This device keeps nothing on disk: leave the page open while captures wait</span
  >
  <span v-if="store.waitingOfOthers > 0" class="refused"
    >{{ store.waitingOfOthers }} of another account wait here: they have to sign in</span
  >
  <span v-if="store.annexedCount > 0" class="refused"
    >{{ store.annexedCount }} arrived after the signature: kept beside the day, for the officer in charge</span
  >
  <RouterLink v-if="store.signedOut" class="refused" :to="{ name: 'signIn', query: { to: $route.fullPath } }">
    The session ended. Sign in to send them
  </RouterLink>
  <button v-if="store.refused.length > 0" class="refused" @click="showRefused = true">
    {{ store.refused.length }} refused, see why
  </button>
  <RefusedDialog v-model="showRefused" :day="day" />
</template>

<style scoped>
.saved {
  font-size: 0.8125rem;
  color: var(--bar-ink-2);
  white-space: nowrap;
}
.waiting {
  color: var(--vest);
}
.refused {
  font-size: 0.8125rem;
  background: var(--short-tint);
  color: var(--short);
  border: 0;
  border-radius: 4px;
  padding: 1px 6px;
  font-weight: 650;
}
@media (max-width: 900px) {
  .clock-words {
    display: none;
  }
}
</style>
