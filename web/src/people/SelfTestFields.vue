<script setup lang="ts">
/** A self-test as it is logged: which event, when, the figures, who witnessed it. */
import { parseField, slotsOfEvent, type SelfTestBody, type Standard } from '@able-gauge/core'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { inWords } from '../api.ts'
import DateField from '../ui/DateField.vue'
import { today } from '../ui/localTime.ts'

const props = defineProps<{
  standard: Standard | null
  /** Keeps it on the server. */
  keep: (test: SelfTestBody) => Promise<void>
}>()
const emit = defineEmits<{ logged: [] }>()

const form = reactive({ eventId: '', testDate: today(), witness: '', note: '', figures: {} as Record<string, string> })
const problem = ref('')
watch(
  () => props.standard,
  (now) => (form.eventId = now?.events[0]?.id ?? ''),
  { immediate: true },
)
const event = computed(() => props.standard?.events.find(({ id }) => id === form.eventId))
const slots = computed(() => (event.value ? slotsOfEvent(event.value) : []))

const log = async (): Promise<void> => {
  const { standard } = props
  if (!standard) return
  problem.value = ''
  const figures: { slot: string; value: number }[] = []
  for (const slot of slots.value) {
    const text = form.figures[slot.id]?.trim() ?? ''
    if (text === '') continue
    const read = parseField(text, slot)
    if (!read.ok) {
      problem.value = `${slot.label}: ${read.reason}`
      return
    }
    figures.push({ slot: slot.id, value: read.value })
  }
  try {
    const { eventId, testDate, witness, note } = form
    const test = { eventId, testDate, figures, witness: witness.trim(), note: note.trim() }
    await props.keep({ ...test, standardId: standard.id, standardVersion: standard.version })
    form.figures = {}
    emit('logged')
  } catch (error) {
    problem.value = inWords(error)
  }
}
</script>

<template>
  <form class="fields" @submit.prevent="log">
    <slot />
    <label
      >Event
      <BFormSelect v-model="form.eventId">
        <option v-for="one in standard?.events ?? []" :key="one.id" :value="one.id">{{ one.name }}</option>
      </BFormSelect></label
    >
    <label>Date <DateField v-model="form.testDate" required /></label>
    <label v-for="slot in slots" :key="slot.id"
      >{{ slot.label }}
      <BFormInput
        :model-value="form.figures[slot.id] ?? ''"
        class="figures"
        @update:model-value="(text) => (form.figures[slot.id] = String(text ?? ''))"
      />
    </label>
    <label>Witnessed by <BFormInput v-model="form.witness" maxlength="80" /></label>
    <label>Note <BFormInput v-model="form.note" maxlength="300" /></label>
    <BButton variant="quiet" type="submit">Log the self-test</BButton>
  </form>
  <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: 10px 14px;
  align-items: end;
  border-top: 1px solid var(--line);
  padding-top: 12px;
}
</style>
