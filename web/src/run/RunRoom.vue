<script setup lang="ts">
/** The order of events: what is done, what comes next, and the way to each console. */
import { askedIn, confirmationOf, openHolds, printTime } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { useRecords } from '../day/useRecords.ts'
import { useSession } from '../session/sessionStore.ts'
import { dateIn, timeOfDay } from '../ui/localTime.ts'
import DayPace from './DayPace.vue'
import RunRests from './RunRests.vue'
import RunWaves from './RunWaves.vue'
import { progressOf } from './eventProgress.ts'
import { eventsSeen } from './eventsSeen.ts'

const props = defineProps<{
  day: Day
}>()

const store = useDay()
const session = useSession()
const station = computed(() => session.account?.station)
const { write, writing, problem } = useRecords(() => props.day)
const confirm = (eventId: string): Promise<boolean> => write({ kind: 'eventConfirmed', eventId, note: '' })
const mayKey = computed(() => session.can('log.cardsKeyed') && !props.day.occasion.signedOff)
const mayCapture = computed(() => session.can('capture') && !props.day.occasion.signedOff)

const rows = computed(() =>
  eventsSeen(props.day, session.account).map(({ event, place }) => ({
    event,
    place,
    asked: askedIn(event),
    confirmed: confirmationOf(props.day.records, event.id),
    ...progressOf(props.day.entries, store.marksIn(event.id).value),
  })),
)
/** On its own day, unsigned, with all of it to be seen. */
const isUnderWay = computed(() => {
  const { signedOff, cancelled, testDate, zone } = props.day.occasion
  return !signedOff && !cancelled && testDate === dateIn(Date.now(), zone)
})
const next = computed(() => rows.value.find(({ done, here }) => done < here)?.event.id)
const holdReasons = (entryId: string): string =>
  openHolds(props.day.records)
    .filter(({ content }) => content.entryId === entryId)
    .map(({ content }) => content.reason)
    .join('; ')
const held = computed(() => props.day.entries.filter(({ attendance }) => attendance === 'held'))
</script>

<template>
  <main class="room">
    <h1>Events in order</h1>
    <p v-if="day.occasion.signedOff" class="quiet">
      The day is signed off. Consoles can be read; nothing more is captured.
    </p>
    <DayPace v-if="isUnderWay && !station" :day="day" />
    <ol class="events">
      <li v-for="{ event, place, asked, done, underWay, here, confirmed } in rows" :key="event.id">
        <article class="sheet event">
          <span class="number figures" aria-hidden="true">{{ place }}</span>
          <div class="what">
            <h2>{{ event.name }}</h2>
            <span class="quiet">{{ asked }}</span>
            <span v-if="confirmed" class="quiet confirmed">
              ◆ Confirmed by {{ confirmed.actor }}, {{ timeOfDay(confirmed.atMs, day.occasion.zone).slice(0, 5) }}
            </span>
            <span v-else-if="mayCapture || mayKey" class="more">
              <RouterLink v-if="mayKey" :to="{ name: 'cards', params: { eventId: event.id } }">Key in cards</RouterLink>
              <BButton
                v-if="mayCapture && here > 0 && done === here"
                variant="quiet"
                size="sm"
                :disabled="writing"
                @click="confirm(event.id)"
              >
                Confirm the event
              </BButton>
            </span>
          </div>
          <div class="progress-words">
            <strong class="figures">{{ done }} of {{ here }}</strong>
            <span class="quiet">done{{ underWay > 0 ? `, ${underWay} under way` : '' }}</span>
            <div class="track" aria-hidden="true"><div :style="{ width: `${here ? (done / here) * 100 : 0}%` }" /></div>
          </div>
          <RouterLink
            class="btn btn-lg"
            :class="event.id === next ? 'btn-primary' : 'btn-quiet'"
            :to="{ name: 'event', params: { eventId: event.id } }"
          >
            {{ mayCapture ? 'Open the console' : 'Look at it' }}
          </RouterLink>
        </article>
        <p v-if="event.restAfterMs" class="rest">Rest at least {{ printTime(event.restAfterMs) }}</p>
      </li>
    </ol>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <template v-if="!station">
      <RunRests v-if="!day.occasion.signedOff" :day="day" />
      <RunWaves :day="day" />
    </template>
    <div class="aside">
      <section v-if="held.length > 0" class="sheet hold">
        <h2>Held: may not start</h2>
        <p v-for="entry in held" :key="entry.id">
          <strong class="figures">{{ entry.bib ?? 'no bib' }}</strong> {{ entry.person.givenName }}
          {{ entry.person.familyName }}. {{ holdReasons(entry.id) || entry.note }}
        </p>
      </section>
      <section class="sheet care">
        <h2>Before each start</h2>
        <ul>
          <li>Ask for pain or illness since muster. Anybody held does not start.</li>
          <li>Medical cover and the defibrillator are in place, water is at hand.</li>
          <li>Chest pain, faintness, confusion, injury or a request to stop ends the attempt at once.</li>
          <li>Your organisation's rules and its clinicians decide; this list only reminds.</li>
        </ul>
      </section>
    </div>
  </main>
</template>

<style scoped>
h1 {
  margin-bottom: 12px;
}
.events {
  list-style: none;
  margin: 0 0 20px;
  padding: 0;
}
.event {
  display: grid;
  grid-template-columns: auto 1fr 220px auto;
  gap: 20px;
  align-items: center;
  padding: 18px 20px;
}
.number {
  font-size: 2rem;
  font-weight: 700;
  color: var(--ink-2);
}
.what {
  display: flex;
  flex-direction: column;
}
.more {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
  font-size: 0.8125rem;
}
.confirmed {
  font-size: 0.8125rem;
}
.progress-words .quiet {
  margin-left: 8px;
}
.track {
  height: 6px;
  border: 1px solid var(--line-2);
  margin-top: 4px;
}
.track div {
  height: 100%;
  background: var(--bar-2);
}
.rest {
  margin: 0;
  padding: 6px 0 6px 30px;
  border-left: 2px dashed var(--line-2);
  margin-left: 30px;
  color: var(--ink-2);
}
.aside {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 16px;
}
.aside section {
  padding: 16px 20px;
}
.hold {
  background: var(--decide-tint);
  border-color: var(--decide-edge);
}
.hold p {
  margin: 6px 0 0;
}
.care ul {
  margin: 8px 0 0;
  padding-left: 18px;
}
@media (max-width: 800px) {
  .event {
    grid-template-columns: auto 1fr;
  }
  .progress-words,
  .event .btn {
    grid-column: 1 / -1;
  }
}
</style>
