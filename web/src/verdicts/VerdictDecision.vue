<script setup lang="ts">
/** The officer settles an open mark, with a reason. */
import { ref } from 'vue'
import type { Entry } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'

const props = defineProps<{
  eventId: string
  entry: Entry
}>()

const store = useDay()
const as = ref<'met' | 'short' | ''>('')
const reason = ref('')

const decide = async (): Promise<void> => {
  if (as.value === '' || reason.value.trim() === '') return
  await store.capture(props.eventId, props.entry.id, {
    kind: 'decided',
    payload: { as: as.value, reason: reason.value.trim() },
  })
}
</script>

<template>
  <form class="decision" @submit.prevent="decide">
    <strong>Your decision</strong>
    <div class="choices">
      <label><input v-model="as" type="radio" name="as" value="met" required /> Met</label>
      <label><input v-model="as" type="radio" name="as" value="short" required /> Short</label>
    </div>
    <label for="decision-reason">Reason, for the record</label>
    <textarea id="decision-reason" v-model="reason" class="form-control" rows="2" maxlength="500" required />
    <button class="btn btn-primary" :disabled="as === '' || reason.trim() === ''">Record the decision</button>
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
.choices {
  display: flex;
  gap: 24px;
}
.choices label {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 40px;
}
.choices input {
  width: 20px;
  height: 20px;
}
</style>
