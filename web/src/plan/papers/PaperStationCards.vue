<script setup lang="ts">
/** One card for each event, for whoever works it: the rules, what is read out, the ground. */
import {
  rulesOf,
  saySetOut,
  setOut,
  StationsAnswer,
  type DayPlan,
  type StandardEvent,
  type StationCode,
} from '@able-gauge/core'
import { onMounted, shallowRef } from 'vue'
import { call, NoAnswer } from '../../api.ts'
import type { Day } from '../../day/day.ts'
import { useSession } from '../../session/sessionStore.ts'
import { useReach } from '../../ui/useReach.ts'
import StationQr from '../StationQr.vue'

const props = defineProps<{
  day: Day
  plan: DayPlan
}>()

const groundOf = ({ id, protocol }: StandardEvent): string[] => {
  const ground = props.plan.events.find(({ eventId }) => eventId === id)?.ground
  const set = ground && setOut(protocol, ground)
  return set ? saySetOut(set) : []
}

/** Codes that were made for stations of this day; each stands on the card of its event. */
const codes = shallowRef<readonly StationCode[]>([])
const session = useSession()
const reach = useReach()
onMounted(async () => {
  if (!session.can('stations.open')) return
  try {
    codes.value = (await call('GET', `/occasions/${props.day.occasion.id}/stations`, StationsAnswer)).stations
  } catch (error) {
    // without a network the cards are printed without codes
    if (!(error instanceof NoAnswer)) throw error
  }
})
const codesOf = ({ id }: StandardEvent): StationCode[] => codes.value.filter(({ eventIds }) => eventIds.includes(id))
</script>

<template>
  <article v-for="(event, index) in day.standard.events" :key="event.id" class="card-paper">
    <h2>{{ index + 1 }}. {{ event.name }}</h2>
    <div v-if="codesOf(event).length > 0" class="codes">
      <StationQr v-for="{ code, role } in codesOf(event)" :key="code" :code="code" :what="role" :reach="reach" />
    </div>
    <p v-for="line in rulesOf(event.protocol, event.publishedIn)" :key="line">{{ line }}</p>
    <template v-if="groundOf(event).length > 0">
      <h3>Ground</h3>
      <p v-for="line in groundOf(event)" :key="line">{{ line }}</p>
    </template>
    <template v-if="event.protocol.readOut">
      <h3>Read out</h3>
      <p v-for="line in event.protocol.readOut" :key="line" class="said">{{ line }}</p>
    </template>
    <template v-if="event.cautions">
      <h3>Watch for</h3>
      <p v-for="line in event.cautions" :key="line">{{ line }}</p>
    </template>
    <p class="stop">Chest pain, faintness, confusion, injury or a request to stop ends the attempt at once.</p>
  </article>
</template>

<style scoped>
.card-paper {
  border: 1.5px solid var(--ink);
  border-radius: 8px;
  padding: 18px 22px;
  margin-bottom: 18px;
  background: var(--sheet);
  break-inside: avoid;
}
.codes {
  float: right;
  display: flex;
  gap: 12px;
  margin: 0 0 8px 16px;
}
.codes :deep(.qr) {
  width: 130px;
}
h3 {
  font-size: 0.9375rem;
  margin: 10px 0 2px;
}
p {
  margin: 2px 0;
}
.said {
  font-style: italic;
}
.stop {
  margin-top: 10px;
  font-weight: 650;
}
</style>
