<script setup lang="ts">
/** An event played again from its captures, for a protest or for teaching. Nothing can be captured here. */
import { printClock, printQuantity, sayDoubt } from '@able-gauge/core'
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import IconPlay from '~icons/tabler/player-play'
import IconPause from '~icons/tabler/player-pause'
import { bibAndName, byBib, fullName, type Day } from '../day/day.ts'
import { timeOfDay } from '../ui/localTime.ts'
import { figureOf, wordFor } from '../ui/verdictWords.ts'
import ReplayDifferences from './ReplayDifferences.vue'
import ReplayLanes from './ReplayLanes.vue'
import ReplayTrack from './ReplayTrack.vue'
import { AROUND_MS, SPEEDS, useReplay } from './useReplay.ts'

const props = defineProps<{ day: Day }>()
const route = useRoute()
const router = useRouter()

const firstEvent = (): string => props.day.standard.events[0]?.id ?? ''
const eventId = computed(() => String(route.params['eventId'] || firstEvent()))
const chosen = computed(() => (typeof route.query['entry'] === 'string' ? route.query['entry'] : null))
const { event, replay, window, nowMs, speed, isPlaying, standing, beside, counts, laps, goTo, play, doneBy } =
  useReplay(
    () => props.day,
    () => eventId.value,
    () => chosen.value,
  )
const entries = computed(() => {
  const seen = new Set(replay.value?.moments.map(({ entryId }) => entryId))
  const all = [...props.day.entries].filter(({ id }) => seen.has(id)).sort(byBib)
  return chosen.value === null ? all : all.filter(({ id }) => id === chosen.value)
})
const onGround = computed(() => props.day.entries.filter(({ id }) => laps.value?.byEntry.has(id)))
const chosenEntry = computed(() => props.day.entries.find(({ id }) => id === chosen.value))

const sayMark = (entryId: string): string => {
  const mark = standing.value?.marks.get(entryId)
  if (!mark) return ''
  if (mark.kind === 'running') return mark.soFar === 0 ? 'under way' : printQuantity(mark.soFar, mark.unit)
  const figure = figureOf(mark)
  const words = wordFor(mark)
  return figure === null || !('unit' in mark) ? words : `${printQuantity(figure, mark.unit)}, ${words}`
}
const doubts = computed(() =>
  (replay.value?.doubts ?? []).filter(({ entryId }) => chosen.value === null || entryId === chosen.value),
)
const doubtWords = computed(() =>
  doubts.value.map((doubt) => {
    const mark = standing.value?.marks.get(doubt.entryId)
    const found = mark?.doubts?.find(({ code }) => code === doubt.code)
    const entry = props.day.entries.find(({ id }) => id === doubt.entryId)
    const says = found ? sayDoubt(found.code, found.captures.length, found.figures ?? {}) : ''
    return { ...doubt, who: entry ? bibAndName(entry, fullName) : '', says }
  }),
)
/** To the first of them after now, or to the very first. */
const goToNext = (moments: readonly { readonly atMs: number }[]): void => {
  const next = moments.find(({ atMs }) => atMs > nowMs.value) ?? moments[0]
  if (next) goTo(next.atMs)
}
const differences = computed(() =>
  (beside.value?.differences ?? []).filter(({ entryId }) => chosen.value === null || entryId === chosen.value),
)
/** Who graded somebody on a device; another may have had it before and after. */
const graderOn = (entryId: string, deviceId: string): string => {
  const own = replay.value?.moments.find((one) => one.entryId === entryId && one.deviceId === deviceId)?.capture
  const actorId = own && 'actorId' in own ? own.actorId : undefined
  return props.day.staff.find(({ accountId }) => accountId === actorId)?.displayName ?? 'another device'
}
const events = computed(() => props.day.standard.events.map(({ id, name }) => ({ value: id, text: name })))
const choose = (query: { readonly eventId?: string; readonly entry?: string | null }): void => {
  const entry = query.entry === undefined ? chosen.value : query.entry
  void router.replace({
    name: 'replay',
    params: { eventId: query.eventId ?? eventId.value },
    query: entry === null ? {} : { entry },
  })
}
const people = computed(() => [
  { value: '', text: 'everybody' },
  ...[...props.day.entries].sort(byBib).map((entry) => ({ value: entry.id, text: bibAndName(entry, fullName) })),
])
const sinceStart = computed(() => Math.max(0, nowMs.value - window.value.fromMs - AROUND_MS))
</script>

