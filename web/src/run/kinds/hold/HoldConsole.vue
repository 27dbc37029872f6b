<script setup lang="ts">
/** Held positions: several people started together, each stopped with one touch, cautions counted, the cap watched. */
import { followHold, printClock, printTime, type ProtocolOf, type StandardEvent } from '@able-gauge/core'
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
import WatchChoice from '../../console/WatchChoice.vue'

const props = defineProps<{
  day: Day
  event: StandardEvent & { readonly protocol: ProtocolOf<'heldPosition'> }
}>()

/** Keys are digits, so nine at most. */
const MOST = 9
const { protocol } = props.event
const clock = useAgreedClock()
const nowMs = useTick(50)
const grading = useGroupGrading(() => props.day, props.event)
const { ready } = grading
const group = useGroup(() => props.day, props.event, Math.min(MOST, protocol.notes?.peopleAtOnce ?? MOST))
const { entries, chosenIds, toggle, takeNext, waiting, most } = group
const starting = ref(false)
const watchNumber = ref(1)
/** A digit after C cautions, after F stops for safety. */
const armed = ref<'caution' | 'safety' | null>(null)

const tiles = computed(() =>
  entries.value.map((entry) => {
    const hold = followHold(protocol, grading.ownOf(entry.id), nowMs.value)
    const mark = grading.markOf(entry.id)
    const isOver = mark !== undefined && mark.kind !== 'waiting' && mark.kind !== 'running'
    const untilMs = hold.end?.atMs ?? nowMs.value
    return {
      entry,
      mark,
      isOver,
      isRunning: hold.started !== null && hold.end === null && !isOver,
      elapsedMs: hold.started ? Math.max(0, untilMs - hold.started.atMs) : 0,
      cautionsLeft: protocol.cautionsAllowed - hold.cautions,
      hasBackup: Object.keys(hold.backupsMs).includes(`time-watch-${watchNumber.value}`),
    }
  }),
)
const anyRunning = computed(() => tiles.value.some(({ isRunning }) => isRunning))
const toStart = computed(() =>
  tiles.value.filter(({ mark, entry }) => mark?.kind === 'waiting' && grading.mayStart(entry)),
)
const allOver = computed(() => tiles.value.length > 0 && tiles.value.every(({ isOver }) => isOver))

const beginStart = (): void => {
  if (ready.value && toStart.value.length > 0 && !anyRunning.value) starting.value = true
}
const onGo = (moment: AgreedMoment): void => {
  starting.value = false
  for (const { entry } of toStart.value) grading.observe(entry.id, { kind: 'started', payload: {} }, moment)
}
const lost = ({ id }: Entry): void => {
  if (watchNumber.value > 1) grading.observe(id, { kind: 'crossed', payload: { watch: watchNumber.value } })
  else if (!hasEnded(id)) grading.observe(id, { kind: 'stopped', payload: { reason: 'ended' } })
}
const hasEnded = (id: string): boolean => followHold(protocol, grading.ownOf(id), clock.nowMs()).end !== null
const caution = ({ id }: Entry): void => {
  if (!hasEnded(id)) grading.observe(id, { kind: 'cautioned', payload: {} })
}
const onDigit = (digit: string): void => {
  const tile = tiles.value[Number(digit) - 1]
  const what = armed.value
  armed.value = null
  if (!tile?.isRunning && !(tile && watchNumber.value > 1 && !tile.hasBackup)) return
  if (what === 'caution') caution(tile.entry)
  else if (what === 'safety') grading.stop(tile.entry.id, 'safety')
  else lost(tile.entry)
}
const KEYS = {
  s: beginStart,
  c: () => (armed.value = 'caution'),
  f: () => (armed.value = 'safety'),
  n: () => !anyRunning.value && takeNext(),
  Escape: () => {
    starting.value = false
    armed.value = null
  },
}
</script>

