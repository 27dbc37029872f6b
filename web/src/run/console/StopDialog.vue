<script setup lang="ts">
/** Records that somebody of several ends without a finish, and why; or a caution, where the event has them. */
import { endingsOf, STOPPED_AS, type StandardEvent, type StopReason } from '@able-gauge/core'
import { BFormInput, BFormRadioGroup, BFormSelect, BModal } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { bibAndName, type Entry } from '../../day/day.ts'

const props = defineProps<{
  event: StandardEvent
  /** Those under way. */
  runners: readonly Entry[]
  mayDisqualify: boolean
}>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ stop: [entryId: string, reason: StopReason, note: string]; caution: [entryId: string] }>()

const entryId = ref('')
const choice = ref('safety')
const note = ref('')

interface Choice {
  readonly id: string
  readonly label: string
  /** Null for a caution, after which they go on. */
  readonly reason: StopReason | null
  /** What is recorded with it unless somebody writes more. */
  readonly note?: string
  readonly officer?: true
}
const EVERYWHERE: readonly Choice[] = [
  { id: 'safety', label: 'Stopped for safety', reason: 'safety' },
  { id: 'withdrawn', label: 'Withdrawn on medical grounds', reason: 'withdrawn' },
  { id: 'didNotFinish', label: 'Gave up, did not finish', reason: 'didNotFinish' },
]
const DISQUALIFIED: Choice = { id: 'disqualified', label: 'Disqualified', reason: 'disqualified', officer: true }
const choices = computed((): readonly Choice[] => {
  const { protocol } = props.event
  const cautions = 'cautionsAllowed' in protocol && protocol.cautionsAllowed !== undefined
  return [
    ...EVERYWHERE,
    ...endingsOf(protocol).map(({ label, then }) => ({
      id: `ending ${label}`,
      label,
      reason: STOPPED_AS[then],
      note: label,
    })),
    ...(cautions ? [{ id: 'caution', label: 'Caution, goes on', reason: null }] : []),
    DISQUALIFIED,
  ]
})

const whom = computed(() => props.runners.map((runner) => ({ value: runner.id, text: bibAndName(runner) })))
const what = computed(() =>
  choices.value
    .filter(({ officer }) => !officer || props.mayDisqualify)
    .map(({ id, label }) => ({ value: id, text: label })),
)

watch(
  open,
  () => {
    entryId.value = props.runners[0]?.id ?? ''
    choice.value = 'safety'
    note.value = ''
  },
  { immediate: true },
)

const record = (): void => {
  if (entryId.value === '') return
  const chosen = choices.value.find(({ id }) => id === choice.value)
  if (chosen?.reason) emit('stop', entryId.value, chosen.reason, note.value || (chosen.note ?? ''))
  else if (chosen) emit('caution', entryId.value)
  open.value = false
}
</script>

<template>
  <BModal
    v-model="open"
    title="Somebody stops"
    ok-title="Record it"
    cancel-title="Back"
    cancel-variant="quiet"
    :ok-disabled="entryId === ''"
    @ok.prevent="record"
  >
    <label for="stop-bib" class="form-label">Runner</label>
    <BFormSelect id="stop-bib" v-model="entryId" :options="whom" />
    <fieldset class="mt-3">
      <legend class="form-label fs-6">What happened</legend>
      <BFormRadioGroup v-model="choice" name="reason" class="reasons" stacked :options="what" />
    </fieldset>
    <label for="stop-note" class="form-label mt-3">In words, for the record</label>
    <BFormInput id="stop-note" v-model="note" maxlength="300" autocomplete="off" />
  </BModal>
</template>

<style scoped>
.reasons :deep(.form-check) {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 40px;
}
.reasons :deep(input) {
  flex: none;
  width: 20px;
  height: 20px;
  margin-top: 0;
}
</style>
