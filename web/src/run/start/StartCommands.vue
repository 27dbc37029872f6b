<script setup lang="ts">
/**
 * A start: first what is open before it, then the start words. A check that is not clear is no start; a rest that still runs, or another
 * event, is asked about, and the answer goes on record with the start.
 */
import type { StandardEvent } from '@able-gauge/core'
import { computed, ref, shallowRef } from 'vue'
import type { Day, Entry } from '../../day/day.ts'
import { momentDespite, type AgreedMoment } from '../../sync/agreedClock.ts'
import StartQuestions from './StartQuestions.vue'
import StartWords from './StartWords.vue'
import { useStartAsks } from './useStartAsks.ts'

const props = defineProps<{
  day: Day
  event: StandardEvent
  /** Those who start now. */
  entries: readonly Entry[]
}>()
const emit = defineEmits<{
  /** The last word: the moment the clock starts. */
  go: [moment: AgreedMoment]
  cancel: []
}>()

const { asked, notClear, clear, nowMs } = useStartAsks(
  () => props.day,
  props.event,
  () => props.entries,
)
// plain: it becomes part of a capture, and the disk takes no reactive list
const despite = shallowRef<readonly string[]>([])
const isOpen = computed(
  () => notClear.value.length > 0 || asked.value.some(({ code }) => !despite.value.includes(code)),
)
/** What the press answered stays answered: nobody is asked again while the words are said. */
const saying = ref(!isOpen.value)

const goOn = (): void => {
  despite.value = [...new Set(asked.value.map(({ code }) => code))]
  if (!isOpen.value) saying.value = true
}
const allClear = (): void => {
  clear()
  if (!isOpen.value) saying.value = true
}
const go = (moment: AgreedMoment): void => emit('go', momentDespite(moment, despite.value))
</script>

<template>
  <StartWords v-if="saying" :protocol="event.protocol" @go="go" @cancel="emit('cancel')" />
  <StartQuestions
    v-else
    :day="day"
    :checks="notClear.length > 0 ? (event.protocol.clearBefore ?? []) : []"
    :asked="asked"
    :people="entries.length"
    :now-ms="nowMs"
    @clear="allClear"
    @go-on="goOn"
    @cancel="emit('cancel')"
  />
</template>