<template>
  <main class="room">
    <header class="head">
      <div>
        <RouterLink :to="{ name: 'verdicts' }">Verdicts</RouterLink>
        <h1>Replay: {{ event?.name }}<template v-if="chosenEntry">, {{ fullName(chosenEntry) }}</template></h1>
      </div>
      <div class="choices">
        <BFormSelect
          :model-value="eventId"
          :options="events"
          aria-label="Event"
          @update:model-value="(id) => choose({ eventId: String(id) })"
        />
        <BFormSelect
          :model-value="chosen ?? ''"
          :options="people"
          aria-label="Who"
          @update:model-value="(id) => choose({ entry: id === '' ? null : String(id) })"
        />
      </div>
    </header>
    <p v-if="!replay" class="sheet part">Nothing was captured in this event.</p>
    <template v-else>
      <div class="sheet part deck">
        <BButton variant="primary" class="play" @click="play">
          <IconPause v-if="isPlaying" /><IconPlay v-else /> {{ isPlaying ? 'Stop' : 'Play' }}
        </BButton>
        <BFormSelect
          v-model.number="speed"
          class="speed"
          :options="SPEEDS.map((one) => ({ value: one, text: `${one} ×` }))"
          aria-label="Speed"
        />
        <BButton v-if="doubts.length > 0" variant="quiet" @click="goToNext(doubts)">
          Next doubt ({{ doubts.length }})
        </BButton>
        <BButton v-if="differences.length > 0" variant="quiet" @click="goToNext(differences)">
          Next difference ({{ differences.length }})
        </BButton>
        <BButton variant="quiet" @click="goTo(window.toMs)">To the end</BButton>
        <input
          class="scrub"
          type="range"
          :min="window.fromMs"
          :max="window.toMs"
          step="100"
          :value="nowMs"
          aria-label="Moment"
          @input="(event) => goTo(Number((event.target as HTMLInputElement).value))"
        />
        <span class="clock figures">{{ printClock(sinceStart, 1) }}</span>
        <span class="quiet figures">{{ timeOfDay(nowMs, day.occasion.zone) }}</span>
      </div>
      <section v-if="laps && onGround.length > 0" class="sheet part" aria-label="On the ground">
        <ReplayTrack :entries="onGround" :by-entry="laps.byEntry" :laps="laps.of" :now-ms="nowMs" :chosen="chosen" />
      </section>
      <section class="sheet part" aria-label="Along the time">
        <ReplayLanes
          :entries="entries"
          :moments="replay.moments"
          :from-ms="window.fromMs"
          :to-ms="window.toMs"
          :now-ms="nowMs"
          :say-mark="sayMark"
          :counts="counts"
          :differences="differences"
          :grader-on="graderOn"
          @go-to="goTo"
          @choose="(id) => choose({ entry: id })"
        />
        <p class="quiet legend">
          Bar: counted or crossed; hollow: refused or faulted; triangle: caution; tall line: started or ended; tinted:
          resting; faint: undone later<template v-if="differences.length > 0"
            >; dotted between two graders: they differ</template
          >. Press anywhere to go there; nothing can be captured here.
        </p>
      </section>
      <ReplayDifferences
        v-if="differences.length > 0"
        class="sheet part"
        :day="day"
        :differences="differences"
        :done-by="doneBy"
        :grader-on="graderOn"
        :now-ms="nowMs"
        @go-to="goTo"
      />
      <section v-if="doubts.length > 0" class="sheet part" aria-label="Doubts">
        <h2>Doubts</h2>
        <button
          v-for="{ entryId, code, atMs, who, says } in doubtWords"
          :key="`${entryId} ${code}`"
          type="button"
          class="doubt"
          @click="goTo(atMs)"
        >
          <b>{{ who }}</b> <span class="figures">{{ timeOfDay(atMs, day.occasion.zone) }}</span> {{ says }}
        </button>
      </section>
    </template>
  </main>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  justify-content: space-between;
  align-items: flex-end;
  margin-bottom: 12px;
}
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.choices .form-select {
  width: auto;
  max-width: min(260px, 100%);
}
.deck {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  margin-bottom: 14px;
}
.play {
  min-width: 110px;
}
.speed {
  width: 96px;
}
.scrub {
  flex: 1 1 240px;
  accent-color: var(--bar-2);
}
.clock {
  font-size: 1.75rem;
  font-weight: 650;
}
section {
  margin-bottom: 14px;
}
h2 {
  font-size: 1.1875rem;
  margin: 0 0 6px;
}
.legend {
  font-size: 0.8125rem;
  margin: 8px 0 0;
}
.doubt {
  display: block;
  width: 100%;
  text-align: left;
  border: 0;
  border-top: 1px solid var(--line);
  background: none;
  color: inherit;
  padding: 8px 0;
}
</style>
