<script setup lang="ts">
/** An untimed task: done, or what failed it. */
import type { ProtocolOf, StandardEvent } from '@able-gauge/core'
import type { Day, Entry } from '../../../day/day.ts'
import { useGrading } from '../../console/useGrading.ts'
import ConsoleFrame from '../../console/ConsoleFrame.vue'

const props = defineProps<{
  day: Day
  event: StandardEvent & { readonly protocol: ProtocolOf<'untimedTask'> }
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
const { ready } = grading
const done = (): void => grading.observe({ kind: 'read', payload: { slot: 'done', value: 1 } })
const KEYS = {
  ' ': () => done(),
  ...Object.fromEntries(
    protocol.failsWhen.map((why, index) => [String(index + 1), () => grading.stop('failed', why)] as const),
  ),
}
</script>

<template>
  <ConsoleFrame
    :day="day"
    :event="event"
    :entry="entry"
    :following="following"
    :grading="grading"
    :keys="KEYS"
    :strong-keys="[' ']"
    :help="[
      ['Space', 'done'],
      ...protocol.failsWhen.map((why, index) => [String(index + 1), `failed: ${why.toLowerCase()}`] as const),
    ]"
    @next="emit('next')"
    @back="emit('back')"
  >
    <section class="sheet task">
      <h2>{{ protocol.task }}</h2>
      <p>{{ protocol.stoppingAllowed ? 'Stopping on the way is allowed.' : 'Stopping on the way fails it.' }}</p>
      <p v-for="text in event.cautions" :key="text">{{ text }}</p>
    </section>
    <button class="pad" :disabled="!ready" @click="done">
      <strong>Done</strong><span>as the task asks, or space</span>
    </button>
    <div class="keys-row fails">
      <button
        v-for="(why, index) in protocol.failsWhen"
        :key="why"
        class="refuse"
        :disabled="!ready"
        @click="grading.stop('failed', why)"
      >
        {{ why }} <kbd>{{ index + 1 }}</kbd>
      </button>
    </div>
  </ConsoleFrame>
</template>

<style scoped lang="scss">
@use '../../console/pad';
.task {
  padding: 14px 16px;
}
.task p {
  margin: 4px 0 0;
}
</style>
