<script setup lang="ts">
/** A work chain under one clock: the open segment alone can be worked; repetitions in sets, splits, the pace that meets the limit. */
import {
  asVaried,
  earlierBest,
  followChain,
  planChain,
  printClock,
  printTime,
  USUAL_CHAIN_PACE,
  type ProtocolOf,
  type StandardEvent,
  printLength,
  printQuantity,
} from '@able-gauge/core'
import { computed } from 'vue'
import { candidateFrom, type Day, type Entry } from '../../../day/day.ts'
import Gauge from '../../../ui/Gauge.vue'
import { useTick } from '../../../ui/useTick.ts'
import BigTime from '../../console/BigTime.vue'
import { useGrading } from '../../console/useGrading.ts'
import ConsoleFrame from '../../console/ConsoleFrame.vue'

const props = defineProps<{
  day: Day
  event: StandardEvent & { readonly protocol: ProtocolOf<'workChain'> }
  entry: Entry
  /** Who comes after. */
  following: Entry | undefined
}>()
const emit = defineEmits<{ next: []; back: [] }>()

const { protocol } = props.event
const grading = useGrading(
  () => props.day,
  props.event,
  () => props.entry,
)
const { own, ready, mark } = grading
const nowMs = useTick(50)

const chain = computed(() => followChain(protocol, own.value))
/** When each segment should be done, and in which sets, to meet the limit; nothing where even a steady pace misses it. */
const planned = computed(() => {
  const withinMs = mark.value?.cut?.value ?? protocol.limitMs
  const plan = withinMs === undefined ? null : planChain(protocol, withinMs, USUAL_CHAIN_PACE)
  return plan?.ok ? plan.segments : []
})
const part = computed(() => chain.value.parts[chain.value.open])
const elapsedMs = computed(() => {
  const { started, finish } = chain.value
  return started ? Math.max(0, (finish?.atMs ?? nowMs.value) - started.atMs) : 0
})
const isRunning = computed(() => chain.value.started !== null && chain.value.finish === null)
/** What refuses a repetition of the open segment. */
const refusals = computed(() => part.value?.segment.refusals ?? [])
const cautionsLeft = computed(() => Math.max(0, (protocol.cautionsAllowed ?? 0) - chain.value.cautions))
const refuse = (reason: string): void => {
  if (isRunning.value) grading.observe({ kind: 'refused', payload: { reason } })
}
const caution = (): void => {
  if (isRunning.value) grading.observe({ kind: 'cautioned', payload: {} })
}

const keys = computed(() => ({
  ' ': advance,
  c: () => protocol.cautionsAllowed !== undefined && caution(),
  ...Object.fromEntries(refusals.value.map(({ id }, index) => [String(index + 1), () => refuse(id)] as const)),
}))

/** The best of earlier days, to be seen while it is worked. */
const best = computed(() => {
  const { day, event, entry } = props
  const battery = day.standard.events.find(({ id }) => id === event.id) ?? event
  const candidate = asVaried(candidateFrom(entry), event.id, own.value)
  return earlierBest(day.standard, battery, candidate, day.earlierFigures[entry.id] ?? [])
})
/** What stands beside the clock. */
const besideClock = computed(() =>
  [
    protocol.limitMs === undefined
      ? ''
      : `${isOver.value ? 'over the limit of' : 'limit'} ${printTime(protocol.limitMs)}`,
    best.value ? `earlier best ${printQuantity(best.value.value, best.value.unit, props.event.publishedIn)}` : '',
  ]
    .filter((text) => text !== '')
    .join(', '),
)
const isOver = computed(() => protocol.limitMs !== undefined && elapsedMs.value > protocol.limitMs)

/** One touch does what the open segment is made of: a repetition, or its end. */
const advance = (): void => {
  const segment = part.value?.segment
  if (!segment || !isRunning.value) return
  grading.observe(
    segment.repetitions === undefined
      ? { kind: 'passed', payload: { part: segment.id } }
      : { kind: 'counted', payload: {} },
  )
}
</script>

