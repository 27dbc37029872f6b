<script setup lang="ts">
/** Why a verdict or a mark reads as it does, and what can be done about it. */
import { concernedBy, settleCaptures, type Capture, type Verdict } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import IconX from '~icons/tabler/x'
import { eventFor, protocolFor, bibAndName, type Day, type Entry } from '../day/day.ts'
import { useSession } from '../session/sessionStore.ts'
import Gauge from '../ui/Gauge.vue'
import TraceList from '../ui/TraceList.vue'
import VerdictChip from '../ui/VerdictChip.vue'
import { figureOf, markerOf, wordFor } from '../ui/verdictWords.ts'
import CaptureListDialog from './CaptureListDialog.vue'
import CapturesAside from './CapturesAside.vue'
import VerdictDecision from './VerdictDecision.vue'
import VerdictRulings from './VerdictRulings.vue'

const props = defineProps<{
  day: Day
  entry: Entry
  verdict: Verdict
  /** The event whose mark is explained, or null for the verdict. */
  eventId: string | null
  capturesOf: (eventId: string) => Capture[]
  /** Whether the captures stand in the panel, device beside device. */
  aside?: boolean
}>()

const emit = defineEmits<{
  /** Explain another event, or the verdict with null. */
  choose: [eventId: string | null]
  /** Put the panel away, on a phone. */
  close: []
}>()

const session = useSession()
const showCaptures = ref(false)
const event = computed(() => props.day.standard.events.find(({ id }) => id === props.eventId))
const mark = computed(() => props.verdict.marks.find(({ eventId }) => eventId === props.eventId))
const mayDecide = computed(
  () => mark.value?.kind === 'open' && session.can('capture.asOfficer') && !props.day.occasion.signedOff,
)
const marks = computed(() =>
  props.verdict.marks.map((one) => ({
    mark: one,
    name: props.day.standard.events.find(({ id }) => id === one.eventId)?.name ?? one.eventId,
  })),
)
const captures = computed(() => {
  if (!event.value) return []
  const all = props.capturesOf(event.value.id)
  const mine = new Set(settleCaptures(all).flatMap(({ id, entryId }) => (entryId === props.entry.id ? [id] : [])))
  return all.filter((capture) => mine.has(capture.id) || concernedBy(capture).includes(props.entry.id))
})
</script>

<template>
  <div>
    <header>
      <h2>{{ bibAndName(entry) }}<template v-if="event">, {{ event.name.toLowerCase() }}</template></h2>
      <VerdictChip v-if="!event" :verdict="verdict" />
      <BButton v-else variant="quiet" size="sm" @click="emit('choose', null)">Whole verdict</BButton>
      <BButton class="close" variant="quiet" size="sm" aria-label="Close" @click="emit('close')"><IconX /></BButton>
    </header>
    <template v-if="event && mark">
      <Gauge
        v-if="mark.cut"
        :cut="mark.cut"
        :protocol="protocolFor(day, event.id, entry)"
        :value="figureOf(mark)"
        :state="markerOf(mark)"
        size="large"
      />
      <TraceList class="steps" :trace="mark.trace" />
      <VerdictDecision v-if="mayDecide" :event-id="event.id" :event="eventFor(day, event, entry)" :entry="entry" />
      <CapturesAside v-if="aside" :day="day" :captures="captures" />
      <span class="ways">
        <BButton variant="quiet" @click="showCaptures = true">Open the captures</BButton>
        <RouterLink
          v-if="captures.length > 0"
          class="btn btn-quiet"
          :to="{ name: 'replay', params: { eventId: event.id }, query: { entry: entry.id } }"
          >Replay</RouterLink
        >
      </span>
      <VerdictRulings
        :mark="mark"
        :day="day"
        :event="event"
        :done="eventFor(day, event, entry)"
        :entry="entry"
        :captures="captures"
      />
      <CaptureListDialog
        v-model="showCaptures"
        :day="day"
        :captures="captures"
        :title="`${bibAndName(entry)}, ${event.name}`"
        :event="event"
      />
    </template>
    <template v-else>
      <TraceList class="steps" :trace="verdict.trace" />
      <ul>
        <li v-for="{ mark: one, name } in marks" :key="one.eventId">
          <button class="event" @click="emit('choose', one.eventId)">
            <strong>{{ name }}</strong><span>{{ wordFor(one) }}, why</span>
          </button>
        </li>
      </ul>
      <RouterLink class="btn btn-quiet" :to="{ name: 'sheet', params: { entryId: entry.id } }"
        >Result sheet to print</RouterLink
      >
    </template>
  </div>
</template>

<style scoped>
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
header {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: flex-start;
  margin-bottom: 10px;
}
.steps {
  margin-top: 12px;
}
ul {
  list-style: none;
  margin: 0 0 14px;
  padding: 0;
}
.event {
  width: 100%;
  min-height: 44px;
  display: flex;
  justify-content: space-between;
  align-items: center;
  border: 0;
  border-top: 1px solid var(--line);
  background: none;
  color: inherit;
  text-align: left;
}
.event span {
  text-decoration: underline;
}
.close {
  display: none;
}
@media (max-width: 900px) {
  .close {
    display: block;
    min-width: 44px;
  }
  h2 {
    flex: 1;
  }
}
</style>
