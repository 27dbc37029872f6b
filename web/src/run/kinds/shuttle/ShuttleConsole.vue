<script setup lang="ts">
/** A progressive shuttle: signals and spoken levels from the schedule, misses by runner, the last shuttle completed. */
import {
  SHUTTLE_COUNT_RULES,
  followShuttle,
  lastBefore,
  printClock,
  printQuantity,
  shuttleSignals,
  type ProtocolOf,
  type StandardEvent,
} from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { shortName, type Day, type Entry } from '../../../day/day.ts'
import { useSignals } from '../../../sound/useSignals.ts'
import { useSound } from '../../../sound/useSound.ts'
import type { AgreedMoment } from '../../../sync/agreedClock.ts'
import { useTick } from '../../../ui/useTick.ts'
import { figureOf } from '../../../ui/verdictWords.ts'
import StartCommands from '../../start/StartCommands.vue'
import StartHearing from '../../start/StartHearing.vue'
import BibField from '../../console/BibField.vue'
import GroupRoom from '../../console/GroupRoom.vue'
import { useGroupGrading } from '../../console/useGroupGrading.ts'
import { useWave } from '../../console/useWave.ts'
import WaveChoice from '../../console/WaveChoice.vue'

const props = defineProps<{
  day: Day
  event: StandardEvent & { readonly protocol: ProtocolOf<'progressiveShuttle'> }
}>()

const { protocol } = props.event
const signals = shuttleSignals(protocol)
const nowMs = useTick(50)
const { say } = useSound()
const grading = useGroupGrading(() => props.day, props.event)
const { ready } = grading
const group = useWave(() => props.day, props.event, grading)
const { waves, wave, runners, started, nextWave, isOver, typed, typedName } = group
const starting = ref(false)
const bib = useTemplateRef('bib')

const elapsedMs = computed(() => (started.value ? Math.max(0, nowMs.value - started.value.atMs) : 0))
const index = computed(() => lastBefore(signals, elapsedMs.value))
/** The shuttle being run now. */
const running = computed(() => signals[index.value + 1])
const toNextMs = computed(() => Math.max(0, (running.value?.atMs ?? 0) - elapsedMs.value))
const shareOfShuttle = computed(() => {
  const before = signals[index.value]?.atMs ?? 0
  const length = (running.value?.atMs ?? before) - before
  return length > 0 ? 1 - toNextMs.value / length : 0
})

const tiles = computed(() =>
  runners.value.map((entry) => ({
    entry,
    run: followShuttle(protocol, grading.ownOf(entry.id), group.startFor(entry)),
    mark: grading.markOf(entry.id),
    out: isOver(entry),
  })),
)
const stillIn = computed(() => tiles.value.filter(({ out }) => !out))
const isRunning = computed(() => started.value !== null && stillIn.value.length > 0 && running.value !== undefined)

useSignals(
  () => (isRunning.value ? (started.value?.atMs ?? null) : null),
  (fromMs, toMs) =>
    signals
      .filter(({ atMs }) => atMs >= fromMs && atMs < toMs)
      .map(({ atMs, endsLevel }) => ({ atMs, tone: endsLevel ? 'level' : 'signal' })),
)
watch(index, (now, before) => {
  const next = signals[now + 1]
  if (!isRunning.value || now <= before || !next) return
  say(next.shuttle === 1 ? `Level ${next.level}` : String(next.shuttle))
})
const isDone = ({ id }: Entry): boolean => {
  const kind = grading.markOf(id)?.kind
  return kind !== 'running'
}
const miss = (entry: Entry): void => {
  if (!isDone(entry)) grading.observe(entry.id, { kind: 'missed', payload: {} })
}
const out = (entry: Entry): void => {
  if (!isDone(entry)) grading.observe(entry.id, { kind: 'stopped', payload: { reason: 'ended' } })
}
const withTyped = (act: (entry: Entry) => void): void => {
  const entry = group.takeTyped()
  if (entry) act(entry)
}
const beginStart = (): void => {
  if (ready.value && started.value === null && runners.value.length > 0) starting.value = true
}
const onGo = (moment: AgreedMoment): void => {
  starting.value = false
  group.start(moment)
}
const KEYS: Readonly<Record<string, () => void>> = {
  Enter: () => withTyped(miss),
  o: () => withTyped(out),
  s: beginStart,
  Backspace: () => (typed.value = typed.value.slice(0, -1)),
  Escape: () => {
    typed.value = ''
    starting.value = false
  },
}
const resultOf = (tile: (typeof tiles.value)[number]): string => {
  const figure = tile.mark ? figureOf(tile.mark) : null
  if (figure !== null && tile.mark && 'unit' in tile.mark) return printQuantity(figure, tile.mark.unit)
  return tile.out ? 'out' : ''
}
</script>

