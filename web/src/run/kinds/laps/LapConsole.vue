<script setup lang="ts">
/** The lap console: one wave on the course, stamped by bib, by the next expected runner, or time first. */
import { BButton } from 'bootstrap-vue-next'
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { shortName, type Day } from '../../../day/day.ts'
import { useDay } from '../../../day/dayStore.ts'
import { useSession } from '../../../session/sessionStore.ts'
import KeyHelp from '../../../ui/KeyHelp.vue'
import EventStrip from '../../EventStrip.vue'
import StartCommands from '../../start/StartCommands.vue'
import { useKeys } from '../../useKeys.ts'
import LapClock from './LapClock.vue'
import LapKeys from './LapKeys.vue'
import LapSide from './LapSide.vue'
import LapTiles from './LapTiles.vue'
import StopDialog from '../../console/StopDialog.vue'
import { useLapConsole, type RunEvent } from './useLapConsole.ts'
import { useLapRepairs } from './useLapRepairs.ts'

const props = defineProps<{
  day: Day
  event: RunEvent
}>()

const store = useDay()
const session = useSession()
const lap = useLapConsole(() => props.day, props.event)
const { role, waves, wave, board, runners, next, unassigned, stillOut, mayCapture, ready, message } = lap

const repairs = useLapRepairs(
  props.event,
  () => runners.value,
  () => wave.value,
)
const assignFromOrder = (): void => {
  for (const { captureId, bib } of repairs.assignable.value) lap.assign(captureId, bib)
}

const typed = ref('')
const keys = useTemplateRef('keys')
const starting = ref(false)
const stopping = ref(false)
const helping = ref(false)
/** The stamp without a bib that the typed bib goes to. */
const assigning = ref<string | null>(null)

const started = computed(() => board.value.startedAtMs !== null)
const onCourse = computed(() => started.value && stillOut.value > 0)
const nextWave = computed(() => waves.value.find((one) => one > wave.value))
const endedAtMs = computed(() => {
  const { startedAtMs, runners: tiles, crossings } = board.value
  return startedAtMs === null || stillOut.value > 0 || tiles.length === 0
    ? null
    : (crossings.find(({ home }) => home)?.atMs ?? startedAtMs)
})
const typedName = computed(() => {
  if (typed.value === '') return ''
  const entry = runners.value.find(({ bib }) => String(bib) === typed.value)
  return entry ? shortName(entry) : `not in wave ${wave.value}`
})
const gaugeEntry = computed(() => store.entry(next.value?.entryId ?? runners.value[0]?.id ?? null))
const cut = computed(() => (gaugeEntry.value ? lap.cutFor(gaugeEntry.value) : null))
const cutOf = computed(() => (cut.value?.band && gaugeEntry.value ? `, for ${shortName(gaugeEntry.value)}` : ''))
/** Only looked at when somebody stops. */
const outEntries = computed(() =>
  board.value.runners.flatMap(({ state, entryId }) => (state === 'running' ? (store.entry(entryId) ?? []) : [])),
)

const enter = (): void => {
  const bib = Number(typed.value)
  typed.value = ''
  if (!Number.isInteger(bib) || bib < 1) return
  if (assigning.value !== null) {
    if (lap.assign(assigning.value, bib)) assigning.value = null
  } else lap.crossBib(bib)
}

const beginAssigning = (captureId = unassigned.value.at(-1)?.captureId ?? null): void => {
  assigning.value = captureId
  typed.value = ''
  void nextTick(() => keys.value?.field?.focus())
}

const beginStart = (): void => {
  if (!started.value && ready.value && runners.value.length > 0) starting.value = true
}

const onGo = (moment: Parameters<typeof lap.start>[0]): void => {
  starting.value = false
  lap.start(moment)
}

const escape = (): void => {
  starting.value = false
  assigning.value = null
  typed.value = ''
}

const KEYS: Readonly<Record<string, () => void>> = {
  Enter: enter,
  ' ': () => lap.crossNext(),
  n: () => lap.crossUnknown(),
  u: () => lap.undo(),
  b: () => beginAssigning(),
  x: () => (stopping.value = stillOut.value > 0),
  s: beginStart,
  Escape: escape,
  Backspace: () => (typed.value = typed.value.slice(0, -1)),
}
const MOST_DIGITS = 5
const type = (digit: string): void => {
  if (typed.value.length < MOST_DIGITS) typed.value += digit
}
useKeys({
  actionFor: (name) => {
    if (name === '?') return () => (helping.value = !helping.value)
    if (!mayCapture.value) return undefined
    return /^\d$/.test(name) ? () => type(name) : KEYS[name]
  },
  ownField: () => keys.value?.field ?? null,
  // a bib that is typed is meant for the line, whichever button was touched last
  winsOverButtons: (name) => name === 'Enter' && typed.value !== '',
})

