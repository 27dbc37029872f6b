<script setup lang="ts">
/** One person at muster: bib, here or not, a note. What was typed stays when the server refuses it. */
import { BModal } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { call, inWords, Refusal } from '../api.ts'
import { parseField, printField, type Attendance } from '@able-gauge/core'
import { fullName, type Day, type Entry } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'

const props = defineProps<{
  day: Day
  /** Whom to change; null closes the dialog. */
  entry: Entry | null
}>()

const emit = defineEmits<{ close: [] }>()

const store = useDay()
const bib = ref('')
const attendance = ref<Attendance>('present')
const note = ref('')
const bodyMass = ref('')
const problem = ref('')

const open = computed({ get: () => props.entry !== null, set: (value) => !value && emit('close') })
// only another person resets what is typed: when somebody else changes this entry meanwhile, the typing stays
watch(
  () => props.entry?.id,
  () => {
    const { entry } = props
    bib.value = entry?.bib ? String(entry.bib) : ''
    attendance.value = entry?.attendance === 'expected' ? 'present' : (entry?.attendance ?? 'present')
    note.value = entry?.note ?? ''
    bodyMass.value = entry?.bodyMassG ? printField(entry.bodyMassG, { unit: 'g' }) : ''
    problem.value = ''
  },
)

const CHOICES: readonly { readonly id: Attendance; readonly label: string }[] = [
  { id: 'present', label: 'Here: identity and date of birth checked' },
  { id: 'held', label: 'Held: may not start' },
  { id: 'absent', label: 'Absent' },
  { id: 'expected', label: 'Still expected' },
]

const onRecord = (): string => {
  const { entry } = props
  const label = CHOICES.find(({ id }) => id === entry?.attendance)?.label ?? ''
  return `On record now: bib ${entry?.bib ?? 'none'}, ${label.toLowerCase()}, note "${entry?.note ?? ''}". Saving again replaces that with what stands here.`
}

const save = async (): Promise<void> => {
  const { entry } = props
  if (!entry) return
  if (bib.value !== '' && !/^[1-9]\d{0,4}$/.test(bib.value)) {
    problem.value = `"${bib.value}" is not a bib. Expected a number from 1 to 99999.`
    return
  }
  const mass = bodyMass.value.trim() === '' ? null : parseField(bodyMass.value, { unit: 'g' })
  if (mass?.ok === false) {
    problem.value = mass.reason
    return
  }
  const { id } = props.day.occasion
  const chosenBib = bib.value === '' ? {} : { bib: Number(bib.value) }
  try {
    await call('PATCH', `/occasions/${id}/entries/${entry.id}`, {
      revision: entry.revision,
      ...chosenBib,
      attendance: attendance.value,
      note: note.value.trim(),
      ...(mass ? { bodyMassG: mass.value } : {}),
    })
    await store.reread(id)
    emit('close')
  } catch (error) {
    problem.value = inWords(error)
    await store.reread(id)
    if (error instanceof Refusal && error.code === 'entry.editedMeanwhile') problem.value += ` ${onRecord()}`
  }
}
</script>

<template>
  <BModal
    v-model="open"
    :title="entry ? fullName(entry) : ''"
    ok-title="Save"
    cancel-title="Back"
    cancel-variant="quiet"
    @ok.prevent="save"
  >
    <form @submit.prevent="save">
      <label for="entry-bib" class="form-label">Bib</label>
      <input id="entry-bib" v-model="bib" class="form-control figures" inputmode="numeric" maxlength="5" />
      <label for="entry-mass" class="form-label mt-3">Body mass in kg</label>
      <input id="entry-mass" v-model="bodyMass" class="form-control figures" inputmode="decimal" maxlength="10" />
      <fieldset class="mt-3">
        <legend class="form-label fs-6">At muster</legend>
        <label v-for="{ id, label } in CHOICES" :key="id" class="choice"
          ><input v-model="attendance" type="radio" name="attendance" :value="id" /> {{ label }}</label
        >
      </fieldset>
      <label for="entry-note" class="form-label mt-3">Note</label>
      <input id="entry-note" v-model="note" class="form-control" maxlength="300" />
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    </form>
  </BModal>
</template>

<style scoped>
.choice {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 40px;
}
.choice input {
  width: 20px;
  height: 20px;
}
</style>