<template>
  <GroupRoom
    :day="day"
    :event="event"
    :grading="grading"
    :under="started ? stillIn.map(({ entry }) => entry) : []"
    :targets="[group.target.value]"
    :keys="KEYS"
    :strong-keys="typed === '' ? [] : ['Enter']"
    :on-digit="group.type"
    :own-field="() => bib?.field ?? null"
    sounds
    :help="[
      ['S', 'start commands for the wave'],
      ['0–9, Enter', 'that bib missed the line'],
      ['0–9, O', 'that bib steps out'],
      ['Esc', 'clear what is typed'],
    ]"
  >
    <template #side>
      <section class="sheet panel">
        <WaveChoice v-model="wave" :waves="waves" />
        <h2>Rules</h2>
        <p>
          {{ protocol.lineDistanceMm / 1000 }} m between the lines. Within {{ protocol.zoneMm / 1000 }} m of the line at
          the signal counts as reached.
        </p>
        <p>
          {{ protocol.missesAllowed }} {{ protocol.missesAllowed === 1 ? 'miss' : 'misses' }} in a row allowed, one more
          is out.
          {{ SHUTTLE_COUNT_RULES[protocol.counts] }}
        </p>
        <p v-for="text in event.cautions" :key="text">{{ text }}</p>
      </section>
      <section class="sheet panel">
        <h2>{{ stillIn.length }} still in, {{ tiles.length - stillIn.length }} out</h2>
        <ol class="outs">
          <li v-for="tile in tiles.filter(({ out: isOut }) => isOut)" :key="tile.entry.id">
            <strong class="figures">{{ tile.entry.bib }}</strong> {{ shortName(tile.entry) }}
            <span>{{ resultOf(tile) }}</span>
          </li>
        </ol>
      </section>
    </template>
    <StartCommands v-if="starting" :day="day" :event="event" :entries="runners" @go="onGo" @cancel="starting = false" />
    <section v-else-if="!started" class="sheet ready">
      <h1>Wave {{ wave }}: {{ runners.length }} on the line</h1>
      <p class="quiet">Let them hear the signal first. The signals begin with the start.</p>
      <BButton
        v-if="grading.mayCapture.value"
        variant="primary"
        size="lg"
        :disabled="!ready || runners.length === 0"
        @click="beginStart"
      >
        Start commands <kbd>S</kbd>
      </BButton>
      <StartHearing :protocol="protocol" />
    </section>
    <section v-else class="sheet level" aria-label="Level and shuttle">
      <div>
        <span class="quiet">level</span
        ><strong class="figures" data-testid="level">{{ running?.level ?? signals.at(-1)?.level }}</strong>
      </div>
      <div>
        <span class="quiet">shuttle</span
        ><strong class="figures" data-testid="shuttle">{{ running?.shuttle ?? '–' }}</strong>
      </div>
      <div class="to-next">
        <span class="quiet">{{ isRunning ? 'to the signal' : 'over' }}</span>
        <strong class="figures" role="timer">{{ isRunning ? printClock(toNextMs, 1) : printClock(elapsedMs) }}</strong>
        <div class="track"><div :style="{ width: `${shareOfShuttle * 100}%` }" /></div>
      </div>
    </section>
    <ol class="tiles">
      <li
        v-for="{ entry, run, out: isOut } in stillIn"
        :key="entry.id"
        class="sheet"
        :class="{ warned: run.missesInRow > 0 }"
      >
        <button
          class="miss"
          :data-bib="entry.bib"
          :disabled="!ready || !started || isOut"
          :aria-label="`Bib ${entry.bib}, ${shortName(entry)}: missed the line`"
          @click="miss(entry)"
        >
          <strong class="figures">{{ entry.bib }}</strong>
          <span>{{ shortName(entry) }}</span>
          <small>{{ run.missesInRow > 0 ? `${run.missesInRow} missed in a row` : 'touch: missed' }}</small>
        </button>
        <button
          class="out"
          :disabled="!ready || !started"
          :aria-label="`Bib ${entry.bib} steps out`"
          @click="out(entry)"
        >
          Out
        </button>
      </li>
    </ol>
    <section v-if="started && stillIn.length === 0" class="sheet done">
      <p>
        <strong>Wave {{ wave }} is out.</strong> Keep them walking, watch them, offer water.
      </p>
      <BButton v-if="nextWave" variant="primary" @click="wave = nextWave">Go to wave {{ nextWave }}</BButton>
      <RouterLink v-else class="btn btn-primary" :to="{ name: 'run' }">Back to the events</RouterLink>
    </section>
    <template #foot>
      <BibField
        ref="bib"
        v-model="typed"
        :typed-name="typedName"
        action="Missed"
        :disabled="!started"
        @enter="withTyped(miss)"
      />
      <BButton variant="quiet" :disabled="typed === ''" @click="withTyped(out)">Steps out <kbd>O</kbd></BButton>
    </template>
  </GroupRoom>
