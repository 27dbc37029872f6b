<script setup lang="ts">
/** One grader with up to four lanes: everybody starts together, each lane is counted, refused and cautioned on its own. */
import { clockOf, followRepetitions, mayRestart, printClock, type Observation } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { shortName, type Day, type Entry } from '../../../day/day.ts'
import { useAgreedClock, type AgreedMoment } from '../../../sync/agreedClock.ts'
import Gauge from '../../../ui/Gauge.vue'
import { useTick } from '../../../ui/useTick.ts'
import { wordFor } from '../../../ui/verdictWords.ts'
import StartCommands from '../../start/StartCommands.vue'
import GroupList from '../../console/GroupList.vue'
import GroupRoom from '../../console/GroupRoom.vue'
import { useGroup } from '../../console/useGroup.ts'
import { useGroupGrading } from '../../console/useGroupGrading.ts'
import { phaseOf, type RepetitionEvent } from './useRepetitions.ts'

const props = defineProps<{
  day: Day
  event: RepetitionEvent
}>()

const LANES = 4
/** Keys of each lane: count, refuse, caution, end. */
const LANE_KEYS = [
  ['1', 'q', 'a', 'z'],
  ['2', 'w', 'd', 'v'],
  ['3', 'e', 'g', 'b'],
  ['4', 'r', 'h', 'm'],
] as const

const { protocol } = props.event
const durationMs = clockOf(protocol)
const clock = useAgreedClock()
const nowMs = useTick(100)
const grading = useGroupGrading(() => props.day, props.event)
const { ready } = grading
const group = useGroup(() => props.day, props.event, LANES)
const { entries, chosenIds, toggle, takeNext, waiting } = group
const starting = ref(false)
/** The lane whose refusal still asks for its reason. */
const refusing = ref<string | null>(null)

const lanes = computed(() =>
  entries.value.map((entry, index) => {
    const attempt = followRepetitions(protocol, grading.ownOf(entry.id), nowMs.value)
    const mark = grading.markOf(entry.id)
    const isOver = mark !== undefined && mark.kind !== 'waiting' && mark.kind !== 'running'
    return {
      entry,
      attempt,
      mark,
      keys: LANE_KEYS[index] ?? LANE_KEYS[0],
      phase: isOver ? ('over' as const) : phaseOf(attempt),
      refused: Object.values(attempt.tally.refused).reduce((sum, count) => sum + count, 0),
      cautionsLeft: protocol.cautionsAllowed - attempt.tally.cautions,
      mayRestart: phaseOf(attempt) === 'running' && mayRestart(protocol, attempt) === 'yes',
    }
  }),
)
const running = computed(() => lanes.value.filter(({ phase }) => phase === 'running'))
const toStart = computed(() => lanes.value.filter(({ phase, entry }) => phase === 'ready' && grading.mayStart(entry)))
const allOver = computed(() => lanes.value.length > 0 && lanes.value.every(({ phase }) => phase === 'over'))
const leftOf = ({ attempt }: (typeof lanes.value)[number]): string => {
  if (attempt.startedAtMs === null) return durationMs === null ? '0:00' : printClock(durationMs)
  if (attempt.endsAtMs === null) return printClock(nowMs.value - attempt.startedAtMs)
  return printClock(Math.max(0, attempt.endsAtMs - (attempt.end?.atMs ?? nowMs.value)) + 999)
}

const whileRunning = (entry: Entry, observation: Observation): void => {
  const attempt = followRepetitions(protocol, grading.ownOf(entry.id), clock.nowMs())
  if (phaseOf(attempt) === 'running') grading.observe(entry.id, observation)
}
const count = (entry: Entry): void => whileRunning(entry, { kind: 'counted', payload: {} })
const caution = (entry: Entry): void => whileRunning(entry, { kind: 'cautioned', payload: {} })
const end = (entry: Entry): void => whileRunning(entry, { kind: 'stopped', payload: { reason: 'ended' } })
const refuse = (entry: Entry, reason: string): void => {
  refusing.value = null
  whileRunning(entry, { kind: 'refused', payload: { reason } })
}
/** With one reason only there is nothing to ask. */
const beginRefusing = (entry: Entry): void => {
  const [only, another] = protocol.refusals
  if (only && !another) refuse(entry, only.id)
  else refusing.value = entry.id
}
const beginStart = (): void => {
  if (ready.value && toStart.value.length > 0 && running.value.length === 0) starting.value = true
}
const onGo = (moment: AgreedMoment): void => {
  starting.value = false
  for (const { entry } of toStart.value) grading.observe(entry.id, { kind: 'started', payload: {} }, moment)
}

const keys = computed<Readonly<Record<string, () => void>>>(() => {
  const refusingEntry = entries.value.find(({ id }) => id === refusing.value)
  const common = {
    s: beginStart,
    n: () => running.value.length === 0 && takeNext(),
    Escape: () => {
      starting.value = false
      refusing.value = null
    },
  }
  // while a refusal asks for its reason, digits are reasons
  if (refusingEntry) {
    const reasons = protocol.refusals.map(
      ({ id }, index) => [String(index + 1), () => refuse(refusingEntry, id)] as const,
    )
    return { ...common, ...Object.fromEntries(reasons) }
  }
  const laneKeys = running.value.flatMap(({ entry, keys: [counts, refuses, cautions, ends] }) => [
    [counts, () => count(entry)] as const,
    [refuses, () => beginRefusing(entry)] as const,
    [cautions, () => caution(entry)] as const,
    [ends, () => end(entry)] as const,
  ])
  return { ...common, ...Object.fromEntries(laneKeys) }
})
</script>

