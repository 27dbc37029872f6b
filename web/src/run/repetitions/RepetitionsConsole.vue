<script setup lang="ts">
/** A grader beside one candidate: a large pad to count, reasons to refuse, cautions, undo and stop. */
import { useEventListener } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { fullName, type Day, type Entry } from '../../day/day.ts'
import KeyHelp from '../../ui/KeyHelp.vue'
import { useTick } from '../../ui/useTick.ts'
import StartCommands from '../StartCommands.vue'
import { useKeys } from '../useKeys.ts'
import RepetitionsHead from './RepetitionsHead.vue'
import RepetitionsOver from './RepetitionsOver.vue'
import RepetitionsTally from './RepetitionsTally.vue'
import { useHold } from './useHold.ts'
import { useRepetitions, type RepetitionEvent } from './useRepetitions.ts'

const props = defineProps<{
  day: Day
  event: RepetitionEvent
  entry: Entry
  /** Who comes after. */
  following: Entry | undefined
}>()

const emit = defineEmits<{
  next: []
  /** Back to the list, on a phone. */
  back: []
}>()

const reps = useRepetitions(
  () => props.day,
  props.event,
  () => props.entry,
)
const { protocol, attempt, phase, mark, mayCapture, held, ready, cautionsLeft, restartOffered, undoable, undoWords } =
  reps
const starting = ref(false)
const helping = ref(false)
const stopHold = useHold(1_000, () => void reps.stop('ended'))

const nowMs = useTick(100)
const elapsedMs = computed(() =>
  attempt.value.startedAtMs === null
    ? 0
    : Math.min(protocol.durationMs, Math.max(0, nowMs.value - attempt.value.startedAtMs)),
)
watch(nowMs, (now) => {
  if (attempt.value.endsAtMs !== null && now >= attempt.value.endsAtMs && phase.value === 'running') void reps.endTime()
})

const beginStart = (): void => {
  if (ready.value && phase.value === 'ready') starting.value = true
}
const onGo = (moment: Parameters<typeof reps.start>[0]): void => {
  starting.value = false
  void reps.start(moment)
}

const KEYS: Readonly<Record<string, () => void>> = {
  ' ': () => void reps.count(),
  c: () => void reps.caution(),
  u: () => void reps.undo(),
  r: () => restartOffered.value && void reps.restart('fault explained'),
  e: () => stopHold.press(),
  f: () => void reps.stop('safety'),
  s: beginStart,
  n: () => phase.value === 'over' && emit('next'),
  Escape: () => (starting.value = false),
}

useKeys({
  actionFor: (name) => {
    if (name === '?') return () => (helping.value = !helping.value)
    if (!mayCapture.value) return undefined
    const refusal = protocol.refusals[Number(name) - 1]
    return refusal ? () => void reps.refuse(refusal.id) : KEYS[name]
  },
  // while counting, Space counts wherever the focus is
  winsOverButtons: (name) => name === ' ' && phase.value === 'running',
})
useEventListener(window, 'keyup', ({ key }: KeyboardEvent) => {
  if (key.toLowerCase() === 'e') stopHold.release()
})

const HELP = computed(() => [
  ['S', 'start commands'] as const,
  ['Space', 'count a repetition'] as const,
  ...protocol.refusals.map(({ label }, index) => [String(index + 1), `refuse: ${label.toLowerCase()}`] as const),
  ['C', 'caution'] as const,
  ['U', 'undo'] as const,
  ['R', 'begin again, while the protocol allows it'] as const,
  ['E', 'hold one second: the candidate ends'] as const,
  ['F', 'stop for safety, at once'] as const,
  ['N', 'next candidate, when this one is done'] as const,
])
</script>

