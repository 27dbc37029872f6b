<script setup lang="ts">
/** Corrects one capture: it no longer counts, its moment moves, or its figure is replaced. Each is another capture with a reason. */
import {
  exampleOf,
  parseField,
  printField,
  slotsOfEvent,
  suffixOf,
  type Capture,
  type StandardEvent,
} from '@able-gauge/core'
import { BButton, BFormInput, BFormRadio } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import type { Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { useAgreedClock } from '../sync/agreedClock.ts'
import { useDone } from '../ui/done.ts'
import { timeOfDay } from '../ui/localTime.ts'

const props = defineProps<{
  day: Day
  event: StandardEvent
  capture: Capture
}>()
const emit = defineEmits<{ done: [] }>()

const store = useDay()
const done = useDone()
const clock = useAgreedClock()
type Way = 'voided' | 'moved' | 'replaced'
const ways = computed<readonly { readonly id: Way; readonly label: string }[]>(() => [
  { id: 'voided', label: 'It does not count' },
  ...(props.capture.kind === 'read' ? [{ id: 'replaced' as const, label: 'The figure is another' }] : []),
  ...(MOMENTS.has(props.capture.kind) ? [{ id: 'moved' as const, label: 'It happened earlier or later' }] : []),
])
/** What is measured by its moment. */
const MOMENTS: ReadonlySet<Capture['kind']> = new Set([
  'waveStarted',
  'started',
  'crossed',
  'stopped',
  'passed',
  'missed',
])
const way = ref<Way>('voided')
const reason = ref('')
const figure = ref('')
const shift = ref('')
const problem = ref('')

const slot = computed(() => {
  const { capture } = props
  return capture.kind === 'read' ? slotsOfEvent(props.event).find(({ id }) => id === capture.payload.slot) : undefined
})
const now = computed(() => {
  const { capture } = props
  return capture.kind === 'read' && slot.value ? printField(capture.payload.value, slot.value) : ''
})
const shiftMs = computed(() => {
  const match = /^([+-])?(\d{1,4})(?:\.(\d{1,3}))?$/.exec(shift.value.trim())
  if (!match) return null
  const [, sign, seconds = '0', fraction = ''] = match
  const ms = Number(seconds) * 1000 + Number(fraction.padEnd(3, '0'))
  return sign === '-' ? -ms : ms
})

const record = (): void => {
  const { capture, event } = props
  const [captureId, why] = [capture.id, reason.value.trim()]
  problem.value = ''
  if (why === '') problem.value = 'A correction needs its reason.'
  else if (way.value === 'voided') {
    store.capture(event.id, capture.entryId, { kind: 'voided', payload: { captureId, reason: why } })
  } else if (way.value === 'moved') {
    if (shiftMs.value === null) problem.value = `"${shift.value}" is not a number of seconds, such as -1.5 or 2.`
    else {
      const toMs = capture.atMs + shiftMs.value
      store.capture(event.id, capture.entryId, { kind: 'moved', payload: { captureId, toMs, reason: why } })
    }
  } else if (slot.value) {
    const read = parseField(figure.value, slot.value)
    if (!read.ok) problem.value = `"${figure.value}" is not ${exampleOf(slot.value)}.`
    else {
      const payload = { captureId, value: read.value, reason: why }
      store.capture(event.id, capture.entryId, { kind: 'replaced', payload })
    }
  }
  if (problem.value !== '') return
  done.tell('The correction is on record; what it corrects stays beside it.')
  emit('done')
}
</script>

<template>
  <form class="correction" @submit.prevent="record">
    <div class="ways" role="group" aria-label="What is wrong">
      <BFormRadio v-for="{ id, label } in ways" :key="id" v-model="way" class="tick" :value="id">{{
        label
      }}</BFormRadio>
    </div>
    <label v-if="way === 'moved'">
      By how many seconds, with a minus when it was earlier
      <span class="quiet">now {{ timeOfDay(capture.atMs, day.occasion.zone) }}</span>
      <BFormInput v-model="shift" class="figures" inputmode="decimal" autocomplete="off" />
    </label>
    <label v-if="way === 'replaced' && slot">
      {{ slot.label }} in {{ suffixOf(slot) || 'its own form' }}, now {{ now }}
      <BFormInput v-model="figure" class="figures" autocomplete="off" />
    </label>
    <label>
      Reason
      <BFormInput v-model="reason" maxlength="300" autocomplete="off" />
    </label>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div class="buttons">
      <BButton variant="primary" type="submit" :disabled="clock.agreement === null">Record the correction</BButton>
      <BButton type="button" variant="quiet" @click="emit('done')">Back</BButton>
    </div>
  </form>
</template>

<style scoped>
.correction {
  display: grid;
  gap: 10px;
  padding: 12px 14px;
  background: var(--decide-tint);
  border: 1px solid var(--decide-edge);
  border-radius: 6px;
}
.ways,
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
}
.problem {
  margin: 0;
}
</style>
