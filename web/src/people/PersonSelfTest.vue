<script setup lang="ts">
/** A self-test put on record: which event of which standard, when, the figures, who witnessed it. */
import { parseField, type PersonRecord, slotsOfEvent, type Standard, type VersionSummary } from '@able-gauge/core'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, onMounted, reactive, ref, watch } from 'vue'
import { tell, inWords } from '../api.ts'
import { listVersions, readVersion } from '../standards/standardCalls.ts'
import { readStandard } from '../standards/readStandard.ts'
import { today } from '../ui/localTime.ts'
import DateField from '../ui/DateField.vue'

const props = defineProps<{
  record: PersonRecord
}>()
const emit = defineEmits<{ logged: [] }>()

const versions = ref<readonly VersionSummary[]>([])
const chosen = ref('')
const standard = ref<Standard | null>(null)
const form = reactive({ eventId: '', testDate: today(), witness: '', note: '', figures: {} as Record<string, string> })
const problem = ref('')

onMounted(async () => {
  try {
    versions.value = (await listVersions()).filter(({ state }) => state !== 'draft')
    const last = props.record.tests.at(-1)
    const first = versions.value[0]
    chosen.value = last ? `${last.standardId} ${last.standardVersion}` : first ? `${first.id} ${first.version}` : ''
  } catch (error) {
    problem.value = inWords(error)
  }
})
watch(chosen, async (now) => {
  const [id = '', version = ''] = now.split(' ')
  if (id === '') return
  const { standard: read } = await readStandard(await readVersion(id, Number(version)))
  standard.value = read
  form.eventId = read?.events[0]?.id ?? ''
})
const event = computed(() => standard.value?.events.find(({ id }) => id === form.eventId))
const slots = computed(() => (event.value ? slotsOfEvent(event.value) : []))

const log = async (): Promise<void> => {
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
  const [standardId = '', version = ''] = chosen.value.split(' ')
  try {
    await tell('POST', `/people/${props.record.person.id}/self-tests`, {
      standardId,
      standardVersion: Number(version),
      eventId: form.eventId,
      testDate: form.testDate,
      figures,
      witness: form.witness.trim(),
      note: form.note.trim(),
    })
    form.figures = {}
    emit('logged')
  } catch (error) {
    problem.value = inWords(error)
  }
}
</script>

<template>
  <form class="fields" @submit.prevent="log">
    <label
      >Standard
      <BFormSelect v-model="chosen">
        <option v-for="one in versions" :key="`${one.id} ${one.version}`" :value="`${one.id} ${one.version}`">
          {{ one.name }}, version {{ one.version }}
        </option>
      </BFormSelect></label
    >
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