<template>
  <section class="console" :aria-label="`${event.name}, ${fullName(entry)}`">
    <RepetitionsHead
      :event="event"
      :entry="entry"
      :day="day"
      :share="elapsedMs / protocol.durationMs"
      @back="emit('back')"
    />

    <p v-if="held" class="sheet note" role="alert">
      <strong>{{ entry.attendance === 'held' ? 'Held: may not start.' : 'Not checked in.' }}</strong> {{ entry.note }}
    </p>

    <StartCommands v-if="starting" :commands="protocol.startCommands" @go="onGo" @cancel="starting = false" />
    <template v-else>
      <RepetitionsTally
        :protocol="protocol"
        :attempt="attempt"
        :cut="mark?.cut ?? null"
        :elapsed-ms="elapsedMs"
        :over="phase === 'over'"
      />

      <RepetitionsOver
        v-if="phase === 'over'"
        :mark="mark"
        :following="following"
        :may-undo="mayCapture && undoable !== undefined"
        @next="emit('next')"
        @undo="reps.undo()"
      />
      <template v-else-if="phase === 'ready'">
        <section class="sheet rules">
          <h2>What counts</h2>
          <p>{{ protocol.countsWhen }}</p>
          <p v-for="text in event.cautions" :key="text">{{ text }}</p>
          <p v-if="protocol.restart">
            May begin again {{ protocol.restart.times === 1 ? 'once' : `${protocol.restart.times} times` }}, within the
            first {{ protocol.restart.withinFirst }}, after the fault is explained.
          </p>
        </section>
        <button v-if="mayCapture" class="btn btn-primary start" :disabled="!ready" @click="beginStart">
          Start commands <kbd>S</kbd>
        </button>
      </template>
      <template v-else>
        <button class="count-pad" :disabled="!ready" @pointerdown.prevent="reps.count()">
          <strong>Count</strong><span>tap anywhere here, or space</span>
        </button>
        <div class="keys-row">
          <button
            v-for="(refusal, index) in protocol.refusals"
            :key="refusal.id"
            class="refuse"
            :disabled="!ready"
            @click="reps.refuse(refusal.id)"
          >
            {{ refusal.label }} <kbd>{{ index + 1 }}</kbd>
          </button>
        </div>
        <div class="keys-row">
          <button class="caution" :disabled="!ready" @click="reps.caution()">
            Caution<small>{{ cautionsLeft > 0 ? `${cautionsLeft} left` : 'the next ends it' }}</small>
          </button>
          <button class="plain" :disabled="!ready || !undoable" @click="reps.undo()">
            Undo<small>{{ undoWords }}</small>
          </button>
          <button v-if="restartOffered" class="plain" @click="reps.restart('fault explained')">
            Begin again<small>fault explained</small>
          </button>
          <button
            class="plain stop"
            :disabled="!ready"
            :style="{ '--held': stopHold.share.value }"
            @pointerdown="stopHold.press()"
            @pointerup="stopHold.release()"
            @pointerleave="stopHold.release()"
          >
            Candidate ends<small>hold 1 s</small>
          </button>
          <button class="safety" :disabled="!mayCapture" @click="reps.stop('safety')">
            Stop for safety<small>one touch</small>
          </button>
        </div>
      </template>
    </template>
    <KeyHelp v-model="helping" :keys="HELP" />
  </section>
</template>

<style scoped>
.console {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
  overflow-y: auto;
}
.note {
  margin: 0;
  padding: 12px 16px;
  background: var(--decide-tint);
  border-color: var(--decide-edge);
}
.rules {
  padding: 14px 16px;
}
.rules p {
  margin: 4px 0 0;
}
.start {
  min-height: 72px;
  font-size: 1.375rem;
}
.count-pad {
  flex: 1;
  min-height: 170px;
  border: 0;
  border-radius: 8px;
  background: var(--pad);
  color: var(--pad-ink);
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 10px;
  touch-action: manipulation;
  user-select: none;
}
.count-pad strong {
  font-size: 1.9rem;
}
.count-pad:active {
  background: var(--bar-2);
}
.keys-row {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: 1fr;
  gap: 8px;
}
.keys-row button {
  min-height: 60px;
  border-radius: 8px;
  font-weight: 700;
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--line-2);
  touch-action: manipulation;
  line-height: 1.2;
}
.keys-row small {
  display: block;
  font-weight: 500;
  font-size: 0.8125rem;
}
.keys-row .refuse {
  color: var(--short);
  border-color: var(--short);
}
.keys-row .caution {
  background: var(--decide-tint);
  border-color: var(--decide-edge);
  color: var(--decide);
}
.keys-row .safety {
  background: #b5361a;
  border-color: #b5361a;
  color: #fff;
}
.keys-row .stop {
  background-image: linear-gradient(to right, var(--vest) calc(var(--held) * 100%), transparent 0);
  touch-action: none;
}
@media (max-width: 900px) {
  .console {
    height: calc(100dvh - 20px);
    overflow: visible;
  }
  .keys-row {
    grid-auto-flow: row;
    grid-template-columns: repeat(3, 1fr);
  }
  .keys-row kbd {
    display: none;
  }
  .keys-row .safety {
    grid-column: 1 / -1;
    min-height: 52px;
  }
  .keys-row button {
    padding: 4px;
  }
  .count-pad {
    min-height: 130px;
  }
}
</style>