const HELP = [
  ['0–9, Enter', 'stamp a bib as it crosses'],
  ['Space', 'stamp the runner expected next'],
  ['N', 'keep the time now, put the bib to it later'],
  ['B', 'put a bib to the oldest time without one'],
  ['U', 'undo the last capture of this device'],
  ['X', 'somebody stops: safety, medical, gave up'],
  ['S', 'start commands'],
  ['Esc', 'clear what is typed'],
] as const
</script>

<template>
  <main class="console">
    <EventStrip class="strip" :day="day" :current="event.id" />

    <div class="main">
      <div v-if="waves.length > 1" class="waves" role="group" aria-label="Wave">
        <BButton
          v-for="one in waves"
          :key="one"
          size="sm"
          :variant="one === wave ? 'primary' : 'quiet'"
          :aria-pressed="one === wave"
          @click="wave = one"
        >
          Wave {{ one }}
        </BButton>
      </div>

      <StartCommands
        v-if="starting"
        :day="day"
        :event="event"
        :entries="runners"
        @go="onGo"
        @cancel="starting = false"
      />
      <LapClock
        v-else-if="board.startedAtMs !== null"
        :wave="wave"
        :started-at-ms="board.startedAtMs"
        :ended-at-ms="endedAtMs"
        :zone="day.occasion.zone"
        :cut="cut"
        :cut-of="cutOf"
      />
      <section v-else class="sheet ready">
        <div>
          <h1>Wave {{ wave }}: {{ runners.length }} on the line</h1>
          <p class="quiet">
            {{ board.laps }} laps. Check the bibs below against the people on the line; somebody who is missing is
            marked absent at muster.
          </p>
        </div>
        <BButton
          v-if="mayCapture"
          variant="primary"
          size="lg"
          :disabled="!ready || runners.length === 0"
          @click="beginStart"
        >
          Start commands <kbd>S</kbd>
        </BButton>
      </section>

      <LapTiles
        :runners="board.runners"
        :laps="board.laps"
        :entry-of="store.entry"
        :next-id="next?.entryId"
        :active="ready && started"
        :any-time="role !== 1"
        @cross="lap.crossEntry"
      />
      <section v-if="started && !onCourse && board.runners.length > 0" class="sheet done">
        <p>
          <strong>Wave {{ wave }} is in.</strong> Keep the finishers walking, watch them for a few minutes, offer water.
        </p>
        <BButton v-if="nextWave" variant="primary" @click="wave = nextWave">Go to wave {{ nextWave }}</BButton>
        <RouterLink v-else class="btn btn-primary" :to="{ name: 'verdicts' }">See the verdicts</RouterLink>
      </section>
    </div>

    <LapSide
      v-model:role="role"
      :board="board"
      :repairs="repairs"
      :entry-of="store.entry"
      :assigning="assigning"
      :may-capture="mayCapture"
      @assign="beginAssigning"
      @assign-all="assignFromOrder"
    />

    <LapKeys
      v-if="mayCapture"
      ref="keys"
      v-model:typed="typed"
      class="keys"
      :typed-name="typedName"
      :assigning="assigning !== null"
      :started="started"
      :on-course="onCourse"
      :message="message"
      @enter="enter"
      @next="lap.crossNext()"
      @later="lap.crossUnknown()"
      @undo="lap.undo()"
      @stop="stopping = true"
      @help="helping = true"
    />
    <StopDialog
      v-model="stopping"
      :event="event"
      :runners="stopping ? outEntries : []"
      :may-disqualify="session.can('capture.asOfficer')"
      @stop="lap.stopRunner"
      @caution="lap.cautionRunner"
    />
    <KeyHelp v-model="helping" :keys="HELP" />
  </main>
</template>

<style scoped>
.console {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 336px;
  grid-template-rows: auto 1fr auto;
  gap: 12px 16px;
  padding: 12px 20px;
  max-height: calc(100dvh - 64px);
  min-height: 0;
}
.strip,
.keys {
  grid-column: 1 / -1;
}
.main {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
  overflow-y: auto;
  padding: 4px;
  margin: -4px;
}
.waves {
  display: flex;
  gap: 6px;
}
.ready {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 20px;
  padding: 18px 20px;
}
.ready p {
  margin: 4px 0 0;
}
.done {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 16px;
  padding: 14px 16px;
}
.done p {
  margin: 0;
}
/* each fills its place whatever is in it, so that a stamp lays out nothing around it */
@media (min-width: 901px) {
  .main,
  .console > :deep(.side) {
    contain: size layout style;
  }
}
@media (max-width: 900px) {
  .console {
    display: flex;
    flex-direction: column;
    padding: 10px 12px;
    max-height: none;
  }
  .keys {
    order: 3;
  }
  .console > :deep(.side) {
    order: 4;
  }
  .ready {
    flex-direction: column;
    align-items: stretch;
  }
}
</style>
