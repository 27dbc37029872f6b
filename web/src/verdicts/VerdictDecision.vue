<script setup lang="ts">
/** The officer settles an open mark, with a reason: by a word, or by the figure it is to be judged from. */
import type { Ruled, StandardEvent } from '@able-gauge/core'
import { BButton, BFormTextarea } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { bibAndName, type Entry } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { useDone } from '../ui/done.ts'
import RuledFields from './RuledFields.vue'

const props = defineProps<{
  eventId: string
  /** What was done: the event, or the alternate in its place. */
  event: StandardEvent
  entry: Entry
}>()

const store = useDay()
const done = useDone()
const ruled = ref<Pick<Ruled, 'as' | 'value'> | null>(null)
const reason = ref('')
const ready = computed(() => reason.value.trim() !== '' && ruled.value !== null)

const decide = (): void => {
  if (!ready.value) return
  store.capture(props.eventId, props.entry.id, {
    kind: 'decided',
    payload: { ...ruled.value, reason: reason.value.trim() },
  })
  done.tell(`Decided: ${bibAndName(props.entry)}, ${props.event.name.toLowerCase()}.`)
}
</script>

<template>
  <form class="decision" @submit.prevent="decide">
    <strong>Your decision</strong>
    <RuledFields v-model="ruled" :event="event" name="decision" />
    <label for="decision-reason">Reason, for the record</label>
    <BFormTextarea id="decision-reason" v-model="reason" rows="2" maxlength="500" required />
    <BButton variant="primary" type="submit" :disabled="!ready">Record the decision</BButton>
  </form>
</template>

<style scoped>
.decision {
  display: grid;
  gap: 8px;
  padding: 12px;
  margin-bottom: 12px;
  background: var(--decide-tint);
  border: 1px solid var(--decide-edge);
  border-radius: 8px;
}
</style>
