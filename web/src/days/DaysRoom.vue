<script setup lang="ts">
/** All test days, the next thing to do on each. */
import type { OccasionSummary } from '@able-gauge/core'
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { call, inWords, Refusal } from '../api.ts'
import { useSession } from '../session/sessionStore.ts'
import HouseBand from '../ui/HouseBand.vue'
import DayCard from './DayCard.vue'

const session = useSession()
const router = useRouter()
const days = ref<readonly OccasionSummary[] | null>(null)
const problem = ref('')
const openDays = computed(() => days.value?.filter(({ signedOff }) => !signedOff) ?? [])
const signedDays = computed(() => days.value?.filter(({ signedOff }) => signedOff) ?? [])

/** Where this role's work begins. */
const roomFor = computed(() => (session.may('viewer') ? 'verdicts' : session.may('clerk') ? 'muster' : 'run'))

onMounted(async () => {
  try {
    days.value = (await call<{ occasions: OccasionSummary[] }>('GET', '/occasions')).occasions
  } catch (error) {
    problem.value = inWords(error)
    if (!(error instanceof Refusal) || error.status !== 401) return
    session.account = null
    await router.push({ name: 'signIn' })
  }
})
</script>

<template>
  <HouseBand />
  <main class="room">
    <p v-if="problem" role="alert">{{ problem }}</p>
    <template v-if="days">
      <section aria-labelledby="open">
        <h1 id="open">Open days</h1>
        <p v-if="openDays.length === 0" class="quiet empty">
          No day is open. Days you are on the staff of appear here.
        </p>
        <DayCard
          v-for="(day, index) in openDays"
          :key="day.id"
          :day="day"
          :to="roomFor"
          action="Open the day"
          :first="index === 0"
        />
      </section>
      <section v-if="signedDays.length > 0" aria-labelledby="signed">
        <h2 id="signed">Signed off</h2>
        <DayCard
          v-for="day in signedDays"
          :key="day.id"
          :day="day"
          to="verdicts"
          action="See verdicts"
          :first="false"
        />
      </section>
      <p class="quiet care">
        Stop anybody at once who has chest pain, feels faint or confused, is injured or asks to stop. Able Gauge
        reminds; your organisation's rules, its clinicians and local law decide.
      </p>
    </template>
    <p v-else-if="!problem" class="quiet">Reading the days …</p>
  </main>
</template>

<style scoped>
.room {
  max-width: 1100px;
  padding-top: 28px;
}
section {
  margin-bottom: 28px;
}
h1,
h2 {
  margin-bottom: 10px;
}
.care {
  max-width: 640px;
  font-size: 0.8125rem;
}
</style>