</template>

<style scoped>
.panel {
  padding: 12px 14px;
  overflow-y: auto;
}
.panel p {
  margin: 4px 0;
}
.outs {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
}
.outs li {
  display: grid;
  grid-template-columns: 44px 1fr auto;
  padding: 4px 0;
  border-top: 1px solid var(--line);
}
.ready,
.done {
  padding: 16px 20px;
}
.done {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.done p {
  margin: 0;
}
.level {
  display: grid;
  grid-template-columns: auto auto 1fr;
  gap: 32px;
  padding: 10px 20px;
}
.level > div {
  display: flex;
  flex-direction: column;
}
.level strong {
  font-size: 76px;
  line-height: 0.95;
}
.to-next strong {
  font-size: 56px;
}
.track {
  height: 12px;
  border: 1px solid var(--line-2);
  margin-top: 6px;
}
.track div {
  height: 100%;
  background: var(--bar-2);
}
.tiles {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 9px;
}
.tiles li {
  display: grid;
  grid-template-columns: 1fr auto;
  overflow: hidden;
  border-color: var(--line-2);
}
.tiles button {
  border: 0;
  background: none;
  color: inherit;
  touch-action: manipulation;
}
.miss {
  min-height: 92px;
  padding: 8px 12px;
  text-align: left;
  display: flex;
  flex-direction: column;
}
.miss strong {
  font-size: 2.1rem;
  line-height: 1;
}
.miss small {
  color: var(--ink-2);
  font-size: 0.8125rem;
}
.tiles .out {
  border-left: 1px solid var(--line);
  padding: 0 14px;
  font-weight: 700;
}
.warned {
  background: var(--decide-tint);
  border-color: var(--decide-edge);
}
@media (max-width: 900px) {
  .level {
    gap: 16px;
  }
  .level strong {
    font-size: 48px;
  }
  .to-next strong {
    font-size: 38px;
  }
  .tiles {
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  }
}
</style>
