<script setup lang="ts">
/** Says that today is no date of this day, and lets the officer open the day today. */
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useSession } from '../session/sessionStore.ts'
import { dateIn, shortDate } from '../ui/localTime.ts'
import { useTick } from '../ui/useTick.ts'
import type { Day } from './day.ts'
import { useDay } from './dayStore.ts'
import { useRecords } from './useRecords.ts'

const props = defineProps<{
  day: Day
}>()

const session = useSession()
const store = useDay()
const { write, writing, problem } = useRecords(() => props.day)
const nowMs = useTick(5_000)

const isOff = computed(
  () =>
    !props.day.occasion.signedOff &&
    store.bounds !== null &&
    !store.bounds.some(({ fromMs, beforeMs }) => nowMs.value >= fromMs && nowMs.value < beforeMs),
)
const date = computed(() => dateIn(nowMs.value, props.day.occasion.zone))
const reason = ref('')
const open = (): Promise<boolean> => write({ kind: 'dayOpened', date: date.value, reason: reason.value.trim() })
</script>

<template>
  <aside v-if="isOff" class="off sheet no-print" role="status">
    <p>
      <strong>Today is {{ shortDate(date) }}; this day is for {{ shortDate(day.occasion.testDate) }}.</strong>
      What is captured now counts in the order it arrives and is doubtful until the officer in charge opens the day
      today.
    </p>
    <form v-if="session.can('log.dayOpened')" @submit.prevent="open">
      <label>Why today <BFormInput v-model="reason" maxlength="300" required /></label>
      <BButton type="submit" variant="primary" :disabled="writing">Open the day today</BButton>
    </form>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </aside>
</template>

<style scoped>
.off {
  margin: 12px 20px 0;
  padding: 12px 16px;
  border-color: var(--decide-edge);
  background: var(--decide-tint);
  display: flex;
  flex-wrap: wrap;
  gap: 12px 24px;
  align-items: end;
}
p {
  flex: 1 1 320px;
  margin: 0;
}
form {
  display: flex;
  gap: 10px;
  align-items: end;
  flex: 1 1 320px;
}
label {
  flex: 1;
}
</style>
