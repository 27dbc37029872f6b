<script setup lang="ts">
/** The lap console: one wave on the course, stamped by bib, by the next expected runner, or time first. */
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { shortName, type Day } from '../../../day/day.ts'
import { useDay } from '../../../day/dayStore.ts'
import { useSession } from '../../../session/sessionStore.ts'
import KeyHelp from '../../../ui/KeyHelp.vue'
import { useTick } from '../../../ui/useTick.ts'
import EventStrip from '../../EventStrip.vue'
import StartCommands from '../../start/StartCommands.vue'
import { useKeys } from '../../useKeys.ts'
import LapClock from './LapClock.vue'
import LapCrossings from './LapCrossings.vue'
import LapAlignment from './LapAlignment.vue'
import LapKeys from './LapKeys.vue'
import LapRepairs from './LapRepairs.vue'
import StopDialog from '../../work/StopDialog.vue'
import LapTile from './LapTile.vue'
import { useLapConsole, type RunEvent } from './useLapConsole.ts'
import { useCalmOrder } from './useCalmOrder.ts'
import { useLapRepairs } from './useLapRepairs.ts'
import { useTileWindow } from './useTileWindow.ts'

const props = defineProps<{
  day: Day
  event: RunEvent
}>()

const store = useDay()
const session = useSession()
const nowMs = useTick(1_000)
/** Those expected soon are shown to the second, the others a little less often: nobody reads two hundred seconds at once. */
const SOON = 24
const laterMs = computed(() => Math.floor(nowMs.value / 10_000) * 10_000)
const lap = useLapConsole(() => props.day, props.event)
const { role, waves, wave, board, runners, next, unassigned, stillOut, mayCapture, ready, message } = lap

