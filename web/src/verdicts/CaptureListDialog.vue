<script setup lang="ts">
/** Every capture behind a mark, corrections included: when, what, which device, how sure the time. */
import { byTimeThenId, voidedIds, type Capture, type StandardEvent } from '@able-gauge/core'
import { BButton, BModal } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import type { Day } from '../day/day.ts'
import { useSession } from '../session/sessionStore.ts'
import { timeOfDay } from '../ui/localTime.ts'
import { sayCapture } from '../ui/sayCapture.ts'
import CaptureCorrection from './CaptureCorrection.vue'

const props = defineProps<{
  day: Day
  captures: readonly Capture[]
  title: string
  /** The event they belong to; without it nothing can be corrected here. */
  event?: StandardEvent | undefined
}>()
const open = defineModel<boolean>({ required: true })

const session = useSession()
const mayCorrect = computed(() => props.event !== undefined && session.can('capture') && !props.day.occasion.signedOff)
/** The capture that is being corrected. */
const correcting = ref<string | null>(null)
const isCorrectable = ({ id, kind }: Capture): boolean => !voided.value.has(id) && kind !== 'decided'

const ordered = computed(() => [...props.captures].sort(byTimeThenId))
const voided = computed(() => voidedIds(props.captures))
const tenths = (atMs: number): string =>
  `${timeOfDay(atMs, props.day.occasion.zone)}.${Math.floor((atMs % 1000) / 100)}`
</script>

<template>
  <BModal v-model="open" :title="title" size="lg" scrollable ok-only ok-title="Close" ok-variant="quiet">
    <p class="quiet">
      {{ captures.length }} captures, in the order they happened. Nothing is ever removed; a correction is another line.
    </p>
    <table class="table table-sm">
      <thead>
        <tr>
          <th scope="col">Time</th>
          <th scope="col">What</th>
          <th scope="col">Device</th>
          <th scope="col">Good to</th>
          <th v-if="mayCorrect" scope="col"><span class="visually-hidden">Correct</span></th>
        </tr>
      </thead>
      <tbody>
        <template v-for="capture in ordered" :key="capture.id">
          <tr :class="{ voided: voided.has(capture.id) }">
            <td class="figures">{{ tenths(capture.atMs) }}</td>
            <td>{{ sayCapture(capture) }}<span v-if="voided.has(capture.id)"> (undone)</span></td>
            <td>{{ capture.deviceId }}</td>
            <td class="figures">{{ capture.uncertaintyMs }} ms</td>
            <td v-if="mayCorrect">
              <BButton v-if="isCorrectable(capture)" variant="quiet" size="sm" @click="correcting = capture.id">
                Correct
              </BButton>
            </td>
          </tr>
          <tr v-if="event && correcting === capture.id">
            <td colspan="5">
              <CaptureCorrection :day="day" :event="event" :capture="capture" @done="correcting = null" />
            </td>
          </tr>
        </template>
      </tbody>
    </table>
  </BModal>
</template>

<style scoped>
.voided td {
  text-decoration: line-through;
  color: var(--ink-2);
}
</style>
