<script setup lang="ts">
/** All test days, the next thing to do on each. */
import { OccasionsAnswer, type OccasionSummary } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { call, inWords, NoAnswer, Refusal } from '../api.ts'
import { useFirstLook } from '../firstLook/firstLook.ts'
import { useSession } from '../session/sessionStore.ts'
import HouseBand from '../ui/HouseBand.vue'
import { listKeptDays } from '../sync/keptDays.ts'
import DayCard from './DayCard.vue'
import NewDayDialog from './NewDayDialog.vue'
import ReadInDialog from './ReadInDialog.vue'
import RehearsalDialog from './RehearsalDialog.vue'
import { useWaitingDays } from './useWaitingDays.ts'

const session = useSession()
const router = useRouter()
const days = ref<readonly OccasionSummary[] | null>(null)
const problem = ref('')
/** Without a network only what this device has kept can be shown. */
const offline = ref(false)
const rehearsing = ref(false)
const planning = ref(false)
const waiting = useWaitingDays()
const look = useFirstLook()
const beginLook = (): void => look.begin(openDays.value[0]?.id ?? '', session.can)
const openDays = computed(() => days.value?.filter(({ signedOff, cancelled }) => !signedOff && !cancelled) ?? [])
const cancelledDays = computed(() => days.value?.filter(({ cancelled }) => cancelled) ?? [])
const signedDays = computed(() => days.value?.filter(({ signedOff }) => signedOff) ?? [])

/** Where this role's work begins. */
const roomFor = computed(() => (!session.can('log.write') ? 'verdicts' : session.can('capture') ? 'run' : 'muster'))

/** The archive that was chosen; it is read in with the password of whoever does it. */
const archive = ref<File | null>(null)
const choose = (event: Event): void => {
  archive.value = (event.target as HTMLInputElement).files?.[0] ?? null
}

onMounted(async () => {
  try {
    days.value = (await call('GET', '/occasions', OccasionsAnswer)).occasions
  } catch (error) {
    if (error instanceof NoAnswer) {
      offline.value = true
      days.value = await listKeptDays(session.account?.id ?? '')
      return
    }
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
    <p v-if="offline" class="sheet notice" role="status">
      The server cannot be reached. Days this device has opened before can be worked on; what you capture is kept here
      and sent when there is a connection.
    </p>
    <p v-if="waiting.total > 0" class="sheet notice" role="status">
      {{ waiting.total }} {{ waiting.total === 1 ? 'capture waits' : 'captures wait' }} on this device to be sent.
    </p>
    <p v-if="session.demo && !look.isDone && !look.step && openDays.length > 0" class="sheet look">
      <span
        >This is the demo. A first look takes three minutes: it points at eight places and keeps out of the way.</span
      >
      <BButton variant="quiet" @click="beginLook">Begin</BButton>
      <BButton variant="quiet" @click="look.leave()">Not now</BButton>
    </p>
    <template v-if="days">
      <section aria-labelledby="open">
        <div class="head">
          <h1 id="open">Open days</h1>
          <span class="buttons">
            <BButton
              v-if="session.can('days.plan') && !offline"
              :variant="openDays.length === 0 ? 'primary' : 'quiet'"
              @click="planning = true"
            >
              New day
            </BButton>
            <label v-if="session.can('days.plan') && !offline" class="btn btn-quiet">
              Read in an archive
              <input class="visually-hidden" type="file" accept=".json,application/json" @change="choose" />
            </label>
            <BButton v-if="session.can('rehearse') && !offline" variant="quiet" @click="rehearsing = true">
              Rehearse a day
            </BButton>
          </span>
        </div>
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
      <section v-if="cancelledDays.length > 0" aria-labelledby="cancelled">
        <h2 id="cancelled">Cancelled</h2>
        <DayCard v-for="day in cancelledDays" :key="day.id" :day="day" to="plan" action="See the plan" :first="false" />
      </section>
      <p class="quiet care">
        Stop anybody at once who has chest pain, feels faint or confused, is injured or asks to stop. Able Gauge
        reminds; your organisation's rules, its clinicians and local law decide.
      </p>
    </template>
    <p v-else-if="!problem" class="quiet">Reading the days …</p>
    <RehearsalDialog v-model="rehearsing" />
    <ReadInDialog v-model="archive" />
    <NewDayDialog v-model="planning" />
  </main>
</template>

<style scoped>
.look {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  padding: 10px 16px;
}
.look span {
  flex: 1 1 280px;
}
.room {
  max-width: 1100px;
  padding-top: 28px;
}
section {
  margin-bottom: 28px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 8px;
  align-items: center;
  margin-bottom: 10px;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.notice {
  padding: 10px 16px;
  background: var(--decide-tint);
  border-color: var(--decide-edge);
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