<template>
  <ConsoleFrame
    :day="day"
    :event="event"
    :entry="entry"
    :following="following"
    :grading="grading"
    :may-start="chain.started === null"
    :share="protocol.limitMs ? Math.min(1, elapsedMs / protocol.limitMs) : 0"
    :keys="keys"
    :strong-keys="isRunning ? [' '] : []"
    :help="[
      ['Space', 'count a repetition, or close a distance'],
      ...(refusals.length > 0 ? [['1–9', 'refuse a repetition'] as const] : []),
      ...(protocol.cautionsAllowed === undefined ? [] : [['C', 'caution'] as const]),
    ]"
    @go="(moment) => grading.observe({ kind: 'started', payload: {} }, moment)"
    @next="emit('next')"
    @back="emit('back')"
  >
    <template #figures>
      <BigTime :elapsed-ms="elapsedMs" :words="besideClock" />
      <Gauge v-if="mark?.cut" :cut="mark.cut" :value="Math.floor(elapsedMs / 250) * 250" size="large" />
      <ol class="parts">
        <li
          v-for="({ segment, repetitions, sets, completeAfterMs }, index) in chain.parts"
          :key="segment.id"
          class="sheet"
          :class="{ open: isRunning && index === chain.open, done: completeAfterMs !== null }"
        >
          <strong>{{ segment.name }}</strong>
          <span v-if="segment.repetitions" class="figures">{{ repetitions }} of {{ segment.repetitions }}</span>
          <span v-else>{{ printLength(segment.distanceMm ?? 0) }}</span>
          <small v-if="sets.length > 1" class="quiet">sets {{ sets.join(', ') }}</small>
          <small v-if="planned[index]" class="quiet plan">
            done by {{ printClock(planned[index].doneAtMs) }} it meets the {{ mark?.cut ? 'cut' : 'limit'
            }}<template v-if="planned[index].sets.length > 1"
              >, in sets of {{ planned[index].sets.join(', ') }}</template
            >
          </small>
          <small class="figures">{{ completeAfterMs === null ? '' : printClock(completeAfterMs, 1) }}</small>
        </li>
      </ol>
    </template>
    <button class="pad" :disabled="!ready || !isRunning" @pointerdown.prevent="advance">
      <template v-if="part?.segment.repetitions">
        <strong class="figures count" data-testid="counted">{{ part.repetitions }}</strong>
        <span>{{ part.segment.name }}: {{ part.segment.repetitions - part.repetitions }} to go. Tap or space</span>
      </template>
      <template v-else-if="part">
        <strong>{{ part.segment.name }} complete</strong><span>tap anywhere here, or space</span>
      </template>
    </button>
    <div v-if="refusals.length > 0 || protocol.cautionsAllowed !== undefined" class="keys-row">
      <button
        v-for="(refusal, index) in refusals"
        :key="refusal.id"
        class="refuse"
        :disabled="!ready || !isRunning"
        @click="refuse(refusal.id)"
      >
        {{ refusal.label }} <kbd>{{ index + 1 }}</kbd>
      </button>
      <button
        v-if="protocol.cautionsAllowed !== undefined"
        class="caution"
        :disabled="!ready || !isRunning"
        @click="caution"
      >
        Caution <kbd>C</kbd><small>{{ cautionsLeft > 0 ? `${cautionsLeft} left` : 'the next ends it' }}</small>
      </button>
    </div>
  </ConsoleFrame>
</template>

<style scoped lang="scss">
@use '../../console/pad';
.parts {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
  gap: 8px;
}
.parts li {
  display: flex;
  flex-direction: column;
  padding: 8px 12px;
  border-width: 2px;
}
.parts .open {
  border-color: var(--ink);
  box-shadow: 0 0 0 3px var(--vest);
}
.parts .done {
  background: var(--tint);
}
.pad .count {
  font-size: 6rem;
}
</style>