<template>
  <GroupRoom
    :day="day"
    :event="event"
    :grading="grading"
    :under="tiles.filter(({ isRunning }) => isRunning).map(({ entry }) => entry)"
    :keys="KEYS"
    :on-digit="onDigit"
    :help="[
      ['S', 'start commands for all on the console'],
      ['1–9', 'that person has lost the position'],
      ['C, 1–9', 'caution for that person'],
      ['F, 1–9', 'stop that person for safety'],
      ['N', 'the next who wait'],
    ]"
  >
    <template #side>
      <GroupList
        :day="day"
        :event="event"
        :candidates="group"
        :chosen-ids="chosenIds"
        :may-change="!anyRunning"
        :most="most"
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
      <section v-if="!anyRunning && !allOver" class="sheet rules">
        <h1>{{ toStart.length === 0 ? 'Nobody is on the console' : `${toStart.length} start together` }}</h1>
        <p>{{ protocol.position }}</p>
        <p class="quiet">
          Ends when: {{ protocol.endsWhen.join(', ').toLowerCase()
          }}<template v-if="protocol.capMs">. Stopped at {{ printTime(protocol.capMs) }}</template
          >.
        </p>
        <BButton
          v-if="grading.mayCapture.value"
          variant="primary"
          size="lg"
          :disabled="toStart.length === 0 || !ready"
          @click="beginStart"
        >
          Start commands <kbd>S</kbd>
        </BButton>
      </section>
      <p v-if="armed" class="armed" role="status">
        {{ armed === 'caution' ? 'Caution' : 'Stop for safety' }}: press the number of the person, or Esc
      </p>
      <ol class="tiles">
        <li v-for="(tile, index) in tiles" :key="tile.entry.id" class="sheet" :class="{ over: tile.isOver }">
          <header>
            <kbd>{{ index + 1 }}</kbd>
            <strong class="figures bib">{{ tile.entry.bib ?? '–' }}</strong>
            <span>{{ shortName(tile.entry) }}</span>
          </header>
          <div class="figures time" :data-bib="tile.entry.bib">{{ printClock(tile.elapsedMs, 1) }}</div>
          <Gauge v-if="tile.mark?.cut" :cut="tile.mark.cut" :value="Math.floor(tile.elapsedMs / 100) * 100" />
          <p v-if="tile.isOver && tile.mark" class="word">{{ wordFor(tile.mark) }}</p>
          <div v-if="tile.isRunning || (watchNumber > 1 && tile.isOver && !tile.hasBackup)" class="keys-row">
            <button class="lost" :disabled="!ready" @pointerdown.prevent="lost(tile.entry)">Position lost</button>
            <button v-if="tile.isRunning" class="caution" :disabled="!ready" @click="caution(tile.entry)">
              Caution<small>{{ tile.cautionsLeft > 0 ? `${tile.cautionsLeft} left` : 'the next ends it' }}</small>
            </button>
          </div>
        </li>
      </ol>
      <section v-if="allOver" class="sheet done">
        <strong>All are down.</strong>
        <BButton v-if="waiting.length > 0" variant="primary" size="lg" @click="takeNext">
          The next {{ Math.min(most, waiting.length) }} <kbd>N</kbd>
        </BButton>
        <RouterLink v-else class="btn btn-primary btn-lg" :to="{ name: 'run' }">Back to the events</RouterLink>
      </section>
    </template>
    <template #foot><WatchChoice v-model="watchNumber" /></template>
  </GroupRoom>
</template>

<style scoped lang="scss">
@use '../../console/pad';
.rules {
  padding: 16px 20px;
}
.rules p {
  margin: 6px 0;
}
.armed {
  margin: 0;
  padding: 8px 14px;
  background: var(--vest);
  color: var(--vest-ink);
  border-radius: 6px;
  font-weight: 700;
}
.tiles {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
  gap: 10px;
}
.tiles li {
  padding: 12px 14px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.tiles header {
  display: flex;
  gap: 10px;
  align-items: baseline;
}
.bib {
  font-size: 1.5rem;
}
.time {
  font-size: 3.4rem;
  line-height: 1;
  font-weight: 700;
}
.over {
  background: var(--sheet-2);
}
.word {
  margin: 0;
  font-weight: 700;
}
.keys-row {
  grid-template-columns: 2fr 1fr;
  grid-auto-flow: row;
}
.keys-row .lost {
  background: var(--pad);
  color: var(--pad-ink);
  border: 0;
  min-height: 72px;
  font-size: 1.125rem;
}
.done {
  display: flex;
  justify-content: space-between;
  align-items: center;
  padding: 14px 16px;
}
</style>
