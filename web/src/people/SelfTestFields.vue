<script setup lang="ts">
/** A self-test as it is logged: which event, when, the figures, who witnessed it. */
import {
  parseField,
  printField,
  slotsOfEvent,
  type PersonSelfTest,
  type SelfTestBody,
  type Standard,
} from '@able-gauge/core'
import { BButton, BFormFile, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, reactive, ref, shallowRef, useId, watch } from 'vue'
import { inWords } from '../api.ts'
import DateField from '../ui/DateField.vue'
import { today } from '../ui/localTime.ts'
import { PictureUnreadable, smallPicture } from '../ui/smallPicture.ts'

const props = defineProps<{
  standard: Standard | null
  /** Keeps it on the server. */
  keep: (test: SelfTestBody) => Promise<void>
  /** The one that is put right; null for a new one. */
  correcting: PersonSelfTest | null
}>()
const emit = defineEmits<{ logged: []; leave: [] }>()

const MOST_PIXELS = 1_400
const form = reactive({
  eventId: '',
  variantId: '',
  testDate: today(),
  witness: '',
  note: '',
  figures: {} as Record<string, string>,
})
const file = shallowRef<File | null>(null)
const id = useId()
const problem = ref('')
watch(
  () => props.standard,
  (now) => {
    if (!props.correcting) form.eventId = now?.events[0]?.id ?? ''
  },
  { immediate: true },
)
const event = computed(() => props.standard?.events.find(({ id }) => id === form.eventId))
const slots = computed(() => (event.value ? slotsOfEvent(event.value) : []))
watch(
  () => props.correcting,
  (wrong) => {
    if (!wrong) return
    const { eventId, variantId = '', testDate, witness, note } = wrong
    Object.assign(form, { eventId, variantId, testDate, witness, note })
    form.figures = Object.fromEntries(
      slots.value.flatMap((slot) => {
        const value = wrong.figures[slot.id]
        return value === undefined ? [] : [[slot.id, printField(value, slot)]]
      }),
    )
  },
)
watch(event, (now) => {
  if (!now?.variants?.some(({ id }) => id === form.variantId)) form.variantId = ''
})

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
    const { eventId, variantId, testDate, witness, note } = form
    const picture = file.value ? await smallPicture(file.value, MOST_PIXELS, 'image/jpeg') : ''
    await props.keep({
      eventId,
      testDate,
      figures,
      witness: witness.trim(),
      note: note.trim(),
      standardId: standard.id,
      standardVersion: standard.version,
      ...(variantId === '' ? {} : { variantId }),
      ...(props.correcting ? { replaces: props.correcting.id } : {}),
      ...(picture === '' ? {} : { picture }),
    })
    Object.assign(form, { figures: {}, witness: '', note: '' })
    file.value = null
    emit('logged')
  } catch (error) {
    problem.value = error instanceof PictureUnreadable ? error.message : inWords(error)
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
    <label v-if="event?.variants"
      >Done as
      <BFormSelect v-model="form.variantId">
        <option value="">the event as it stands</option>
        <option v-for="one in event.variants" :key="one.id" :value="one.id">{{ one.name }}</option>
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
    <div class="wide">
      <label :for="`${id}-picture`">Picture of the display, or the card</label>
      <BFormFile :id="`${id}-picture`" v-model="file" plain accept="image/png,image/jpeg,image/webp" />
    </div>
    <BButton variant="quiet" type="submit">{{ correcting ? 'Put it right' : 'Log the self-test' }}</BButton>
    <BButton v-if="correcting" variant="quiet" type="button" @click="emit('leave')">Leave it as it is</BButton>
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
.wide {
  grid-column: span 2;
}
@media (max-width: 560px) {
  .wide {
    grid-column: auto;
  }
}
</style>