<template>
  <GroupRoom
    :day="day"
    :event="event"
    :grading="grading"
    :under="running.map(({ entry }) => entry)"
    :keys="keys"
    :help="[
      ['S', 'start commands for all lanes'],
      ['1 2 3 4', 'count in that lane'],
      ['Q W E R', 'refuse in that lane, then the number of the reason'],
      ['A D G H', 'caution in that lane'],
      ['Z V B M', 'the candidate of that lane ends'],
      ['N', 'the next who wait'],
    ]"
  >
    <template #side>
      <GroupList
        :day="day"
        :event="event"
        :candidates="group"
        :chosen-ids="chosenIds"
        :may-change="running.length === 0"
        :most="LANES"
        @toggle="toggle"
      />
    </template>
    <StartCommands
      v-if="starting"
      :day="day"
      :event="event"
      :entries="toStart.map(({ entry }) => entry)"
      @go="onGo"
      @cancel="starting = false"
    />
    <template v-else>
      <section v-if="running.length === 0 && toStart.length > 0" class="sheet ready">
        <p>{{ protocol.countsWhen }}</p>
        <BButton v-if="grading.mayCapture.value" variant="primary" size="lg" :disabled="!ready" @click="beginStart">
          Start {{ toStart.length }} {{ toStart.length === 1 ? 'lane' : 'lanes' }} <kbd>S</kbd>
        </BButton>
      </section>
      <section v-if="allOver" class="sheet ready">
        <strong>All lanes are done.</strong>
        <BButton v-if="waiting.length > 0" variant="primary" size="lg" @click="takeNext">
          The next {{ Math.min(LANES, waiting.length) }} <kbd>N</kbd>
        </BButton>
      </section>
      <ol class="lanes">
        <li v-for="lane in lanes" :key="lane.entry.id" class="sheet" :class="lane.phase">
          <header>
            <strong class="figures">{{ lane.entry.bib ?? '–' }}</strong> {{ shortName(lane.entry) }}
            <span class="figures left">{{ leftOf(lane) }}</span>
          </header>
          <button
            class="pad"
            :disabled="!ready || lane.phase !== 'running'"
            :aria-label="`Count, bib ${lane.entry.bib}`"
            @pointerdown.prevent="count(lane.entry)"
          >
            <strong class="figures" :data-bib="lane.entry.bib">{{ lane.attempt.tally.counted }}</strong>
            <span v-if="lane.phase === 'over' && lane.mark">{{ wordFor(lane.mark) }}</span>
            <span v-else
              >count <kbd>{{ lane.keys[0].toUpperCase() }}</kbd></span
            >
          </button>
          <Gauge v-if="lane.mark?.cut" :cut="lane.mark.cut" :value="lane.attempt.tally.counted" />
          <div v-if="refusing === lane.entry.id" class="keys-row reasons">
            <button
              v-for="(reason, index) in protocol.refusals"
              :key="reason.id"
              class="refuse"
              @click="refuse(lane.entry, reason.id)"
            >
              {{ reason.label }} <kbd>{{ index + 1 }}</kbd>
            </button>
          </div>
          <div v-else-if="lane.phase === 'running'" class="keys-row">
            <button class="refuse" :disabled="!ready" @click="beginRefusing(lane.entry)">
              Refuse <kbd>{{ lane.keys[1].toUpperCase() }}</kbd><small>{{ lane.refused }} refused</small>
            </button>
            <button class="caution" :disabled="!ready" @click="caution(lane.entry)">
              Caution <kbd>{{ lane.keys[2].toUpperCase() }}</kbd>
              <small>{{ lane.cautionsLeft > 0 ? `${lane.cautionsLeft} left` : 'the next ends it' }}</small>
            </button>
            <button
              v-if="lane.mayRestart"
              @click="whileRunning(lane.entry, { kind: 'restarted', payload: { reason: 'fault explained' } })"
            >
              Again<small>explained</small>
            </button>
            <button :disabled="!ready" @click="end(lane.entry)">
              Ends <kbd>{{ lane.keys[3].toUpperCase() }}</kbd>
            </button>
          </div>
        </li>
      </ol>
    </template>
  </GroupRoom>
</template>

<style scoped lang="scss">
@use '../../console/pad';
.ready {
  padding: 12px 16px;
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 16px;
}
.ready p {
  margin: 0;
}
.lanes {
  list-style: none;
  margin: 0;
  padding: 0;
  flex: 1;
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 10px;
}
.lanes li {
  padding: 10px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
header strong {
  font-size: 1.5rem;
}
.left {
  float: right;
  font-size: 1.25rem;
}
.pad {
  min-height: 90px;
}
.pad strong {
  font-size: 3.2rem;
}
.over {
  background: var(--sheet-2);
}
.reasons {
  grid-auto-flow: row;
  grid-template-columns: repeat(2, 1fr);
}
@media (max-width: 900px) {
  .lanes li {
    padding: 8px;
  }
  .keys-row {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