const repairs = useLapRepairs(
  props.event,
  () => runners.value,
  () => wave.value,
)
const { faults, aligned, differences, assignable } = repairs
const aligning = ref(false)
const assignFromOrder = async (): Promise<void> => {
  for (const { captureId, bib } of assignable.value) await lap.assign(captureId, bib)
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
const order = useCalmOrder(() => board.value.runners.map(({ entryId }) => entryId))
const tiles = computed(() => {
  const runnerOf = new Map(board.value.runners.map((runner) => [runner.entryId, runner]))
  return order.value.flatMap((entryId) => {
    const [runner, entry] = [runnerOf.get(entryId), store.entry(entryId)]
    return runner && entry ? [{ runner, entry }] : []
  })
})
const tilesBox = useTemplateRef<HTMLElement>('tilesBox')
const tileWindow = useTileWindow(tilesBox, () => tiles.value.length, 136, 9)
const tilesShown = computed(() => tiles.value.slice(tileWindow.value.from, tileWindow.value.to))
const SHOWN_CROSSINGS = 40
const newest = computed(() => {
  const { crossings } = board.value
  // a time without a bib is shown however old it is
  return crossings.filter(({ entryId }, index) => index < SHOWN_CROSSINGS || entryId === null)
})
const outEntries = computed(() =>
  tiles.value.flatMap(({ runner, entry }) => (runner.state === 'running' ? [entry] : [])),
)

const enter = async (): Promise<void> => {
  const bib = Number(typed.value)
  typed.value = ''
  if (!Number.isInteger(bib) || bib < 1) return
  if (assigning.value !== null) {
    if (await lap.assign(assigning.value, bib)) assigning.value = null
  } else await lap.crossBib(bib)
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
  void lap.start(moment)
}

const escape = (): void => {
  starting.value = false
  assigning.value = null
  typed.value = ''
}

const KEYS: Readonly<Record<string, () => void>> = {
  Enter: () => void enter(),
  ' ': () => void lap.crossNext(),
  n: () => void lap.crossUnknown(),
  u: () => void lap.undo(),
  b: () => beginAssigning(),
  x: () => (stopping.value = outEntries.value.length > 0),
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
        <button
          v-for="one in waves"
          :key="one"
          class="btn btn-sm"
          :class="one === wave ? 'btn-primary' : 'btn-quiet'"
          :aria-pressed="one === wave"
          @click="wave = one"
        >
          Wave {{ one }}
        </button>
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
        <button
          v-if="mayCapture"
          class="btn btn-primary btn-lg"
          :disabled="!ready || runners.length === 0"
          @click="beginStart"
        >
          Start commands <kbd>S</kbd>
        </button>
      </section>

      <div
        ref="tilesBox"
        class="tiles"
        :class="{ many: board.runners.length > 40 }"
        :style="{ paddingTop: `${tileWindow.abovePx}px`, paddingBottom: `${tileWindow.belowPx}px` }"
      >
        <LapTile
          v-for="({ runner, entry }, index) in tilesShown"
          :key="runner.entryId"
          :runner="runner"
          :bib="entry.bib ?? 0"
          :name="shortName(entry)"
          :laps="board.laps"
          :next="runner.entryId === next?.entryId"
          :now-ms="tileWindow.from + index < SOON ? nowMs : laterMs"
          :active="ready && started"
          :any-time="role !== 1"
          @cross="lap.crossEntry(runner.entryId)"
        />
      </div>
      <section v-if="started && !onCourse && board.runners.length > 0" class="sheet done">
        <p>
          <strong>Wave {{ wave }} is in.</strong> Keep the finishers walking, watch them for a few minutes, offer water.
        </p>
        <button v-if="nextWave" class="btn btn-primary" @click="wave = nextWave">Go to wave {{ nextWave }}</button>
        <RouterLink v-else class="btn btn-primary" :to="{ name: 'verdicts' }">See the verdicts</RouterLink>
      </section>
    </div>

    <aside class="side">
      <label class="role quiet">
        This device keeps
        <select v-model.number="role" class="form-select">
          <option :value="1">the laps (timer)</option>
          <option :value="2">a backup watch</option>
          <option :value="3">a second backup watch</option>
          <option :value="0">the order of the finish</option>
        </select>
      </label>
      <LapRepairs
        v-if="faults.length > 0 && board.startedAtMs !== null"
        :faults="faults"
        :started-at-ms="board.startedAtMs"
        :entry-of="store.entry"
        :may-repair="mayCapture"
        @repair="repairs.repair"
        @dismiss="repairs.dismiss"
      />
      <section v-if="aligned.length > 0" class="sheet order" :class="{ look: differences > 0 }">
        <strong>Order of the finish</strong>
        <p>
          {{ differences === 0 ? 'It agrees with the times.' : `It parts from the times in ${differences} places.` }}
        </p>
        <button class="btn btn-quiet" @click="aligning = true">Lay them side by side</button>
      </section>
      <section v-if="unassigned.length > 0" class="sheet look">
        <strong>{{ unassigned.length }} {{ unassigned.length === 1 ? 'time' : 'times' }} without a bib</strong>
        <p>Kept as stamped. Put the bib to it when you know it.</p>
        <button v-if="mayCapture" class="btn btn-quiet" @click="beginAssigning()">Put a bib <kbd>B</kbd></button>
      </section>
      <LapCrossings
        class="list"
        :crossings="newest"
        :more="board.crossings.length - newest.length"
        :entry-of="store.entry"
        :assigning="assigning"
        :may-assign="mayCapture"
        @assign="beginAssigning"
      />
    </aside>

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
      :runners="outEntries"
      :may-disqualify="session.can('capture.asOfficer')"
      @stop="lap.stopRunner"
      @caution="lap.cautionRunner"
    />
    <LapAlignment
      v-if="board.startedAtMs !== null"
      v-model="aligning"
      :rows="aligned"
      :started-at-ms="board.startedAtMs"
      :assignable="assignable.length"
      :may-assign="mayCapture"
      @assign="assignFromOrder"
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
.tiles {
  contain: layout style;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(158px, 1fr));
  gap: 9px;
}
.tiles.many {
  grid-template-columns: repeat(auto-fill, minmax(136px, 1fr));
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
.side {
  display: flex;
  flex-direction: column;
  gap: 12px;
  min-height: 0;
}
.role {
  display: flex;
  align-items: center;
  gap: 8px;
  white-space: nowrap;
}
.order {
  padding: 12px 14px;
}
.order p {
  margin: 2px 0 8px;
}
.look {
  background: var(--decide-tint);
  border-color: var(--decide-edge);
  padding: 12px 14px;
}
.look p {
  margin: 2px 0 8px;
}
.list {
  flex: 1;
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
  .tiles {
    grid-template-columns: repeat(auto-fill, minmax(108px, 1fr));
  }
  .side {
    order: 4;
  }
  .ready {
    flex-direction: column;
    align-items: stretch;
  }
}
</style>
