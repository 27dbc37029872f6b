<script setup lang="ts">
/** The officer settles an open mark, with a reason: by a word, or by the figure it is to be judged from. */
import {
  exampleOf,
  factsOf,
  mainSlotOf,
  parseField,
  suffixOf,
  type FieldForm,
  type StandardEvent,
} from '@able-gauge/core'
import { computed, ref } from 'vue'
import type { Entry } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'

const props = defineProps<{
  eventId: string
  /** What was done: the event, or the alternate in its place. */
  event: StandardEvent
  entry: Entry
}>()

const store = useDay()
const as = ref<'met' | 'short' | 'figure' | ''>('')
const figure = ref('')
const reason = ref('')

/** The result of the event as it is typed. */
const form = computed<FieldForm>(() => {
  const { unit } = factsOf(props.event.protocol)
  const main = mainSlotOf(props.event)
  return main?.unit === unit ? main : { unit }
})
const read = computed(() => parseField(figure.value, form.value))
const problem = computed(() => (figure.value.trim() === '' || read.value.ok ? '' : read.value.reason))
const ready = computed(() => reason.value.trim() !== '' && as.value !== '' && (as.value !== 'figure' || read.value.ok))

const decide = async (): Promise<void> => {
  if (!ready.value || as.value === '') return
  const stated = as.value === 'figure' ? (read.value.ok ? { value: read.value.value } : null) : { as: as.value }
  if (!stated) return
  await store.capture(props.eventId, props.entry.id, {
    kind: 'decided',
    payload: { ...stated, reason: reason.value.trim() },
  })
}
</script>

<template>
  <form class="decision" @submit.prevent="decide">
    <strong>Your decision</strong>
    <div class="choices">
      <label><input v-model="as" type="radio" name="as" value="met" required /> Met</label>
      <label><input v-model="as" type="radio" name="as" value="short" required /> Short</label>
      <label><input v-model="as" type="radio" name="as" value="figure" required /> Another figure</label>
    </div>
    <template v-if="as === 'figure'">
      <label for="decision-figure">What it is to be judged from{{ suffixOf(form) ? `, ${suffixOf(form)}` : '' }}</label>
      <input
        id="decision-figure"
        v-model="figure"
        class="form-control"
        :aria-invalid="problem !== ''"
        aria-describedby="decision-figure-help"
        required
      />
      <span id="decision-figure-help" :class="problem ? 'text-danger' : 'quiet'">{{
        problem || `Write ${exampleOf(form)}. Points, class and total follow from it.`
      }}</span>
    </template>
    <label for="decision-reason">Reason, for the record</label>
    <textarea id="decision-reason" v-model="reason" class="form-control" rows="2" maxlength="500" required />
    <button class="btn btn-primary" :disabled="!ready">Record the decision</button>
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
  flex-wrap: wrap;
  gap: 4px 24px;
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
